<script setup lang="ts">
import { t } from '../../words'
import { houseToday, longDay } from '../../composables/format'
import { readWrittenDay } from '../../../core/documents/written-day'

const LazyDateCalendar = defineAsyncComponent(() => import('./DateCalendar.vue'))

/**
 * A date, written as the company writes dates and read in every usual way; a calendar to choose from. Kept as
 * ISO 8601, empty for none.
 */
defineOptions({ inheritAttrs: false })
const value = defineModel<string | null>({ required: true })
withDefaults(
  defineProps<{
    disabled?: boolean
    label?: string
    /** What holds where no date is written. */
    empty?: string
  }>(),
  { label: '', empty: '' },
)
const id = useId()
const written = ref('')
const wrong = ref(false)
const open = ref(false)

watch(
  value,
  (day) => {
    written.value = day ? longDay(day) : ''
    wrong.value = false
  },
  { immediate: true },
)

function take() {
  const text = written.value.trim()
  const day = text === '' ? '' : readWrittenDay(text, houseToday())
  wrong.value = day === undefined
  if (day === undefined) return
  value.value = day
  written.value = day ? longDay(day) : ''
}

/** The calendar speaks in dates of the browser's own zone. */
const chosen = computed(() => (value.value ? new Date(`${value.value}T12:00:00`) : null))
function choose(date: unknown) {
  const at = date as Date
  const two = (part: number) => String(part).padStart(2, '0')
  value.value = `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`
  open.value = false
}
</script>

<template>
  <label v-if="label" :for="id">{{ label }}</label>
  <span class="date-field" :class="{ bad: wrong }">
    <input
      :id="id"
      v-model="written"
      v-bind="$attrs"
      type="text"
      autocomplete="off"
      :placeholder="empty || t('fields.n27Nov2026')"
      :disabled="disabled"
      :aria-invalid="wrong"
      @change="take"
      @keydown.down.alt.prevent="open = true"
    />
    <VMenu v-model="open" :close-on-content-click="false" location="bottom end">
      <template #activator="{ props: activator }">
        <button
          type="button"
          class="calendar"
          :aria-label="t('fields.chooseFromACalendar')"
          :disabled="disabled"
          v-bind="activator"
        >
          ▾
        </button>
      </template>
      <LazyDateCalendar v-if="open" :chosen="chosen" @choose="choose" />
    </VMenu>
    <span v-if="wrong" role="alert" class="wrong">{{ t('fields.writeADateLike27') }}</span>
  </span>
</template>

<style scoped>
label {
  display: block;
  font-size: var(--small);
  color: var(--soft-ink);
}
.date-field {
  display: inline-flex;
  align-items: stretch;
  position: relative;
}
input {
  width: 116px;
  border: 1px solid var(--rule);
  border-radius: 4px 0 0 4px;
  padding: 5px 8px;
  font: inherit;
  font-size: var(--body);
  color: var(--ink);
}
.calendar {
  border: 1px solid var(--rule);
  border-left: 0;
  border-radius: 0 4px 4px 0;
  background: var(--paper);
  color: var(--ink);
  min-width: 26px;
  min-height: 26px;
  cursor: pointer;
}
.bad input {
  border-color: var(--brick);
}
.wrong {
  position: absolute;
  top: 100%;
  left: 0;
  z-index: 2;
  white-space: nowrap;
  font-size: var(--small);
  color: var(--brick);
  background: var(--paper);
}
</style>
