<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import ApiTokens from './ApiTokens.vue'
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import DigestSettings from './DigestSettings.vue'
import ExchangeRates from './ExchangeRates.vue'
import LinkSettings from './LinkSettings.vue'
import HolidayRegion from './HolidayRegion.vue'
import MorningSettings from './MorningSettings.vue'
import ReminderSettings from './ReminderSettings.vue'
import SecondPerson from './SecondPerson.vue'
import StoppingSettings from './StoppingSettings.vue'
import TakenField from '../fields/TakenField.vue'
import WordPanel from '../list/WordPanel.vue'
import WordPicker from '../list/WordPicker.vue'
import { useAsking } from '../../composables/useAsking'
import { useSession } from '../../stores/session'
import { useHouseState } from '../../stores/house'
import { attempt } from '../../composables/api'
import { useHouseSettings } from '../../composables/useHouseSettings'
import { plural, shortTime } from '../../composables/format'
import { pauseHouse, setRehearsal } from '../../calls/house'
import { kindsOfEvents, type DocumentKind } from '../../../core/documents/kinds'

/** What holds for the whole house, written as sentences; pausing all, and rehearsal. */
const session = useSession()
const house = useHouseState()
const disabled = computed(() => !session.may('supervisor'))
const { settings, keep } = useHouseSettings()
const { asking, ask } = useAsking<'pause' | 'rehearse'>()
const reason = ref('')

const act = (call: () => Promise<unknown>) =>
  attempt(async () => {
    await call()
    asking.value = null
    await house.refresh()
  })
const limits = [
  ['20', t('company.n20Seconds')],
  ['3600', t('company.anHour')],
  ['86400', t('company.aDay')],
  ['172800', t('company.twoDays')],
  ['259200', t('company.threeDays')],
].map(([seconds, words]) => ({ value: seconds!, words: words! }))
const limitWords = computed(
  () =>
    limits.find((one) => one.value === String(settings.value?.presumeSeconds))?.words ??
    t('company.settingsSeconds', { settings: settings.value?.presumeSeconds }),
)
const zeros = [
  { value: 'make', words: t('company.itsDocumentsLikeAnyOther') },
  { value: 'skip', words: t('company.noDocumentsFromRoutines') },
]
const editables = [
  { value: 'no', words: t('company.asPDFOnly') },
  { value: 'yes', words: t('company.asTextsWhereWanted') },
]
async function keepEditable(editableFiles: boolean) {
  await keep({ editableFiles }, t('company.editableFilesAreSet'))
  await session.load()
}
const datedKinds = kindsOfEvents
const dateChoices = [
  { value: 'issue', words: t('company.theDayOfIssue') },
  { value: 'event', words: t('company.theDayOfTheEvent') },
]
const dateWords = (kind: DocumentKind) =>
  dateChoices.find((one) => one.value === (settings.value!.documentDates[kind] ?? 'issue'))!.words
const setDate = (kind: DocumentKind, choice: string) =>
  keep(
    {
      documentDates: {
        ...Object.fromEntries(
          Object.entries(settings.value!.documentDates).filter(([name]) => name !== kind),
        ),
        ...(choice === 'event' ? { [kind]: 'event' } : {}),
      },
    },
    t('company.documentDatesAreSet'),
  )
const graces = [0, 1, 5, 10, 30, 60].map((minutes) => ({
  value: String(minutes),
  words:
    minutes === 0 ? t('company.atOnce') : t('company.afterMinutes', { minutes: plural(minutes, 'minute') }),
}))
</script>

<template>
  <div class="body">
    <template v-if="settings && house.state">
      <h2>{{ t('company.rehearsal') }}</h2>
      <p>
        <I18nT keypath="company.inARehearsalEverythingGoes" scope="global"
          ><template #rehearsalAddress
            ><WordPanel
              :label="t('company.rehearsalAddress')"
              :words="settings.rehearsalAddress || t('company.noAddressYet')"
              :open-end="!settings.rehearsalAddress"
              :disabled="disabled"
              ><label
                ><I18nT keypath="company.addressTakenField" scope="global"
                  ><template #takenField
                    ><TakenField
                      :value="settings.rehearsalAddress"
                      :placeholder="t('common.nameHouseExample')"
                      data-test="rehearsal-address"
                      @take="
                        keep({ rehearsalAddress: $event }, t('company.theRehearsalAddressIsSet'))
                      " /></template></I18nT></label></WordPanel></template
        ></I18nT>
      </p>
      <VBtn
        v-if="!house.state.rehearsalSince"
        :disabled="disabled || !settings.rehearsalAddress"
        data-test="start-rehearsal"
        @click="asking = 'rehearse'"
        >{{ t('company.beginARehearsal') }}</VBtn
      >
      <span v-else class="tag queue">{{
        t('company.onSinceRehearsalSince', { rehearsalSince: shortTime(house.state.rehearsalSince) })
      }}</span>
      <h2>{{ t('company.pause') }}</h2>
      <p>
        {{ t('company.somethingLooksWrongStopEverything') }}
      </p>
      <VBtn
        v-if="!house.state.paused"
        :disabled="!session.may('clerk')"
        data-test="pause"
        @click="asking = 'pause'"
        >{{ t('company.pauseEverything') }}</VBtn
      >
      <span v-else class="tag wait">{{
        t('company.pausedSincePausedAt', { pausedAt: shortTime(house.state.pausedAt!) })
      }}</span>
      <h2>{{ t('company.sendingAndDates') }}</h2>
      <p>
        <I18nT keypath="company.aSendBeginsToIssue" scope="global"
          ><template #undoTime
            ><WordPicker
              :label="t('company.undoTime')"
              :words="
                graces.find((one) => one.value === String(settings!.undoMinutes))?.words ??
                t('company.afterUndoMinutesMinutes', { undoMinutes: settings.undoMinutes })
              "
              :choices="graces"
              :value="String(settings.undoMinutes)"
              :disabled="disabled"
              @pick="keep({ undoMinutes: Number($event) }, t('company.theUndoTimeIsSet'))" /></template
        ></I18nT>
      </p>
      <p>
        <I18nT keypath="company.whenSomethingGetsStuckWhoIs" scope="global"
          ><template #whoIs
            ><WordPanel
              :label="t('company.whoIsTold')"
              :words="settings.failureNoticeTo || 'nobody'"
              :open-end="!settings.failureNoticeTo"
              :disabled="disabled"
              ><label
                ><I18nT keypath="company.mailToTakenField" scope="global"
                  ><template #takenField
                    ><TakenField
                      :value="settings.failureNoticeTo"
                      :placeholder="t('common.nameHouseExample')"
                      @take="
                        keep({ failureNoticeTo: $event }, t('company.failureNoticesAreSet'))
                      " /></template></I18nT></label></WordPanel></template
        ></I18nT>
      </p>
      <p>
        <I18nT keypath="company.editableFiles" scope="global"
          ><template #whether
            ><WordPicker
              :label="t('company.textsToBeEdited')"
              :choices="editables"
              :value="settings.editableFiles ? 'yes' : 'no'"
              :disabled="disabled"
              @pick="keepEditable($event === 'yes')" /></template
        ></I18nT>
      </p>
      <HolidayRegion :settings="settings" :disabled="disabled" @keep="keep" />
      <MorningSettings :settings="settings" :disabled="disabled" @keep="keep" />
      <DigestSettings :settings="settings" :disabled="disabled" @keep="keep" />
      <p>
        <I18nT keypath="company.anEmailThatDidNot" scope="global"
          ><template #limit
            ><WordPicker
              :label="t('company.limit')"
              :words="limitWords"
              :choices="limits"
              :value="String(settings.presumeSeconds)"
              :disabled="disabled"
              @pick="keep({ presumeSeconds: Number($event) }, t('company.theLimitIsSet'))" /></template
        ></I18nT>
      </p>
      <p>
        <I18nT keypath="company.anOrderThatComesTo" scope="global"
          ><template #zeroTotals
            ><WordPicker
              :label="t('company.zeroTotals')"
              :choices="zeros"
              :value="settings.zeroTotals"
              :disabled="disabled"
              @pick="
                keep({ zeroTotals: $event as 'make' | 'skip' }, t('company.zeroTotalsAreSet'))
              " /></template
        ></I18nT>
      </p>
      <StoppingSettings :settings="settings" :disabled="disabled" @keep="keep" />
      <p>
        {{ t('company.documentsHaveTheDateOf')
        }}<template v-for="kind in datedKinds" :key="kind"
          >{{ kind === datedKinds[0] ? t('company.but') : ', ' }}{{ kindWords(kind, 'many') }}
          <WordPicker
            :label="t('common.date')"
            :words="dateWords(kind)"
            :choices="dateChoices"
            :value="settings.documentDates[kind] ?? 'issue'"
            :disabled="disabled"
            @pick="setDate(kind, $event)" /></template
        >.
      </p>
      <p>
        <I18nT keypath="company.whenAPaymentFallsShort" scope="global"
          ><template #smallDifference
            ><WordPanel
              :label="t('company.smallDifference')"
              :words="`${settings.smallDifference} ${session.house!.company.currency}`"
              :disabled="disabled"
              ><label
                ><I18nT keypath="company.upToTakenField" scope="global"
                  ><template #takenField
                    ><TakenField
                      :value="settings.smallDifference"
                      inputmode="decimal"
                      class="mono"
                      @take="
                        keep({ smallDifference: $event }, t('company.smallDifferencesAreSet'))
                      " /></template></I18nT></label></WordPanel></template
        ></I18nT>
      </p>
      <LinkSettings :settings="settings" :disabled="disabled" @keep="keep" />
      <ReminderSettings :settings="settings" :disabled="disabled" @keep="keep" />
      <SecondPerson :settings="settings" :disabled="disabled" @keep="keep" />
      <ExchangeRates />
      <ApiTokens v-if="!disabled" />
    </template>
    <Ask
      v-if="asking === 'pause'"
      v-model="ask"
      :title="t('company.pauseEverything2')"
      :go="t('company.pause')"
      danger
      @go="act(() => pauseHouse({ reason }))"
      ><FormField
        v-model="reason"
        :label="t('company.whyForTheOthersTo')"
        maxlength="200"
        :placeholder="t('company.thePricesAreWrong')"
    /></Ask>
    <Ask
      v-else-if="asking === 'rehearse'"
      v-model="ask"
      :title="t('company.beginARehearsal2')"
      :go="t('company.rehearse')"
      @go="act(() => setRehearsal({ on: true }))"
      ><p>
        {{ t('company.untilItIsEndedNothing', { settings: settings?.rehearsalAddress }) }}
      </p></Ask
    >
  </div>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  padding: 14px 16px;
}
p {
  font-size: var(--body);
  line-height: 2;
  margin: 0 0 10px;
}
h2 {
  margin: 18px 0 4px;
}
h2:first-child {
  margin-top: 0;
}
</style>
