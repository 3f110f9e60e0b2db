<script setup lang="ts">
import type { Stage } from '../../../core/dispatch/states'
import { countOf, type DocumentKind } from '../../../core/documents/kinds'
import { groupBy } from '../../../core/group'
import type { LineRow } from '../../../server/services/line/list'
import { addAmounts } from '../../composables/amounts'

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
const toasts = useToasts()
const runs = useRuns()
const asking = ref<'send' | 'all' | 'later' | 'post' | 'close' | 'confirm' | null>(null)
const ask = computed({
  get: () => asking.value !== null,
  set: (open) => {
    if (!open) asking.value = null
  },
})
const reason = ref('')
const busy = ref(false)

const subject = computed(() => (props.chosen.length > 0 ? props.chosen : props.row ? [props.row] : []))
const count = computed(() => subject.value.length)
const totals = computed(() => addAmounts(props.chosen))
const post = (path: string, body: object) => callApi<{ ids: number[] }>(path, { method: 'POST', body })

const sendable = computed(() => subject.value.filter((row) => !row.problem && !row.changed))
const held = computed(() => count.value - sendable.value.length)
const byEmail = computed(() => sendable.value.filter((row) => row.channel !== 'paper').length)
const onPaper = computed(() => sendable.value.length - byEmail.value)
const ways = computed(() =>
  [byEmail.value ? `${byEmail.value} by email` : '', onPaper.value ? `${onPaper.value} on paper` : '']
    .filter(Boolean)
    .join(', '),
)
const noAddress = computed(() => sendable.value.filter((row) => row.sendTo === 'No address').length)
const papersOf = (rows: LineRow[]) => rows.filter((row) => row.of === 'paper')
const unclear = computed(() => subject.value.filter((row) => row.cause === 'unclear'))
const toPost = computed(() =>
  subject.value.filter((row) => props.stage === 'stuck' || row.channel === 'paper'),
)

async function finish(act: () => Promise<void>) {
  busy.value = true
  if (await attempt(act)) emit('done')
  busy.value = false
  asking.value = null
}

/** "3 invoices and 1 order confirmation". */
const kindsOf = (rows: readonly LineRow[]) =>
  [...groupBy(rows, (row) => row.kind)]
    .map(([kind, own]: [DocumentKind, LineRow[]]) => countOf(own.length, kind))
    .join(' and ')

const key = ref('')
const postOnly = ref(false)
function askToSend() {
  if (sendable.value.length === 0) return
  key.value = crypto.randomUUID()
  postOnly.value = false
  asking.value = 'send'
}

const send = () =>
  finish(async () => {
    const { runId } = await callApi<{ runId: number }>('/api/papers/send', {
      method: 'POST',
      body: {
        key: key.value,
        postOnly: postOnly.value,
        papers: sendable.value.map((row) => ({ id: row.id, revision: row.revision })),
      },
    })
    await runs.watchRun(runId)
  })

const putBack = () =>
  finish(async () => {
    const rows = subject.value
    const { ids } = await post('/api/papers/put-back', { ids: subject.value.map((row) => row.id) })
    toasts.say(`${plural(ids.length, 'paper')} put back to To send. No number was used.`, {
      undo: async () => {
        await prepareRows(rows)
      },
    })
  })

/** Prepares papers kind by kind; answers how many of each, and why others were not made. */
async function prepareRows(rows: readonly LineRow[]): Promise<string[]> {
  const said: string[] = []
  for (const [kind, own] of groupBy(rows, (row) => row.kind)) {
    const result = await callApi<{ prepared: number; already: string[] }>('/api/papers/prepare', {
      method: 'POST',
      body: {
        ...(kind === 'credit note' ? {} : { kind }),
        orderIds: own.flatMap((row) => (row.billId ? [] : (row.orderId ?? []))),
        billIds: own.flatMap((row) => row.billId ?? []),
      },
    })
    said.push(`${countOf(result.prepared, kind)} prepared, on To check.`, ...result.already)
  }
  return said
}

const prepare = () =>
  finish(async () => {
    const papers = papersOf(subject.value)
    const documents = subject.value.filter((row) => row.of === 'document')
    if (papers.length > 0) {
      toasts.say((await prepareRows(papers)).join(' '))
    }
    for (const document of documents)
      await callApi(`/api/documents/${document.documentId}/send`, { method: 'POST', body: {} })
  })

const drop = () =>
  finish(async () => {
    const { ids } = await post('/api/papers/drop', { ids: papersOf(subject.value).map((row) => row.id) })
    toasts.say(`${plural(ids.length, 'paper')} taken off To send.`, {
      undo: async () => {
        await post('/api/papers/drop', { ids, undo: true })
      },
    })
  })

const sendAgain = () =>
  finish(async () => {
    const { ids } = await post('/api/dispatches/send-again', { ids: subject.value.map((row) => row.id) })
    toasts.say(`${plural(ids.length, 'email')} ${ids.length === 1 ? 'goes' : 'go'} again.`)
  })

function askToSendAll() {
  key.value = crypto.randomUUID()
  postOnly.value = false
  asking.value = 'all'
}
const sendAll = () =>
  finish(async () => {
    const matching = Object.fromEntries(
      Object.entries(props.filters).filter(([name, value]) => value && name !== 'stage'),
    )
    const { runId } = await callApi<{ runId: number }>('/api/papers/send', {
      method: 'POST',
      body: { key: key.value, matching, count: props.allSendable, postOnly: postOnly.value },
    })
    await runs.watchRun(runId)
  })

const at = ref('')
const emails = computed(() =>
  subject.value.filter((row) => row.channel === 'email' && row.state === 'waiting'),
)
const keepBack = (act: 'hold' | 'let go' | 'later' | 'print instead', rows: LineRow[]) =>
  finish(async () => {
    const { ids } = await post('/api/dispatches/keep-back', {
      ids: rows.map((row) => row.id),
      act,
      ...(act === 'later' ? { at: new Date(at.value).toISOString() } : {}),
    })
    const said = {
      hold: 'held',
      'let go': 'let go',
      later: `to go ${at.value ? shortTime(new Date(at.value)) : ''}`,
      'print instead': 'in the print tray',
    }[act]
    const undo = act === 'hold' ? 'let go' : act === 'let go' ? 'hold' : undefined
    toasts.say(
      `${plural(ids.length, 'dispatch', 'dispatches')} ${said}.`,
      undo
        ? {
            undo: async () => {
              await post('/api/dispatches/keep-back', { ids, act: undo })
            },
          }
        : {},
    )
  })

const settle = (act: 'confirm' | 'print' | 'close', rows: LineRow[]) =>
  finish(async () => {
    const { ids } = await post('/api/dispatches/settle', {
      ids: rows.map((row) => row.id),
      act,
      reason: reason.value,
    })
    toasts.say(
      {
        confirm: `${plural(ids.length, 'paper')} marked as arrived.`,
        print: `${plural(ids.length, 'paper')} marked as posted.`,
        close: `${plural(ids.length, 'paper')} closed.`,
      }[act],
    )
    reason.value = ''
  })

useMainKey(() => {
  if (!session.may('clerk') || count.value === 0) return
  if (props.stage === 'to check') askToSend()
  else if (props.stage === 'to send') void prepare()
  else if (props.stage === 'stuck') void sendAgain()
  else if (props.stage === 'waiting' && toPost.value.length > 0) void navigateTo('/tray')
})
</script>

<template>
  <footer class="foot-bar">
    <template v-if="chosen.length > 0"
      ><strong>{{ chosen.length }} picked</strong><span class="mono soft">{{ totals }}</span></template
    >
    <template v-else
      ><span class="soft">{{
        plural(
          matching,
          stage === 'to send' || stage === 'to check' ? 'paper' : 'dispatch',
          stage === 'to send' || stage === 'to check' ? 'papers' : 'dispatches',
        )
      }}</span
      ><span v-for="one in sums" :key="one.currency" class="mono soft">{{
        moneyWithSign(one.sum, one.currency)
      }}</span
      ><a
        v-if="matching > 0"
        class="soft"
        :href="csvHref('/api/line/csv', { ...filters, stage })"
        data-test="csv"
        >CSV</a
      ></template
    >
    <template v-if="session.may('clerk') && count > 0">
      <span class="push" />
      <template v-if="stage === 'to check'">
        <VBtn
          v-if="allSendable > 1 && chosen.length === 0"
          :disabled="busy"
          data-test="send-all"
          @click="askToSendAll"
          >Send all {{ allSendable }}…</VBtn
        >
        <VBtn :disabled="busy" data-test="put-back" @click="putBack">Put back</VBtn>
        <VBtn
          variant="flat"
          class="go"
          :disabled="busy || sendable.length === 0"
          data-test="send"
          @click="askToSend"
          >{{ sendable.length ? `Send ${sendable.length}: ${ways}` : 'Nothing of this can be sent' }}</VBtn
        >
      </template>
      <template v-else-if="stage === 'to send'">
        <VBtn v-if="papersOf(subject).length" :disabled="busy" @click="drop">Not wanted</VBtn>
        <VBtn variant="flat" class="go" :disabled="busy" data-test="prepare" @click="prepare">{{
          papersOf(subject).length ? `Prepare ${papersOf(subject).length}` : `Send ${count}`
        }}</VBtn>
      </template>
      <template v-else-if="stage === 'waiting'">
        <VBtn
          v-if="emails.some((row) => row.held)"
          :disabled="busy"
          data-test="let-go"
          @click="keepBack('let go', emails)"
          >Let {{ emails.filter((row) => row.held).length }} go</VBtn
        >
        <VBtn
          v-if="emails.some((row) => !row.held)"
          :disabled="busy"
          data-test="hold"
          @click="keepBack('hold', emails)"
          >Hold {{ emails.filter((row) => !row.held).length }}</VBtn
        >
        <VBtn v-if="emails.length" :disabled="busy" data-test="later" @click="asking = 'later'"
          >At a time…</VBtn
        >
        <VBtn v-if="emails.length" :disabled="busy" data-test="cancel" @click="asking = 'close'"
          >Cancel…</VBtn
        >
        <VBtn v-if="toPost.length" variant="flat" class="go" :disabled="busy" @click="navigateTo('/tray')"
          >To the print tray</VBtn
        >
      </template>
      <template v-else-if="stage === 'stuck'">
        <VBtn :disabled="busy" @click="asking = 'close'">Close…</VBtn>
        <VBtn :disabled="busy" data-test="print-instead" @click="keepBack('print instead', subject)"
          >Print instead</VBtn
        >
        <VBtn v-if="unclear.length" :disabled="busy" @click="asking = 'confirm'">{{
          unclear.length === 1 ? 'It arrived' : `${unclear.length} arrived`
        }}</VBtn>
        <VBtn variant="flat" class="go" :disabled="busy" data-test="send-again" @click="sendAgain"
          >Send {{ count }} again</VBtn
        >
      </template>
    </template>
  </footer>

  <Ask
    v-if="asking === 'send'"
    v-model="ask"
    :title="`${postOnly ? 'Issue' : 'Send'} ${kindsOf(sendable)}?`"
    :go="`${postOnly ? 'Issue' : 'Send'} ${sendable.length}`"
    :busy="busy"
    @go="send"
  >
    <p>
      Each draws its number now, and then
      {{ postOnly ? 'hangs on To send until a routine or a person sends it' : 'goes'
      }}<template v-if="!postOnly"
        >: <strong>{{ ways }}</strong></template
      >. Together {{ addAmounts(sendable) }}.
    </p>
    <p v-if="!postOnly" class="soft cut">
      To
      {{
        sendable
          .slice(0, 3)
          .map((row) => row.sendTo)
          .join(', ')
      }}{{ sendable.length > 3 ? ` and ${sendable.length - 3} more` : '' }}
    </p>
    <p v-if="noAddress" class="notice stuck">
      {{ noAddress === 1 ? 'One has' : `${noAddress} have` }} no address yet: issued, it will be Stuck until
      the customer has a billing contact.
    </p>
    <p v-if="held" class="notice wait">
      {{ held === 1 ? 'One is' : `${held} are` }} left out: changed since you looked, or not to be issued.
    </p>
    <label class="only"
      ><input v-model="postOnly" type="checkbox" data-test="post-only" /> Only issue: number and book now,
      send later</label
    >
  </Ask>
  <Ask
    v-else-if="asking === 'all'"
    v-model="ask"
    :title="`${postOnly ? 'Issue' : 'Send'} all ${allSendable} that match?`"
    :go="`${postOnly ? 'Issue' : 'Send'} ${allSendable}`"
    :busy="busy"
    @go="sendAll"
  >
    <p>
      Each draws its number, in order of date and order number. Together
      <template v-for="one in sums" :key="one.currency">
        {{ moneyWithSign(one.sum, one.currency) }}</template>.
    </p>
    <p v-if="matching > allSendable" class="notice wait">
      {{ matching - allSendable }} of the {{ matching }} are left out: changed since you looked, or not to be
      issued.
    </p>
    <label class="only"
      ><input v-model="postOnly" type="checkbox" /> Only issue: number and book now, send later</label
    >
  </Ask>
  <Ask
    v-else-if="asking === 'later'"
    v-model="ask"
    :title="`When shall ${plural(emails.length, 'email')} go?`"
    go="Set the time"
    :busy="busy"
    :disabled="!at"
    @go="keepBack('later', emails)"
    ><label class="strong">At <input v-model="at" type="datetime-local" class="reason" /></label
  ></Ask>
  <Ask
    v-else-if="asking === 'post'"
    v-model="ask"
    :title="`Mark ${plural(toPost.length, 'paper')} as posted?`"
    go="Posted"
    :busy="busy"
    @go="settle('print', toPost)"
    ><p>
      You printed and posted {{ toPost.length === 1 ? 'it' : 'them' }}. They count as arrived, on paper.
    </p></Ask
  >
  <Ask
    v-else-if="asking === 'confirm'"
    v-model="ask"
    :title="`Did ${plural(unclear.length, 'paper')} arrive?`"
    go="It arrived"
    :busy="busy"
    @go="settle('confirm', unclear)"
    ><p>You looked in the mailbox or asked. It will not be sent again.</p></Ask
  >
  <Ask
    v-else-if="asking === 'close'"
    v-model="ask"
    :title="`Close ${plural(count, 'dispatch', 'dispatches')}?`"
    go="Close"
    danger
    :busy="busy"
    :disabled="!reason.trim()"
    @go="settle('close', subject)"
  >
    <p>
      Nothing more is sent. The {{ count === 1 ? 'document stays' : 'documents stay' }} issued and
      {{ count === 1 ? 'is' : 'are' }} listed on To send.
    </p>
    <label class="strong"
      >Why <input v-model="reason" class="reason" placeholder="sent by the customer's portal"
    /></label>
  </Ask>
</template>

<style scoped>
.reason {
  display: block;
  width: 100%;
  border: 1px solid var(--faint-ink);
  border-radius: 4px;
  padding: 8px 10px;
  margin-top: 4px;
  font: inherit;
  font-weight: 400;
}
p {
  margin: 0 0 8px;
}
.only {
  display: flex;
  gap: 8px;
  align-items: center;
}
</style>
