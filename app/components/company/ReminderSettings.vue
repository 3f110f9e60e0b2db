<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import InterestRates from './InterestRates.vue'
import ReminderLevelDialog from './ReminderLevelDialog.vue'
import TakenField from '../fields/TakenField.vue'
import WordPanel from '../list/WordPanel.vue'
import WordPicker from '../list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { plural, shortDay, listed } from '../../composables/format'
import { starterReminders, type ReminderLevel, type ReminderRule } from '../../../core/receivables/reminders'
import type { HouseSettings } from '../../contract'

/** How the house reminds: the levels with their days and words, and how long it waits between two. */
const props = defineProps<{ settings: HouseSettings; disabled: boolean }>()
const emit = defineEmits<{ keep: [change: Partial<HouseSettings>, said: string] }>()

const rule = computed(() => props.settings.reminders)
const keep = (change: Partial<ReminderRule>) =>
  emit('keep', { reminders: { ...rule.value, ...change } }, t('reminders.remindersAreSet'))
const between = [3, 5, 7, 10, 14, 21, 30].map((count) => ({
  value: String(count),
  words: plural(count, 'day'),
}))
/** The level that is looked at, by its place; one past the last is a new one. */
const editing = ref<number | null>(null)
const level = computed(
  () => rule.value.levels[editing.value ?? 0] ?? { ...starterReminders.levels[0]!, name: '', ...later() },
)
const later = () => ({ afterDays: (rule.value.levels.at(-1)?.afterDays ?? 0) + 15 })

function keepLevel(changed: ReminderLevel) {
  const levels = [...rule.value.levels]
  levels[editing.value!] = changed
  keep({ levels })
  editing.value = null
}
function dropLevel() {
  keep({ levels: rule.value.levels.slice(0, -1) })
  editing.value = null
}
/** What a level asks for beside the items. */
const costOf = (one: ReminderLevel) =>
  listed(
    [
      one.interest ? t('reminders.interest') : '',
      Number(one.fee) > 0 ? t('reminders.aFeeOf', { fee: one.fee }) : '',
    ].filter(Boolean),
  )
const rating = ref(false)
const ratesWords = computed(() => {
  const all = rule.value.rates.find((one) => !one.group && !one.country) ?? rule.value.rates[0]
  if (!all) return t('reminders.noInterest')
  const others = rule.value.rates.length - 1
  return others === 0
    ? t('reminders.percentSince', { percent: all.percent, day: shortDay(all.from) })
    : t('reminders.percentAndMore', { percent: all.percent })
})
const booking = [
  { value: 'true', words: t('reminders.chargesOwed') },
  { value: 'false', words: t('reminders.chargesAsked') },
]
const severalBrands = computed(() => (useSession().house?.brands.length ?? 0) > 1)
const together = [
  { value: 'false', words: t('reminders.oneOfEachBrand') },
  { value: 'true', words: t('reminders.oneOfAllBrands') },
]
const amountOf = (text: string) => text.trim().replace(',', '.')
</script>

<template>
  <template v-if="severalBrands"
    ><h2>{{ t('reminders.statementsOfAccount') }}</h2>
    <p>
      <I18nT keypath="reminders.whoBuysOfSeveral" scope="global"
        ><template #statements
          ><WordPicker
            :label="t('reminders.statementsOfSeveralBrands')"
            :choices="together"
            :value="String(settings.statementsTogether)"
            :disabled="disabled"
            @pick="
              emit('keep', { statementsTogether: $event === 'true' }, t('reminders.statementsAreSet'))
            " /></template
      ></I18nT></p
  ></template>
  <h2>{{ t('reminders.paymentReminders') }}</h2>
  <p>
    <I18nT keypath="reminders.remindedAgainAfter" scope="global"
      ><template #days
        ><WordPicker
          :label="t('reminders.daysBetween')"
          :words="plural(rule.daysBetween, 'day')"
          :choices="between"
          :value="String(rule.daysBetween)"
          :disabled="disabled"
          @pick="keep({ daysBetween: Number($event) })" /></template
      ><template #least
        ><WordPanel
          v-slot="{ close }"
          :label="t('reminders.leastReminded')"
          :words="rule.least"
          :disabled="disabled"
          ><TakenField
            :value="rule.least"
            :aria-label="t('reminders.leastReminded')"
            inputmode="decimal"
            @take="(keep({ least: amountOf($event) }), close())" /></WordPanel></template
    ></I18nT>
  </p>
  <ol class="levels" :aria-label="t('reminders.levels')">
    <li v-for="(one, place) in rule.levels" :key="place">
      <I18nT keypath="reminders.levelFromDays" scope="global"
        ><template #name
          ><button type="button" class="word" :data-test="`level-${place + 1}`" @click="editing = place">
            {{ one.name }}
          </button></template
        ><template #days>{{ plural(one.afterDays, 'day') }}</template
        ><template #heading>{{ one.heading.en }}</template></I18nT
      ><template v-if="costOf(one)">{{ t('reminders.levelCosts', { what: costOf(one) }) }}</template>
    </li>
    <li v-if="!disabled && rule.levels.length < 9">
      <button type="button" class="word" data-test="add-level" @click="editing = rule.levels.length">
        {{ t('reminders.addALevel') }}
      </button>
    </li>
  </ol>
  <p>
    <I18nT keypath="reminders.latePaymentCosts" scope="global"
      ><template #rates
        ><button type="button" class="word" data-test="interest-rates" @click="rating = true">
          {{ ratesWords }}
        </button></template
      ><template #booked
        ><WordPicker
          :label="t('reminders.whatIsAskedBeside')"
          :words="rule.booksCharges ? t('reminders.chargesOwed') : t('reminders.chargesAsked')"
          :choices="booking"
          :value="String(rule.booksCharges)"
          :disabled="disabled"
          @pick="keep({ booksCharges: $event === 'true' })" /></template
    ></I18nT>
  </p>
  <InterestRates
    v-if="rating"
    :rates="rule.rates"
    :disabled="disabled"
    @keep="(keep({ rates: $event }), (rating = false))"
    @leave="rating = false"
  />
  <ReminderLevelDialog
    v-if="editing !== null"
    :key="editing"
    :level="level"
    :disabled="disabled"
    :may-drop="editing === rule.levels.length - 1 && editing > 0"
    @keep="keepLevel"
    @drop="dropLevel"
    @leave="editing = null"
  />
</template>

<style scoped>
.levels {
  margin: 0 0 8px;
  padding-left: 22px;
}
.levels li {
  padding: 3px 0;
}
</style>
