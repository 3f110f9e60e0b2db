<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import { saidWords } from '../../words/speech'
import DespiteDialog from '../../components/line/DespiteDialog.vue'
import DocumentPane from '../../components/paper/DocumentPane.vue'
import HistoryLeaf from '../../components/paper/HistoryLeaf.vue'
import OrderConfirmed from '../../components/orders/OrderConfirmed.vue'
import OrderForm from '../../components/orders/OrderForm.vue'
import OrderPapers from '../../components/orders/OrderPapers.vue'
import PartDialog from '../../components/orders/PartDialog.vue'
import PreparedPane from '../../components/paper/PreparedPane.vue'
import SendDialog from '../../components/line/SendDialog.vue'
import StatusDialog from '../../components/orders/StatusDialog.vue'
import WordPicker from '../../components/list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useNewest } from '../../composables/useNewest'
import { api, attempt } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { useConfirmed } from '../../composables/useConfirmed'
import { useStatusChange } from '../../composables/useStatusChange'
import { useForm } from '../../composables/useForm'
import { changeOrder, fetchOrder } from '../../calls/orders'
import { useMainKey } from '../../composables/useMainKey'
import { longDay, plural } from '../../composables/format'
import { orderKinds, type DocumentKind } from '../../../core/documents/kinds'
import { mayFollow, prepareRefusal } from '../../../core/orders/statuses'
import { formOfOrder, writtenOrder } from '../../components/orders/order-form'
import type { OrderView } from '../../contract'
import type { Leaf } from '../../components/paper/LeafTabs.vue'

const route = useRoute()
const session = useSession()
const toasts = useToasts()
const id = computed(() => Number(route.params.id))
const order = shallowRef<OrderView>()
const wrong = ref('')
const busy = ref(false)
const leaf = ref<Leaf>('Document')

const { form, base, dirty, save, take } = useForm(() => order.value, formOfOrder, t('orders.theOrder'))

const newest = useNewest()
async function load() {
  try {
    const found = await newest(() => fetchOrder(id.value))
    if (found) order.value = found
    wrong.value = ''
  } catch (error) {
    wrong.value = (error as Error).message
  }
}
watch(id, load, { immediate: true })
useLive(['order', 'line'], () => void load(), 250)

const put = (version: number, body: ReturnType<typeof writtenOrder>) =>
  changeOrder(id.value, { version, ...body })
async function keep() {
  if (!order.value || busy.value || !dirty.value) return
  busy.value = true
  const before = writtenOrder(formOfOrder(base.value))
  await attempt(async () => {
    const { version } = await save(() => put(base.value!.version, writtenOrder(form.value)))
    await load()
    toasts.say(t('orders.theOrderIsSaved'), {
      undo: async () => {
        await put(version, before)
        await load()
      },
    })
  })
  busy.value = false
}

const status = useStatusChange(load)
const setStatus = (to: string) => status.ask([id.value], to)

/** The paper in hand: one of the order's, by kind. */
const chosenKind = ref<DocumentKind | null>(null)
const chosenPart = ref<number | null>(null)
const liveOf = (kind: DocumentKind) =>
  order.value?.papers.find(
    (paper) =>
      paper.sourceId === id.value &&
      !paper.voided &&
      paper.kind === kind &&
      ['prepared', 'issued'].includes(paper.state),
  )
const kindInHand = computed<DocumentKind>(
  () => chosenKind.value ?? [...orderKinds].reverse().find((kind) => liveOf(kind)) ?? 'invoice',
)
const live = computed(
  () => order.value?.papers.find((paper) => paper.id === chosenPart.value) ?? liveOf(kindInHand.value),
)
const canMake = (kind: DocumentKind) =>
  session.may('clerk') &&
  !!order.value &&
  !liveOf(kind) &&
  !session.house!.company.kindsOff.includes(kind) &&
  prepareRefusal(kind, order.value) === null
watch(id, () => {
  chosenKind.value = null
  chosenPart.value = null
})

function pick(kind: DocumentKind) {
  chosenKind.value = kind
  chosenPart.value = null
}
const confirmed = useConfirmed(order)
async function revise() {
  pick('order confirmation')
  await prepare('order confirmation')
}
async function prepare(kind: DocumentKind) {
  if (order.value!.stopped) {
    despite.value = stoppedRow(kind, null)
    return
  }
  await attempt(async () => {
    const result = await api.post('/api/prepared/prepare', { body: { kind, sourceIds: [id.value] } })
    toasts.say(saidWords(result.already[0]) || t('orders.theKindIsPreparedAnd', { kind: kindWords(kind) }))
    chosenKind.value = kind
    await load()
  })
}

/** A document of this order, for the question that is asked while the order is held or withdrawn. */
const despite = shallowRef<ReturnType<typeof stoppedRow> | null>(null)
const stoppedRow = (kind: DocumentKind, paper: { id: number; revision: number; total: string } | null) => ({
  id: paper?.id ?? 0,
  revision: paper?.revision ?? null,
  kind,
  sourceId: id.value,
  orderNumber: order.value!.number,
  customerName: order.value!.customerName,
  documentId: null,
  total: paper?.total ?? order.value!.total,
  currency: order.value!.currency,
  stopped: order.value!.stopped,
})

const billing = ref(false)
const draft = (ask: { kind: 'part' | 'shipped' } | { kind: 'deposit'; percent: string }) =>
  attempt(async () => {
    const { draftId } = await api.post('/api/orders/{id}/drafts', { path: { id: id.value }, body: ask })
    await navigateTo(`/drafts/${draftId}`)
  })

/** What the question about sending is about: the prepared document as it was looked at. */
const asking = ref(false)
function askToSend() {
  if (order.value!.stopped) despite.value = stoppedRow(kindInHand.value, live.value!)
  else asking.value = true
}

useMainKey(() => void keep())
const statuses = computed(() =>
  session
    .house!.company.orderStatuses.filter((status) =>
      mayFollow(session.house!.company.statusSteps, order.value!.status, status),
    )
    .map((status) => ({ value: status, words: status })),
)
</script>

<template>
  <div class="page">
    <div v-if="wrong" class="empty">
      <strong>{{ t('orders.noSuchOrder') }}</strong>{{ wrong }}
      <NuxtLink to="/orders">{{ t('orders.allOrders') }}</NuxtLink>
    </div>
    <div v-else-if="order" class="split">
      <section class="left" :aria-label="t('orders.orderOrder', { order: order.number })">
        <div class="bar">
          <NuxtLink to="/orders" class="soft">{{ t('orders.orders') }}</NuxtLink>
          <h1 class="title mono">{{ order.number }}</h1>
          <strong class="cut">{{ order.customerName }}</strong>
          <span class="soft">{{ longDay(order.date) }} · {{ session.brandName(order.brand) }}</span>
          <span class="push"
            ><I18nT keypath="orders.isStatus" scope="global"
              ><template #status
                ><WordPicker
                  :label="t('common.status')"
                  :words="order.status"
                  :choices="statuses"
                  :value="order.status"
                  :disabled="!session.may('clerk')"
                  @pick="setStatus" /></template></I18nT
          ></span>
        </div>
        <OrderForm
          v-model="form"
          :order="order"
          :disabled="!session.may('clerk')"
          :dirty="dirty"
          @invoice-shipped="draft({ kind: 'shipped' })"
          @done="load"
        />
        <footer class="foot-bar">
          <span v-if="dirty" class="tag wait">{{ t('common.notSavedYet') }}</span>
          <span v-else class="soft">{{ plural(order.lines.length, 'line') }}</span>
          <span class="push" />
          <VBtn v-if="dirty" @click="take">{{ t('common.discardChanges') }}</VBtn>
          <VBtn
            v-else-if="session.may('clerk') && !liveOf('invoice')?.documentId && order.status !== 'Draft'"
            data-test="bill-part"
            @click="billing = true"
            >{{ t('orders.invoiceAPart') }}</VBtn
          >
          <VBtn v-if="session.may('clerk') && !dirty" :to="`/orders/new?copy=${id}`" data-test="copy-order">{{
            t('orders.copy')
          }}</VBtn>
          <VBtn
            v-if="session.may('clerk') && live?.state === 'prepared' && !chosenPart"
            :disabled="dirty || !!live.problem"
            data-test="send-paper"
            @click="askToSend"
            >{{ t('orders.sendTheKindInHand', { kindInHand }) }}</VBtn
          >
          <VBtn
            v-if="session.may('clerk')"
            variant="flat"
            class="go"
            :disabled="!dirty || busy"
            data-test="keep-order"
            @click="keep"
            >{{ t('common.save') }}</VBtn
          >
        </footer>
      </section>
      <aside class="right" :aria-label="t('orders.theOrdersDocument')">
        <OrderPapers
          :order-id="id"
          :papers="order.papers"
          :kind="kindInHand"
          :part="chosenPart"
          :can-make="canMake"
          @pick="pick"
          @part="chosenPart = $event"
          @make="prepare"
        />
        <OrderConfirmed
          v-if="confirmed"
          :confirmed="confirmed"
          :may-revise="session.may('clerk') && !dirty && prepareRefusal('order confirmation', order) === null"
          @revise="revise"
        />
        <template v-if="live">
          <DocumentPane v-if="live.documentId" :id="live.documentId" v-model:leaf="leaf" />
          <PreparedPane v-else :id="live.id" v-model:leaf="leaf" />
        </template>
        <template v-else>
          <p class="empty">
            <strong>{{ t('orders.noKindInHandYet', { kindInHand }) }}</strong>{{
              canMake(kindInHand)
                ? t('orders.prepareItByHandAnd')
                : saidWords(prepareRefusal(kindInHand, order))
            }}
          </p>
          <HistoryLeaf :history="order.history" />
        </template>
      </aside>
      <PartDialog v-if="billing" v-model="billing" :order-number="order.number" @draft="draft" />
      <SendDialog
        v-if="asking && live"
        v-model="asking"
        :papers="[{ id: live.id, revision: live.revision }]"
        @done="load"
      />
      <DespiteDialog
        v-if="despite"
        :model-value="true"
        :row="despite"
        :act="despite.revision === null ? 'prepare' : 'send'"
        @update:model-value="despite = null"
        @done="load"
      />
      <StatusDialog
        v-if="status.question.value"
        :question="status.question.value"
        :busy="status.busy.value"
        @answer="status.answer"
        @leave="status.question.value = undefined"
      />
    </div>
  </div>
</template>

<style scoped>
.title {
  font-size: var(--title);
}
</style>
