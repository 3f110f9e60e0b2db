<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import DateField from '../fields/DateField.vue'
import TakenField from '../fields/TakenField.vue'
import WaiveField from './WaiveField.vue'
import WordPanel from '../list/WordPanel.vue'
import { attempt } from '../../composables/api'
import { useToasts } from '../../stores/toasts'
import { money, plural, shortDay } from '../../composables/format'
import { markItem, setLevelBack, takeWaiverBack, waive } from '../../calls/open-items'
import { ageingStep } from '../../../core/receivables/ageing'
import type { OpenRow } from '../../contract'

/** What is open of a customer: how late each is, its last reminder, and what was said of it on the telephone. */
defineProps<{ items: OpenRow[]; day: string; may: boolean; levels: number }>()
const emit = defineEmits<{ changed: [] }>()

const mark = (item: OpenRow, change: { dispute?: string; promisedOn?: string | null }, close: () => void) =>
  attempt(async () => {
    await markItem(item.id, change)
    close()
    emit('changed')
  })
const levelBack = (item: OpenRow, why: string, close: () => void) =>
  attempt(async () => {
    await setLevelBack(item.id, { level: item.reminders.at(-1)!.level, reason: why })
    close()
    useToasts().say(t('bank.isSetBack', { number: item.number }))
    emit('changed')
  })
const waiveIt = (item: OpenRow, amount: string, why: string, close: () => void) =>
  attempt(async () => {
    await waive(item.id, { open: item.open, amount, reason: why })
    close()
    useToasts().say(t('bank.isWaived', { number: item.number, amount: money(amount, item.currency) }), {
      undo: async () => {
        await takeWaiverBack(item.id, amount)
        emit('changed')
      },
    })
    emit('changed')
  })
const tone: Record<string, string> = {
  'not due': '',
  '1–30': 'wait',
  '31–60': 'wait',
  '61–90': 'stuck',
  'over 90': 'stuck',
}
const lateWords = (item: OpenRow) =>
  Number(item.open) < 0
    ? t('accounts.creditWord')
    : item.kind === 'payment reminder'
      ? t('bank.feeAndInterest')
      : item.late > 0
        ? t('accounts.daysLate', { days: plural(item.late, 'day') })
        : t('accounts.dueDay', { day: shortDay(item.dueDate) })
const markWords = (item: OpenRow) =>
  [
    item.dispute ? t('common.disputedDispute', { dispute: item.dispute }) : '',
    item.promisedOn ? t('accounts.promisedForDay', { day: shortDay(item.promisedOn) }) : '',
  ]
    .filter(Boolean)
    .join(', ') || t('accounts.mark')
const partly = (item: OpenRow) => Number(item.open) !== Number(item.amount)
</script>

<template>
  <ul :aria-label="t('accounts.openItems')">
    <li v-for="item in items" :key="item.id" :data-open="item.number">
      <NuxtLink class="mono number" :to="`/register?search=${item.number}&in=${item.id}`">{{
        item.number
      }}</NuxtLink>
      <span class="tag" :class="tone[ageingStep(item.dueDate, day)]">{{ lateWords(item) }}</span>
      <NuxtLink
        v-for="one in item.reminders.slice(-1)"
        :key="one.level"
        class="soft level"
        :to="`/register?search=${one.number}&in=${one.letterId}`"
        >{{
          one.level > levels
            ? t('bank.levelAgain', { day: shortDay(one.day) })
            : t('accounts.levelOnDay', { level: one.level, day: shortDay(one.day) })
        }}</NuxtLink
      >
      <WordPanel
        v-slot="{ close }"
        :label="t('accounts.marksOfNumber', { number: item.number })"
        class="mark"
        :words="markWords(item)"
        :open-end="!item.dispute && !item.promisedOn"
        :disabled="!may || Number(item.open) < 0"
      >
        <label
          ><I18nT keypath="accounts.disputedDisputedWhy" scope="global"
            ><template #disputedWhy
              ><TakenField
                :value="item.dispute"
                :placeholder="t('accounts.whatIsWrong')"
                :aria-label="t('accounts.disputedWhy')"
                @take="mark(item, { dispute: $event }, close)" /></template></I18nT
        ></label>
        <label
          ><I18nT keypath="accounts.promisedForPromisedFor" scope="global"
            ><template #promisedFor
              ><DateField
                :model-value="item.promisedOn"
                :aria-label="t('accounts.promisedFor')"
                @update:model-value="mark(item, { promisedOn: $event || null }, close)" /></template></I18nT
        ></label>
        <label v-if="item.reminders.length > 0"
          ><I18nT keypath="bank.setBackWhy" scope="global"
            ><template #why
              ><TakenField
                value=""
                :placeholder="t('bank.whyItIsSetBack')"
                :aria-label="t('bank.setBack')"
                data-test="set-back"
                @take="$event.trim() && levelBack(item, $event.trim(), close)" /></template></I18nT
        ></label>
        <WaiveField :item="item" @waive="(amount, why) => waiveIt(item, amount, why, close)" />
      </WordPanel>
      <span class="amount push"
        >{{ money(item.open, item.currency)
        }}<small v-if="partly(item)" class="soft">
          {{ t('accounts.ofAmount', { amount: money(item.amount, item.currency) }) }}</small
        ></span
      >
    </li>
    <li v-if="items.length === 0" class="soft">{{ t('accounts.nothingIsOpen') }}</li>
  </ul>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
li {
  display: flex;
  align-items: center;
  gap: 7px;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
.number,
.level {
  white-space: nowrap;
}
.amount {
  white-space: nowrap;
}
/* What was open in the beginning stands below what is. */
.amount small {
  display: block;
  text-align: right;
}
</style>
