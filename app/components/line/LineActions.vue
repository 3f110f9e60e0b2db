<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import DateField from '../fields/DateField.vue'
import FormField from '../fields/FormField.vue'
import LineFacts from './LineFacts.vue'
import DespiteDialog from './DespiteDialog.vue'
import SendDialog from './SendDialog.vue'
import { useAsking } from '../../composables/useAsking'
import { useSession } from '../../stores/session'
import { agreeing, houseToday, plural } from '../../composables/format'
import { useLineActs } from './useLineActs'
import { useMainKey } from '../../composables/useMainKey'
import type { Stage } from '../../../core/dispatch/states'
import { instantInZone } from '../../../core/documents/days'
import type { LineRow } from '../../contract'
import { planSending } from '../../../core/dispatch/plan'
import { noAddress } from '../../../core/dispatch/send-to'

/** What can be done with the picked rows of a stage, or with the row in hand when none is picked. */
const props = defineProps<{
  stage: Stage
  chosen: LineRow[]
  row: LineRow | null
  matching: number
  allSendable: number
  filters: { kind: string; brand: string; over: string; search: string }
  sums: { currency: string; sum: string }[]
}>()
const emit = defineEmits<{ done: [] }>()
const session = useSession()
const { asking, ask } = useAsking<'send' | 'all' | 'later' | 'close' | 'confirm' | 'despite'>()
const reason = ref('')

const { busy, putBack, prepare, drop, sendAgain, keepBack, settle } = useLineActs(() => {
  emit('done')
  asking.value = null
})

const subject = computed(() => (props.chosen.length > 0 ? props.chosen : props.row ? [props.row] : []))
const count = computed(() => subject.value.length)

/** The one rule, asked for each row; the dialog asks the server once more. */
const plans = computed(() =>
  subject.value.map((row) => ({
    row,
    plan: planSending({ ...row, hasAddress: row.sendTo !== noAddress, senderId: session.user?.id }),
  })),
)
const sendable = computed(() => plans.value.filter(({ plan }) => plan.goes).map(({ row }) => row))
const ways = computed(() => {
  const emails = plans.value.filter(({ plan }) => plan.goes && plan.channels.includes('email')).length
  const prints = plans.value.filter(({ plan }) => plan.goes && plan.channels.includes('paper')).length
  return [
    emails ? t('line.emailsByEmail', { emails }) : '',
    prints ? t('line.printsOnPaper', { prints }) : '',
  ]
    .filter(Boolean)
    .join(', ')
})
/** What the filled button is about: how many are picked, or the one in hand by its name, since nobody picked it. */
const named = computed(() => (props.chosen.length > 0 || !props.row ? String(count.value) : props.row.number))
const sendWords = computed(() => {
  if (sendable.value.length === 0) return t('line.whyNotSent')
  if (props.chosen.length > 0)
    return t('line.sendCountWays', {
      count: sendable.value.length,
      ways: ways.value ? `: ${ways.value}` : '',
    })
  return t('line.sendNamedWays', {
    named: named.value,
    ways: ways.value ? `: ${ways.value.replaceAll('1 ', '')}` : '',
  })
})
/** The one row in hand or picked, where its order is held or withdrawn. */
const stoppedRow = computed(() => (count.value === 1 && subject.value[0]!.stopped ? subject.value[0]! : null))
const despiteAct = computed(() => {
  if (props.stage === 'to check') return 'send' as const
  if (props.stage === 'waiting') return 'let go' as const
  return stoppedRow.value?.of === 'document' ? ('send issued' as const) : ('prepare' as const)
})
const papersOf = (rows: LineRow[]) => rows.filter((row) => row.of === 'paper')
const unclear = computed(() => subject.value.filter((row) => row.cause === 'unclear'))
const toPost = computed(() =>
  subject.value.filter((row) => props.stage === 'stuck' || row.channel === 'paper'),
)

function askToSend() {
  if (subject.value.length > 0) asking.value = 'send'
}

const matchingFilter = computed(() =>
  Object.fromEntries(Object.entries(props.filters).filter(([name, value]) => value && name !== 'stage')),
)

/** When waiting emails shall go: a day and a time where the company is. */
const day = ref(houseToday())
const time = ref('')
const zoneWords = session.house!.company.timeZone
const at = computed(() =>
  day.value && /^([01]?\d|2[0-3]):[0-5]\d$/.test(time.value)
    ? instantInZone(day.value, time.value.padStart(5, '0'), session.house!.company.timeZone)
    : null,
)
const emails = computed(() =>
  subject.value.filter((row) => row.channel === 'email' && row.state === 'waiting'),
)
/** Those that a time was asked for: what moves on while the question stands does not leave it empty. */
const timed = ref<LineRow[]>([])
function askForTime() {
  timed.value = [...emails.value]
  asking.value = 'later'
}
const heldEmails = computed(() => emails.value.filter((row) => row.held && !row.stopped))
useMainKey(() => {
  if (!session.may('clerk') || count.value === 0) return
  if (props.stage === 'to check') askToSend()
  else if (props.stage === 'to send') void prepare(subject.value)
  else if (props.stage === 'stuck') void sendAgain(subject.value)
  else if (props.stage === 'waiting' && toPost.value.length > 0) void navigateTo('/print-queue')
})
</script>

<template>
  <footer class="foot-bar">
    <LineFacts :stage="stage" :chosen="chosen" :matching="matching" :filters="filters" :sums="sums" />
    <template v-if="session.may('clerk') && count > 0">
      <span class="push" />
      <template v-if="stage === 'to check'">
        <VBtn
          v-if="allSendable > 1 && chosen.length === 0"
          :disabled="busy"
          data-test="send-all"
          @click="asking = 'all'"
          >{{ t('line.sendAllAllSendable', { allSendable }) }}</VBtn
        >
        <VBtn v-if="stoppedRow" :disabled="busy" data-test="despite" @click="asking = 'despite'">{{
          t('line.althoughStopped', { stopped: stoppedRow.stopped })
        }}</VBtn>
        <VBtn :disabled="busy" data-test="put-back" @click="putBack(subject)">{{
          t('line.returnToToSend')
        }}</VBtn>
        <VBtn variant="flat" class="go" :disabled="busy" data-test="send" @click="askToSend">{{
          sendWords
        }}</VBtn>
      </template>
      <template v-else-if="stage === 'to send'">
        <VBtn v-if="stoppedRow" :disabled="busy" data-test="despite" @click="asking = 'despite'">{{
          t('line.althoughStopped', { stopped: stoppedRow.stopped })
        }}</VBtn>
        <VBtn v-if="papersOf(subject).length" :disabled="busy" @click="drop(papersOf(subject))">{{
          t('line.notWanted')
        }}</VBtn>
        <VBtn variant="flat" class="go" :disabled="busy" data-test="prepare" @click="prepare(subject)">{{
          papersOf(subject).length
            ? t('line.prepareChosen', { chosen: chosen.length ? papersOf(subject).length : named })
            : t('line.sendNamed', { named })
        }}</VBtn>
      </template>
      <template v-else-if="stage === 'waiting'">
        <VBtn v-if="stoppedRow" :disabled="busy" data-test="despite" @click="asking = 'despite'">{{
          t('line.althoughStopped', { stopped: stoppedRow.stopped })
        }}</VBtn>
        <VBtn
          v-if="emails.some((row) => row.held && !row.stopped)"
          :disabled="busy"
          data-test="let-go"
          @click="keepBack('let go', heldEmails)"
          >{{ t('line.letCountGo', { count: heldEmails.length }) }}</VBtn
        >
        <VBtn
          v-if="emails.some((row) => !row.held)"
          :disabled="busy"
          data-test="hold"
          @click="keepBack('hold', emails)"
          >{{ t('line.holdCount', { count: emails.filter((row) => !row.held).length }) }}</VBtn
        >
        <VBtn v-if="emails.length" :disabled="busy" data-test="later" @click="askForTime">{{
          t('line.atATime')
        }}</VBtn>
        <VBtn v-if="emails.length" :disabled="busy" data-test="cancel" @click="asking = 'close'">{{
          t('line.giveUp')
        }}</VBtn>
        <VBtn
          v-if="toPost.length"
          variant="flat"
          class="go"
          :disabled="busy"
          @click="navigateTo('/print-queue')"
          >{{ t('line.openThePrintQueue') }}</VBtn
        >
      </template>
      <template v-else-if="stage === 'stuck'">
        <VBtn :disabled="busy" @click="asking = 'close'">{{ t('line.giveUp') }}</VBtn>
        <VBtn :disabled="busy" data-test="print-instead" @click="keepBack('print instead', subject)">{{
          t('line.printInstead')
        }}</VBtn>
        <VBtn v-if="unclear.length" :disabled="busy" @click="asking = 'confirm'">{{
          unclear.length === 1 ? t('line.itArrived') : t('line.countArrived', { count: unclear.length })
        }}</VBtn>
        <VBtn variant="flat" class="go" :disabled="busy" data-test="send-again" @click="sendAgain(subject)">{{
          t('line.sendNamedAgain', { named })
        }}</VBtn>
      </template>
    </template>
  </footer>

  <SendDialog
    v-if="asking === 'send'"
    v-model="ask"
    :papers="subject.map((row) => ({ id: row.id, revision: row.revision! }))"
    @done="emit('done')"
  />
  <SendDialog v-else-if="asking === 'all'" v-model="ask" :matching="matchingFilter" @done="emit('done')" />
  <DespiteDialog
    v-else-if="asking === 'despite' && stoppedRow"
    v-model="ask"
    :row="stoppedRow"
    :act="despiteAct"
    @done="emit('done')"
  />
  <Ask
    v-else-if="asking === 'later'"
    v-model="ask"
    :title="t('line.whenShallEmailsGo', { emails: plural(timed.length, 'email') })"
    :go="t('line.setTheTime')"
    :busy="busy"
    :disabled="!at"
    @go="keepBack('later', timed, at!)"
    ><p class="strong at">
      <I18nT keypath="line.onDayAtTimeZoneWords" scope="global"
        ><template #day
          ><DateField v-model="day" :aria-label="t('common.day')" data-test="later-day" /></template
        ><template #time
          ><FormField
            v-model="time"
            class="time"
            placeholder="14:30"
            :aria-label="t('common.time')"
            data-test="later-time" /></template
        ><template #zoneWords
          ><span class="soft">{{ zoneWords }}</span></template
        ></I18nT
      >
    </p></Ask
  >
  <Ask
    v-else-if="asking === 'confirm'"
    v-model="ask"
    :title="t('line.didDocumentsArrive', { documents: plural(unclear.length, 'document') })"
    :go="t('line.itArrived')"
    :busy="busy"
    @go="settle('confirm', unclear)"
    ><p>{{ t('line.youLookedInTheMailbox') }}</p></Ask
  >
  <Ask
    v-else-if="asking === 'close'"
    v-model="ask"
    :title="t('line.giveUpOnPlural', { plural: plural(count, 'email or print job') })"
    :go="t('line.giveUp2')"
    danger
    :busy="busy"
    :disabled="!reason.trim()"
    @go="settle('close', subject, reason)"
  >
    <p>
      {{
        t('line.nothingMoreIsSentThe', {
          count: count === 1 ? t('line.documentStays') : t('line.documentsStay'),
          count2: agreeing(count, 'is'),
        })
      }}
    </p>
    <FormField
      v-model="reason"
      :label="t('common.why')"
      :placeholder="t('line.sentByTheCustomersPortal')"
      data-test="close-reason"
    />
  </Ask>
</template>

<style scoped>
p {
  margin: 0 0 8px;
}
.at {
  display: flex;
  align-items: center;
  gap: 8px;
}
.time {
  width: 90px;
}
</style>
