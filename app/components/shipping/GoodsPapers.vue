<script setup lang="ts">
import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import { saidWords } from '../../words/speech'
import DespiteDialog from '../line/DespiteDialog.vue'
import DocumentPane from '../paper/DocumentPane.vue'
import HistoryLeaf from '../paper/HistoryLeaf.vue'
import KindTabs from '../paper/KindTabs.vue'
import PreparedPane from '../paper/PreparedPane.vue'
import SendDialog from '../line/SendDialog.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { attempt } from '../../composables/api'
import { prepareDocuments } from '../../calls/prepared'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { ShipmentView } from '../../contract'
import type { Leaf } from '../paper/LeafTabs.vue'

/** What documents are made of: a shipment, or a return. */
interface Goods {
  id: number
  orderNumber: string
  customerName: string
  stopped: string | null
  stands: boolean
  papers: ShipmentView['papers']
  history: ShipmentView['history']
}

/** The documents of goods that go out or come back: each as it is, or to be prepared, looked at and sent. */
const props = defineProps<{
  goods: Goods
  kinds: readonly DocumentKind[]
  /** How the row of them is called. */
  label: string
  dirty: boolean
}>()
const emit = defineEmits<{ done: [] }>()
const session = useSession()
const toasts = useToasts()
const leaf = ref<Leaf>('Document')
const { kindsOff } = session.house!.company
const liveOf = (kind: DocumentKind) =>
  props.goods.papers.find(
    (paper) => paper.kind === kind && !paper.voided && ['prepared', 'issued'].includes(paper.state),
  )
/** What may be made, and what there is all the same. */
const shown = computed(() => [
  ...props.kinds.filter((kind) => !kindsOff.includes(kind)),
  ...new Set(props.goods.papers.map(({ kind }) => kind).filter((kind) => !isOffered(kind) && liveOf(kind))),
])
const isOffered = (kind: DocumentKind) => props.kinds.includes(kind) && !kindsOff.includes(kind)
const chosen = ref<DocumentKind | null>(null)
const kind = computed(() => chosen.value ?? shown.value.find((one) => liveOf(one)) ?? shown.value[0])
const live = computed(() => kind.value && liveOf(kind.value))
const mayPrepare = computed(
  () =>
    session.may('clerk') &&
    !!kind.value &&
    kind.value !== 'shipping label' &&
    !live.value &&
    props.goods.stands &&
    !kindsOff.includes(kind.value),
)
const tabs = computed(() =>
  shown.value.map((one) => {
    const paper = liveOf(one)
    return {
      kind: one,
      words: paper?.number ?? (paper ? t('common.toCheck') : t('shipping.notPrepared')),
      tone: paper?.number ? 'go' : paper ? 'wait' : '',
    }
  }),
)

const asking = ref(false)
const despite = shallowRef<'prepare' | 'send'>()
/** A document of this shipment, for the question that is asked while its order is held or withdrawn. */
const stoppedRow = computed(() => ({
  id: live.value?.id ?? 0,
  revision: live.value?.revision ?? null,
  kind: kind.value!,
  sourceId: props.goods.id,
  orderNumber: props.goods.orderNumber,
  customerName: props.goods.customerName,
  documentId: null,
  total: '0',
  currency: '',
  stopped: props.goods.stopped,
}))
async function prepare() {
  if (props.goods.stopped) {
    despite.value = 'prepare'
    return
  }
  const made = kind.value!
  await attempt(async () => {
    const { already } = await prepareDocuments({ kind: made, sourceIds: [props.goods.id] })
    toasts.say(saidWords(already[0]) || t('orders.theKindIsPreparedAnd', { kind: kindWords(made) }))
    chosen.value = made
    emit('done')
  })
}
function send() {
  if (props.goods.stopped) despite.value = 'send'
  else asking.value = true
}
</script>

<template>
  <KindTabs :tabs="tabs" :here="kind ?? null" :label="label" @pick="chosen = $event">
    <span class="push" />
    <VBtn v-if="mayPrepare" height="30" :disabled="dirty" data-test="prepare-paper" @click="prepare">{{
      t('orders.prepareIt')
    }}</VBtn>
    <VBtn
      v-if="session.may('clerk') && live?.state === 'prepared'"
      height="30"
      :disabled="dirty || !!live.problem"
      data-test="send-paper"
      @click="send"
      >{{ t('drafts.sendIt') }}</VBtn
    >
  </KindTabs>
  <template v-if="live">
    <DocumentPane v-if="live.documentId" :id="live.documentId" v-model:leaf="leaf" />
    <PreparedPane v-else :id="live.id" v-model:leaf="leaf" />
  </template>
  <template v-else>
    <p v-if="kind" class="empty">
      <strong>{{ t('shipping.noneYet', { kind: kindWords(kind) }) }}</strong>{{
        kind === 'shipping label'
          ? t('shipping.labelsAreMadeFirst')
          : mayPrepare
            ? t('shipping.prepareItAndLook')
            : ''
      }}
    </p>
    <HistoryLeaf :history="goods.history" />
  </template>
  <SendDialog
    v-if="asking && live"
    v-model="asking"
    :papers="[{ id: live.id, revision: live.revision }]"
    @done="emit('done')"
  />
  <DespiteDialog
    v-if="despite"
    :model-value="true"
    :row="stoppedRow"
    :act="despite"
    @update:model-value="despite = undefined"
    @done="emit('done')"
  />
</template>
