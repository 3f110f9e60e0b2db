<script setup lang="ts">
import { t } from '../../words'
import { fieldGroups, ownFieldName, type FieldName } from '../../../core/emailtexts/fields'
import { useSession } from '../../stores/session'
import { meaningOfField, wordsOfField } from './field-words'

/** The fields that a text can name, by what they are of, with meaning and value; narrowed by what is typed. */
const props = defineProps<{ narrow: string; values: Partial<Record<FieldName, string>> }>()
const emit = defineEmits<{ pick: [name: FieldName] }>()

const headings: Record<keyof typeof fieldGroups, string> = {
  document: t('emailtexts.ofTheDocument'),
  order: t('emailtexts.ofTheOrder'),
  customer: t('emailtexts.ofTheCustomer'),
  house: t('emailtexts.ofTheHouse'),
}
const own = useSession().house?.ownFields ?? []
/** A group's fields, with the house's own of an order and of a customer after the others. */
const fieldsOf = (group: keyof typeof fieldGroups): FieldName[] => [
  ...fieldGroups[group],
  ...(group === 'order' || group === 'customer'
    ? own.filter((field) => field.of === group).map((field) => ownFieldName(group, field.name))
    : []),
]

const shown = computed(() => {
  const narrow = props.narrow.trim().toLowerCase()
  return (Object.keys(fieldGroups) as (keyof typeof fieldGroups)[])
    .map((group) => ({
      heading: headings[group],
      fields: fieldsOf(group).filter((name) =>
        `${name} ${wordsOfField(name)} ${meaningOfField(name)}`.toLowerCase().includes(narrow),
      ),
    }))
    .filter((group) => group.fields.length > 0)
})
const flat = computed(() => shown.value.flatMap((group) => group.fields))
const at = ref(0)
watch(flat, () => (at.value = 0))
const list = ref<HTMLElement>()

/** Arrows and Enter, from wherever one types; true where it was one of them. */
function key(event: KeyboardEvent): boolean {
  if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
    const step = event.key === 'ArrowDown' ? 1 : -1
    at.value = Math.min(flat.value.length - 1, Math.max(0, at.value + step))
    void nextTick(() => list.value?.querySelector('.at')?.scrollIntoView({ block: 'nearest' }))
    return true
  }
  if (event.key !== 'Enter' && event.key !== 'Tab') return false
  const name = flat.value[at.value]
  if (name) emit('pick', name)
  return name !== undefined
}
defineExpose({ key })
</script>

<template>
  <div ref="list" class="fields" role="listbox" :aria-label="t('emailtexts.whichField')">
    <template v-for="group in shown" :key="group.heading">
      <p class="heading" aria-hidden="true">{{ group.heading }}</p>
      <div
        v-for="name in group.fields"
        :key="name"
        role="option"
        class="one"
        :class="{ at: flat[at] === name }"
        :aria-selected="flat[at] === name"
        :data-test="`field-${name}`"
        @mousedown.prevent="emit('pick', name)"
        @mouseenter="at = flat.indexOf(name)"
      >
        <span class="name">{{ wordsOfField(name) }}</span>
        <span class="soft">{{ meaningOfField(name) }}</span>
        <span class="value cut">{{ values[name] }}</span>
      </div>
    </template>
    <p v-if="flat.length === 0" class="soft none">{{ t('emailtexts.noFieldOfThatName') }}</p>
  </div>
</template>

<style scoped>
.fields {
  background: var(--paper);
  width: 560px;
  max-width: 90vw;
  max-height: 320px;
  overflow: auto;
  padding: 4px 0;
}
.heading {
  margin: 0;
  padding: 8px 12px 2px;
  font-size: var(--small);
  font-weight: 700;
  color: var(--soft-ink);
}
.one {
  display: grid;
  grid-template-columns: 130px 1fr 160px;
  gap: 10px;
  padding: 4px 12px;
  cursor: pointer;
}
.one.at {
  background: var(--peg-pale);
}
.soft {
  font-size: var(--small);
}
.value {
  text-align: right;
}
.none {
  margin: 0;
  padding: 6px 12px;
}
</style>
