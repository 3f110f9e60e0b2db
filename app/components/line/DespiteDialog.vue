<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import Ask from '../frame/Ask.vue'
import { useRuns } from '../../stores/runs'
import { attempt } from '../../composables/api'
import { amountOf } from '../../composables/format'
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
  send: t('common.send'),
  prepare: t('line.prepare'),
  'send issued': t('common.send'),
  'let go': t('line.letGo'),
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
    :title="
      t('line.wordsTheKindAlthoughThe', {
        words: words[act],
        kind: kindWords(row.kind),
        stopped: row.stopped,
      })
    "
    :go="t('line.wordsItAllTheSame', { words: words[act] })"
    danger
    :busy="busy"
    @go="go"
  >
    <p>
      <I18nT keypath="line.orderOrderNumberOfCustomerNameIs" scope="global"
        ><template #orderNumber
          ><span class="mono">{{ row.orderNumber }}</span></template
        ><template #customerName>{{ row.customerName }}</template
        ><template #stopped
          ><strong>{{ row.stopped }}</strong></template
        ><template #kind>{{ kindWords(row.kind) }}</template
        ><template #amount
          ><span class="mono">{{ amountOf(row) }}</span></template
        ><template #act>{{ act === 'let go' ? t('line.andWasTakenOutOf') : '' }}</template></I18nT
      >
    </p>
  </Ask>
</template>
