<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import { said, saidWords } from '../../words/speech'
import ConditionWord from './ConditionWord.vue'
import GoesWord from './GoesWord.vue'
import TakenField from '../fields/TakenField.vue'
import TimeWord from './TimeWord.vue'
import WordPanel from '../list/WordPanel.vue'
import WordPicker from '../list/WordPicker.vue'
import { namedOnly } from '../../../core/preferences/recipients'
import { relativePeriods } from '../../../core/receivables/relative-period'
import { type Condition } from '../../../core/routines/conditions'
import {
  eventOf,
  toldEvent,
  isOfPeriod,
  kindsOn,
  packsFirst,
  type RoutineSentence,
} from '../../../core/routines/sentence'
import type { RoutineChoices } from '../../contract'
import { newConditions } from '../../composables/routineWords'
import { choiceOfEvent, eventChoices, usualTime, withEvent, withIssue } from './sentence-changes'

/**
 * A routine written out: every underlined word is a choice. Tab walks the words, Enter opens one, Escape
 * leaves it.
 */
const props = defineProps<{ choices: RoutineChoices; disabled: boolean }>()
const sentence = defineModel<RoutineSentence>({ required: true })
const set = (change: Partial<RoutineSentence>) => {
  sentence.value = { ...sentence.value, ...change }
}

const statusChoices = computed(() => props.choices.statuses.map((value) => ({ value, words: value })))
const toggleStatus = (status: string) =>
  set({
    statuses: sentence.value.statuses.includes(status)
      ? sentence.value.statuses.filter((one) => one !== status)
      : [...sentence.value.statuses, status],
  })
const event = computed(() => eventOf(sentence.value))
const eventValue = computed(() => choiceOfEvent(sentence.value))
function setEvent(value: string) {
  sentence.value = withEvent(sentence.value, value)
}
const periodChoices = relativePeriods.map((value) => ({ value, words: said(`period/${value}`) }))
const kindChoices = computed(() =>
  kindsOn[event.value].map((kind) => ({ value: kind, words: kindWords(kind, 'one') })),
)
const roleChoices = computed(() => [
  ...props.choices.roles.map((value) => ({ value, words: t('common.theValueContact', { value }) })),
  { value: namedOnly, words: t('routines.onlyWhoIsNamed') },
])
const serviceChoices = computed(() => [
  { value: '', words: t('routines.theServiceOfTheRules') },
  ...props.choices.services.map((value) => ({ value, words: value })),
])
const toNamed = computed(() => sentence.value.to === namedOnly)
function setIssue(issue: RoutineSentence['issue']) {
  sentence.value = withIssue(sentence.value, issue)
}
const added = computed(() => newConditions(props.choices, event.value))

const setCondition = (index: number, condition: Condition) =>
  set({ conditions: sentence.value.conditions.map((one, at) => (at === index ? condition : one)) })
const removeCondition = (index: number) =>
  set({ conditions: sentence.value.conditions.filter((_, at) => at !== index) })
const justAdded = ref(-1)
function addCondition(at: string) {
  justAdded.value = sentence.value.conditions.length
  set({
    conditions: [...sentence.value.conditions, structuredClone(toRaw(added.value[Number(at)]!.condition))],
  })
}

/** What is posted is issued already. */
const mayRehearse = computed(
  () =>
    event.value !== 'posted' &&
    sentence.value.issue !== 'shipping label' &&
    (!props.disabled || !!sentence.value.rehearseTo),
)
const copies = computed(() => (sentence.value.copyTo ?? []).join(', '))
const setCopies = (text: string) => set({ copyTo: text.split(/[\s,;]+/).filter(Boolean) })
</script>

<template>
  <p class="written">
    {{ t('common.when') }}
    <WordPicker
      :label="t('routines.event')"
      :words="
        event === 'order status'
          ? t('routines.anOrderBecomes2')
          : event === 'time'
            ? t('routines.itIsTimeFor', { kinds: kindWords(sentence.issue, 'many') })
            : saidWords(toldEvent(sentence))
      "
      :choices="eventChoices"
      :value="eventValue"
      :disabled="disabled"
      @pick="setEvent"
    /><template v-if="event === 'order status'"
      >{{ ' '
      }}<WordPicker
        :label="t('common.status')"
        several
        :words="sentence.statuses.join(t('common.or')) || '…'"
        :choices="statusChoices"
        :value="sentence.statuses"
        :disabled="disabled"
        @pick="toggleStatus" /></template
    ><template v-else-if="event === 'time'"
      >, {{ ' '
      }}<TimeWord
        :value="sentence.at ?? usualTime[sentence.issue]!"
        :disabled="disabled"
        @set="set({ at: $event })"
    /></template>
    <template v-for="(condition, index) in sentence.conditions" :key="index">
      <I18nT keypath="routines.andConditionWord" scope="global"
        ><template #conditionWord
          ><ConditionWord
            :model-value="condition"
            :choices="choices"
            :disabled="disabled"
            :begin="index === justAdded"
            :of-account="event === 'time'"
            @update:model-value="setCondition(index, $event)"
            @remove="removeCondition(index)" /></template></I18nT
    ></template>
    {{ ' '
    }}<WordPicker
      v-if="!disabled"
      :label="t('routines.aCondition')"
      class="more"
      :words="t('routines.and')"
      open-end
      :choices="added.map((one, at) => ({ value: String(at), words: one.words }))"
      :value="null"
      @pick="addCondition"
    />, <template v-if="event === 'posted'">{{ t('routines.sendThatVeryDocument') }} </template><template
      v-else-if="event === 'payment'"
      ><I18nT keypath="routines.issueKindInTheCustomerS" scope="global"
        ><template #kind
          ><strong>{{ kindWords(sentence.issue, 'one') }}</strong></template
        ><template #theCustomerS
          ><span class="given" :title="t('routines.foundAtTheCustomerThen')">{{
            t('routines.theCustomersLanguage')
          }}</span></template
        ></I18nT
      > </template
    ><template v-else-if="event === 'time'"
      ><I18nT keypath="routines.issueKindToEachAccount" scope="global"
        ><template #kind
          ><strong>{{ kindWords(sentence.issue, 'one') }}</strong></template
        ><template #period
          ><WordPicker
            v-if="isOfPeriod(sentence)"
            :label="t('routines.ofWhatTime')"
            :words="said(`period/${sentence.period ?? 'open items'}`)"
            :choices="periodChoices"
            :value="sentence.period ?? 'open items'"
            :disabled="disabled"
            @pick="set({ period: $event as RoutineSentence['period'] })"
          /><span v-else class="given" :title="t('routines.levelsAreInSettings')">{{
            t('routines.inWhichALevelIsDue')
          }}</span></template
        ></I18nT
      > </template
    ><template v-else
      ><template v-if="packsFirst(sentence)">{{ t('routines.packWhatIsLeftAnd') }}{{ ' ' }} </template
      ><I18nT v-if="sentence.issue === 'shipping label'" keypath="routines.makeLabelsBy" scope="global"
        ><template #whatTo
          ><WordPicker
            :label="t('routines.whatToIssue')"
            :words="kindWords(sentence.issue, 'many')"
            :choices="kindChoices"
            :value="sentence.issue"
            :disabled="disabled"
            @pick="setIssue($event as RoutineSentence['issue'])" /></template
        ><template #service
          ><WordPicker
            :label="t('shipping.service')"
            :words="sentence.service || t('routines.theServiceOfTheRules')"
            :choices="serviceChoices"
            :value="sentence.service ?? ''"
            :disabled="disabled"
            @pick="set({ service: $event })" /></template></I18nT
      ><I18nT v-else keypath="routines.issueWhatToInTheCustomerS" scope="global"
        ><template #whatTo
          ><WordPicker
            :label="t('routines.whatToIssue')"
            :words="kindWords(sentence.issue, 'one')"
            :choices="kindChoices"
            :value="sentence.issue"
            :disabled="disabled"
            @pick="setIssue($event as RoutineSentence['issue'])" /></template
        ><template #theCustomerS
          ><span class="given" :title="t('routines.foundAtTheCustomerThen')">{{
            t('routines.theCustomersLanguage')
          }}</span></template
        ></I18nT
      >
    </template>
    {{ t('routines.writeTo') }}
    <WordPicker
      :label="t('common.whom')"
      :words="toNamed ? t('routines.onlyWhoIsNamed') : t('routines.theToContact', { to: sentence.to })"
      :choices="roleChoices"
      :value="sentence.to"
      :disabled="disabled"
      @pick="set({ to: $event as RoutineSentence['to'] })"
    />,
    <template v-if="copies || !disabled">
      <I18nT :keypath="toNamed ? 'routines.namedAddresses' : 'routines.withCopies'" scope="global"
        ><template #copies
          ><WordPanel
            :label="t('common.copies')"
            :words="
              toNamed
                ? copies || t('routines.nobodyYet')
                : copies
                  ? t('routines.aCopyToCopies', { copies })
                  : t('routines.noCopy')
            "
            :open-end="!copies"
            :disabled="disabled"
          >
            <label
              ><I18nT keypath="routines.ccCopiesTo" scope="global"
                ><template #copiesTo
                  ><TakenField
                    :value="copies"
                    :placeholder="t('common.nameHouseExample')"
                    :aria-label="t('common.copiesTo')"
                    @take="setCopies($event)" /></template></I18nT
            ></label>
            <span class="soft">{{ t('routines.severalAddressesACommaBetween') }}</span>
          </WordPanel></template
        ></I18nT
      >
    </template>
    {{ t('routines.andLetItGo') }}
    <GoesWord :value="sentence" :disabled="disabled" @set="set($event)" /><I18nT
      v-if="mayRehearse"
      keypath="routines.itGoes"
      scope="global"
      ><template #how
        ><WordPanel
          :label="t('routines.whetherForReal')"
          :words="
            sentence.rehearseTo
              ? t('routines.asARehearsalTo', { address: sentence.rehearseTo })
              : t('routines.forReal')
          "
          :open-end="!sentence.rehearseTo"
          :disabled="disabled"
          ><label
            ><I18nT keypath="routines.rehearseTo" scope="global"
              ><template #address
                ><TakenField
                  :value="sentence.rehearseTo ?? ''"
                  :placeholder="t('common.nameHouseExample')"
                  :aria-label="t('routines.whetherForReal')"
                  data-test="rehearse-to"
                  @take="
                    set({ rehearseTo: $event.trim() })
                  " /></template></I18nT></label></WordPanel></template></I18nT
    >.
  </p>
</template>

<style scoped>
.written {
  background: var(--paper);
  border: 1px solid var(--rule);
  border-radius: 5px;
  padding: 18px 26px;
  font-size: var(--title);
  line-height: 42px;
  background-image: repeating-linear-gradient(transparent 0 41px, var(--rule) 41px 42px);
  background-position: 0 18px;
}
.written :deep(.word) {
  background: var(--peg-pale);
  padding: 2px 4px;
  text-align: left;
  line-height: 1.35;
}
.given {
  color: var(--soft-ink);
}
</style>
