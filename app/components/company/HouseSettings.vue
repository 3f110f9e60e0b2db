<script setup lang="ts">
import ApiTokens from './ApiTokens.vue'
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import ExchangeRates from './ExchangeRates.vue'
import StoppingSettings from './StoppingSettings.vue'
import TakenField from '../fields/TakenField.vue'
import WordPanel from '../list/WordPanel.vue'
import WordPicker from '../list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { useHouseState } from '../../stores/house'
import { useToasts } from '../../stores/toasts'
import { attempt } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { plural, shortTime } from '../../composables/format'
import { fetchSettings, changeSettings, pauseHouse, setRehearsal } from '../../calls/house'
import { documentKinds, kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import type { HouseSettings } from '../../contract'

/** What holds for the whole house, written as sentences; pausing all, and rehearsal. */
const session = useSession()
const house = useHouseState()
const toasts = useToasts()
const disabled = computed(() => !session.may('supervisor'))
const settings = shallowRef<HouseSettings>()
const asking = ref<'pause' | 'rehearse' | null>(null)
const ask = computed({
  get: () => asking.value !== null,
  set: (open) => {
    if (!open) asking.value = null
  },
})
const reason = ref('')
const load = () =>
  attempt(async () => {
    settings.value = await fetchSettings()
  })
onMounted(load)
useLive(['house'], () => void load())

const keep = (change: Partial<HouseSettings>, said: string) =>
  attempt(async () => {
    const before = settings.value!
    await changeSettings(change)
    await load()
    toasts.say(said, {
      undo: async () => {
        await changeSettings(
          Object.fromEntries(Object.keys(change).map((name) => [name, before[name as keyof HouseSettings]])),
        )
        await load()
      },
    })
  })
const act = (call: () => Promise<unknown>) =>
  attempt(async () => {
    await call()
    asking.value = null
    await house.refresh()
  })
const limits = [
  ['20', '20 seconds'],
  ['3600', 'an hour'],
  ['86400', 'a day'],
  ['172800', 'two days'],
  ['259200', 'three days'],
].map(([seconds, words]) => ({ value: seconds!, words: words! }))
const limitWords = computed(
  () =>
    limits.find((one) => one.value === String(settings.value?.presumeSeconds))?.words ??
    `${settings.value?.presumeSeconds} seconds`,
)
const zeros = [
  { value: 'make', words: 'its documents like any other' },
  { value: 'skip', words: 'no documents from routines' },
]
const datedKinds = documentKinds.filter(
  (kind) => !kindFacts[kind].sources.every((source) => source === 'draft'),
)
const dateChoices = [
  { value: 'issue', words: 'the day of issue' },
  { value: 'event', words: 'the day of the event' },
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
    'Document dates are set.',
  )
const graces = [0, 1, 5, 10, 30, 60].map((minutes) => ({
  value: String(minutes),
  words: minutes === 0 ? 'at once' : `after ${plural(minutes, 'minute')}`,
}))
</script>

<template>
  <div class="body">
    <template v-if="settings && house.state">
      <h2>Rehearsal</h2>
      <p>
        In a rehearsal everything goes to
        <WordPanel
          label="Rehearsal address"
          :words="settings.rehearsalAddress || 'no address yet'"
          :open-end="!settings.rehearsalAddress"
          :disabled="disabled"
          ><label
            >Address
            <TakenField
              :value="settings.rehearsalAddress"
              placeholder="name@house.example"
              data-test="rehearsal-address"
              @take="keep({ rehearsalAddress: $event }, 'The rehearsal address is set.')" /></label
        ></WordPanel>
        instead of to customers. Documents are watermarked and numbered apart; the real ones stay due.
      </p>
      <VBtn
        v-if="!house.state.rehearsalSince"
        :disabled="disabled || !settings.rehearsalAddress"
        data-test="start-rehearsal"
        @click="asking = 'rehearse'"
        >Begin a rehearsal…</VBtn
      >
      <span v-else class="tag queue">on since {{ shortTime(house.state.rehearsalSince) }}</span>
      <h2>Pause</h2>
      <p>
        Something looks wrong? Stop everything first: nothing more is issued or sent until a supervisor lets
        it go on.
      </p>
      <VBtn
        v-if="!house.state.paused"
        :disabled="!session.may('clerk')"
        data-test="pause"
        @click="asking = 'pause'"
        >Pause everything…</VBtn
      >
      <span v-else class="tag wait">paused since {{ shortTime(house.state.pausedAt!) }}</span>
      <h2>Sending and dates</h2>
      <p>
        A Send begins to issue
        <WordPicker
          label="Undo time"
          :words="
            graces.find((one) => one.value === String(settings!.undoMinutes))?.words ??
            `after ${settings.undoMinutes} minutes`
          "
          :choices="graces"
          :value="String(settings.undoMinutes)"
          :disabled="disabled"
          @pick="keep({ undoMinutes: Number($event) }, 'The undo time is set.')"
        />; until then nothing is numbered and the whole run can be taken back.
      </p>
      <p>
        When something gets stuck,
        <WordPanel
          label="Who is told"
          :words="settings.failureNoticeTo || 'nobody'"
          :open-end="!settings.failureNoticeTo"
          :disabled="disabled"
          ><label
            >Mail to
            <TakenField
              :value="settings.failureNoticeTo"
              placeholder="name@house.example"
              @take="keep({ failureNoticeTo: $event }, 'Failure notices are set.')" /></label
        ></WordPanel>
        is told by mail, one mail for all that got stuck since the last.
      </p>
      <p>
        An email that did not come back within
        <WordPicker
          label="Limit"
          :words="limitWords"
          :choices="limits"
          :value="String(settings.presumeSeconds)"
          :disabled="disabled"
          @pick="keep({ presumeSeconds: Number($event) }, 'The limit is set.')"
        />
        counts as arrived, worded “presumed”.
      </p>
      <p>
        An order that comes to nothing gets
        <WordPicker
          label="Zero totals"
          :choices="zeros"
          :value="settings.zeroTotals"
          :disabled="disabled"
          @pick="keep({ zeroTotals: $event as 'make' | 'skip' }, 'Zero totals are set.')"
        />.
      </p>
      <StoppingSettings :settings="settings" :disabled="disabled" @keep="keep" />
      <p>
        Documents have the date of issue<template v-for="kind in datedKinds" :key="kind"
          >{{ kind === datedKinds[0] ? ', but ' : ', ' }}{{ kindFacts[kind].many }}
          <WordPicker
            label="Date"
            :words="dateWords(kind)"
            :choices="dateChoices"
            :value="settings.documentDates[kind] ?? 'issue'"
            :disabled="disabled"
            @pick="setDate(kind, $event)" /></template
        >.
      </p>
      <p>
        When a payment falls short by up to
        <WordPanel
          label="Small difference"
          :words="`${settings.smallDifference} ${session.house!.company.currency}`"
          :disabled="disabled"
          ><label
            >Up to
            <TakenField
              :value="settings.smallDifference"
              inputmode="decimal"
              class="mono"
              @take="keep({ smallDifference: $event }, 'Small differences are set.')" /></label></WordPanel
        >, the rest is waived.
      </p>
      <p>
        Links in emails begin with
        <WordPanel
          label="Public address"
          :words="settings.publicAddress || 'no address yet'"
          :open-end="!settings.publicAddress"
          :disabled="disabled"
          ><label
            >Address
            <TakenField
              :value="settings!.publicAddress"
              placeholder="https://clothespin.house.example"
              @take="keep({ publicAddress: $event }, 'The public address is set.')" /></label></WordPanel
        >, where people reach Clothespin.
      </p>
      <ExchangeRates />
      <ApiTokens v-if="!disabled" />
    </template>
    <Ask
      v-if="asking === 'pause'"
      v-model="ask"
      title="Pause everything?"
      go="Pause"
      danger
      @go="act(() => pauseHouse({ reason }))"
      ><FormField
        v-model="reason"
        label="Why, for the others to read"
        maxlength="200"
        placeholder="the prices are wrong"
    /></Ask>
    <Ask
      v-else-if="asking === 'rehearse'"
      v-model="ask"
      title="Begin a rehearsal?"
      go="Rehearse"
      @go="act(() => setRehearsal({ on: true }))"
      ><p>
        Until it is ended, nothing reaches a customer: every document and email goes to
        {{ settings?.rehearsalAddress }}. A band on every screen says so.
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
