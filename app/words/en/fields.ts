/** Words of fields. */
export const fields = {
  // fields/DateField.vue
  n27Nov2026: '27 Nov 2026',
  chooseFromACalendar: 'Choose from a calendar',
  writeADateLike27: 'Write a date like 27 Nov 2026 or 27.11.2026',
  yes: 'yes',
  no: 'no',
} as const
