<script setup lang="ts">
import Ask from '../frame/Ask.vue'
import { useRuns } from '../../stores/runs'
import { attempt } from '../../composables/api'
import { money } from '../../composables/format'
import { keepBack } from '../../calls/dispatches'
import { sendDocument } from '../../calls/documents'
import { prepareDocuments, sendPrepared } from '../../calls/prepared'
import type { LineRow } from '../../contract'

type Stopped = Pick<
  LineRow,
  | 'id'
  | 'revision'
  | 'kind'
  | 'sourceId'
  | 'orderNumber'
  | 'customerName'
  | 'documentId'
  | 'total'
  | 'currency'
  | 'stopped'
>

/** One document of a held or withdrawn order: it goes only alone, after the reason was read. */
const props = defineProps<{ row: Stopped; act: 'send' | 'prepare' | 'send issued' | 'let go' }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ done: [] }>()
const runs = useRuns()
const busy = ref(false)
const key = crypto.randomUUID()
const words = {
  send: 'Send',
  prepare: 'Prepare',
  'send issued': 'Send',
  'let go': 'Let go',
}
const acts = {
  send: async () => {
    const papers = [{ id: props.row.id, revision: props.row.revision! }]
    const { runId } = await sendPrepared({ key, papers, despite: true })
    await runs.watchRun(runId)
  },
  prepare: () => prepareDocuments({ kind: props.row.kind, sourceIds: [props.row.sourceId], despite: true }),
  'send issued': () => sendDocument(props.row.documentId!, { despite: true }),
  'let go': () => keepBack({ ids: [props.row.id], act: 'let go', despite: true }),
}

async function go() {
  busy.value = true
  const well = await attempt(async () => {
    await acts[props.act]()
  })
  busy.value = false
  open.value = false
  if (well) emit('done')
}
</script>

<template>
  <Ask
    v-model="open"
    :title="`${words[act]} the ${row.kind} although the order is ${row.stopped}?`"
    :go="`${words[act]} it all the same`"
    danger
    :busy="busy"
    @go="go"
  >
    <p>
      Order <span class="mono">{{ row.orderNumber }}</span> of {{ row.customerName }} is
      <strong>{{ row.stopped }}</strong>, so its {{ row.kind }} over
      <span class="mono">{{ money(row.total, row.currency) }}</span> is kept out of every Send{{
        act === 'let go' ? ' and was taken out of Waiting' : ''
      }}. Setting the order to another status brings it back as it was.
    </p>
  </Ask>
</template>
