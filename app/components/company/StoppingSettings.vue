<script setup lang="ts">
import WordPicker from '../list/WordPicker.vue'
import { useSession } from '../../stores/session'
import type { HouseSettings } from '../../contract'

/** In which statuses nothing of an order leaves, and what becomes of the invoice of one that is withdrawn. */
const props = defineProps<{ settings: HouseSettings; disabled: boolean }>()
const emit = defineEmits<{ keep: [change: Partial<HouseSettings>, said: string] }>()
const session = useSession()
const rules = [
  { value: 'list', words: 'listed in the Register, for a person to settle' },
  { value: 'settle', words: 'voided where that is allowed, else credited by a note in To check' },
]
const statusChoices = session.house!.company.orderStatuses.map((words) => ({ value: words, words }))
const toggled = (statuses: readonly string[], status: string) =>
  statuses.includes(status) ? statuses.filter((one) => one !== status) : [...statuses, status]
const toggleWithdrawn = (status: string) =>
  emit(
    'keep',
    { withdrawnStatuses: toggled(props.settings.withdrawnStatuses, status) },
    'Withdrawn orders are set.',
  )
const toggleHeld = (status: string) =>
  emit('keep', { heldStatuses: toggled(props.settings.heldStatuses, status) }, 'Held orders are set.')
</script>

<template>
  <p>
    Nothing of an order leaves while it is
    <WordPicker
      label="Held"
      several
      :words="settings.heldStatuses.join(' or ') || 'in no status yet'"
      :choices="statusChoices"
      :value="settings.heldStatuses"
      :disabled="disabled"
      @pick="toggleHeld"
    />
    or withdrawn: its documents are marked, in no Send, and taken out of Waiting.
  </p>
  <p>
    An order is withdrawn when it becomes
    <WordPicker
      label="Withdrawn"
      several
      :words="settings.withdrawnStatuses.join(' or ') || 'nothing yet'"
      :choices="statusChoices"
      :value="settings.withdrawnStatuses"
      :disabled="disabled"
      @pick="toggleWithdrawn"
    />. Its invoice is then
    <WordPicker
      label="Withdrawn rule"
      :choices="rules"
      :value="settings.withdrawnRule"
      :disabled="disabled"
      @pick="
        emit('keep', { withdrawnRule: $event as 'list' | 'settle' }, 'The rule for withdrawn orders is set.')
      "
    />; it is never deleted. <NuxtLink to="/register?state=withdrawn">Those that stand</NuxtLink>
  </p>
</template>

<style scoped>
p {
  font-size: var(--body);
  line-height: 2;
  margin: 0 0 10px;
}
</style>
