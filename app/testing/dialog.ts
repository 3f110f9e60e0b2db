/** A dialog whose content stands in the page itself, so that a test finds it there. */
export const openDialogs = {
  VDialog: { props: ['modelValue'], template: '<div v-if="modelValue"><slot /></div>' },
}
