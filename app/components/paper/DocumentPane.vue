<script setup lang="ts">
import { t } from '../../words'
import { howArrived } from '../../../core/dispatch/arrived'
import { said, saidWords } from '../../words/speech'
import BookedOn from './BookedOn.vue'
import DocumentActs from './DocumentActs.vue'
import EmailLeaf from './EmailLeaf.vue'
import HistoryLeaf from './HistoryLeaf.vue'
import LeafTabs from './LeafTabs.vue'
import PdfView from './PdfView.vue'
import { useSession } from '../../stores/session'
import { useNewest } from '../../composables/useNewest'
import { useLive } from '../../composables/useLive'
import { houseToday, longDay, moneyWithSign, plural, shortTime } from '../../composables/format'
import { orderOf } from '../../../core/documents/sources'
import { writeWaitingEmail } from '../../calls/dispatches'
import { fetchDocument } from '../../calls/documents'
import { paymentState } from '../../../core/receivables/ageing'
import type { DocumentView } from '../../contract'
import type { Leaf } from './LeafTabs.vue'

const EmailDialog = defineAsyncComponent(() => import('./EmailDialog.vue'))

/** The document in hand: the very PDF that was sent, its email as sent, and its history. */
const props = withDefaults(defineProps<{ id: number; dispatch?: number | null }>(), { dispatch: null })
const leaf = defineModel<Leaf>('leaf', { required: true })
const session = useSession()
const view = shallowRef<DocumentView>()
const wrong = ref('')
const pdfWrong = ref('')
const writing = ref(false)

const newest = useNewest()
async function load() {
  const id = props.id
  const { dispatch } = props
  try {
    const found = await newest(() => fetchDocument(id, { dispatch }))
    if (!found) return
    view.value = found
    wrong.value = ''
  } catch (error) {
    if (id === props.id) wrong.value = (error as Error).message
  }
}
watch(
  [() => props.id, () => props.dispatch],
  () => {
    pdfWrong.value = ''
    writing.value = false
    void load()
  },
  { immediate: true },
)
useLive(['line', 'register', 'order'], () => void load(), 300)

/** While another document is being fetched, nothing can be done with the one still shown. */
const current = computed(() => view.value?.id === props.id)
const url = computed(() =>
  view.value?.sha256 ? `/api/documents/${view.value.id}/pdf?v=${view.value.sha256.slice(0, 12)}` : '',
)
const dispatch = computed(
  () =>
    view.value?.dispatches.find((one) => one.id === props.dispatch) ??
    view.value?.dispatches.find((one) => !one.isCopy),
)
const note = computed(() =>
  view.value ? `${view.value.number}${view.value.pages ? ` · ${plural(view.value.pages, 'page')}` : ''}` : '',
)
const addresses = computed(() => [...new Set(view.value?.email?.to.map((to) => to.address) ?? [])])
const linkWords: Record<string, string> = {
  'credited with': t('common.credited'),
  'takes back': t('common.credits'),
  'issued anew as': t('paper.anewAs'),
  'takes the place of': t('paper.insteadOf'),
}
const paid = computed(() =>
  view.value?.open === null || !view.value?.dueDate
    ? null
    : paymentState(
        { open: view.value.open, amount: view.value.owed!, dueDate: view.value.dueDate },
        houseToday(),
      ),
)
const paidTone = { paid: 'go', 'part-paid': 'wait', open: '', overdue: 'stuck' }
const stateWords = computed(() => {
  if (view.value?.voided)
    return t('paper.voidSinceAtByBy', {
      at: shortTime(view.value.voided.at),
      by: view.value.voided.by,
      reason: view.value.voided.reason,
    })
  const one = dispatch.value
  if (!one) return view.value?.takenOver ? t('paper.sentByTheProgramBefore') : 'not sent'
  if (one.state === 'arrived')
    return t('paper.arrivedSinceOne', { since: shortTime(one.since), one: saidWords(howArrived(one.how)) })
  if (one.state === 'on the way') return t('paper.onTheWaySinceSince', { since: shortTime(one.since) })
  if (one.state === 'stuck') return t('paper.stuckOne', { one: one.cause ? said(`cause/${one.cause}`) : '' })
  if (one.state === 'closed') return 'closed'
  return one.channel === 'paper' ? t('paper.waitsForThePrinter') : 'waiting'
})
</script>

<template>
  <LeafTabs v-model="leaf" :note="note" />
  <div v-if="wrong" class="empty">
    <strong>{{ t('common.notToBeSeen') }}</strong>{{ wrong }}
  </div>
  <template v-else-if="view">
    <template v-if="leaf === 'Document'">
      <PdfView v-if="url" :url="url" :label="`${view.number}`" @wrong="pdfWrong = $event" />
      <div v-else-if="view.takenOver" class="empty">
        <strong>{{ t('paper.takenOverWithoutAPDF') }}</strong>{{ t('paper.itWasSentByThe') }}
        <NuxtLink to="/accounts/taken-over">{{ t('paper.openItemsOfTheEarlier') }}</NuxtLink>
      </div>
      <div v-else class="empty">
        <strong>{{ t('paper.thePDFIsBeingMade') }}</strong>{{ t('paper.itWillBeHereIn') }}
      </div>
      <p v-if="pdfWrong" class="notice stuck">{{ pdfWrong }}</p>
    </template>
    <EmailLeaf
      v-else-if="leaf === 'Email'"
      :email="view.email"
      :channel="dispatch?.channel ?? 'email'"
      :open="current && session.may('clerk') && view.waiting !== null"
      :own="view.waiting?.words.own ?? false"
      :document-id="view.id"
      :links="view.fileLinks"
      @write="writing = true"
    />
    <HistoryLeaf v-else :history="view.history" :addresses="addresses" />
    <footer class="facts">
      <span class="soft">{{ t('common.state') }}</span><span class="cut">{{ stateWords }}</span>
      <template v-if="view.open !== null"
        ><span class="soft">{{ t('common.open') }}</span
        ><span class="apart"
          ><span class="mono">{{ moneyWithSign(view.open, view.currency) }}</span>
          <span v-if="view.dueDate" class="soft">{{
            t('paper.dueDueDate', { dueDate: longDay(view.dueDate) })
          }}</span>
          <span v-if="paid" class="tag" :class="paidTone[paid]">{{ paid }}</span>
          <NuxtLink :to="`/accounts?customer=${view.customerId}`" data-test="to-account">{{
            t('paper.account')
          }}</NuxtLink></span
        ></template
      >
      <template v-if="view.dispute || view.promisedOn"
        ><span class="soft">{{ t('paper.marked') }}</span
        ><span>{{
          [
            view.dispute ? t('common.disputedDispute', { dispute: view.dispute }) : '',
            view.promisedOn ? t('paper.promisedForPromisedOn', { promisedOn: longDay(view.promisedOn) }) : '',
          ]
            .filter(Boolean)
            .join(', ')
        }}</span></template
      >
      <BookedOn :view="view" :current="current" @changed="load" />
      <template v-if="orderOf(view)"
        ><span class="soft">{{ t('common.order') }}</span
        ><NuxtLink :to="`/orders/${orderOf(view)}`" class="mono">{{ view.orderNumber }}</NuxtLink></template
      >
      <template v-for="link in view.links" :key="link.how + link.id"
        ><span class="soft">{{ linkWords[link.how] }}</span
        ><NuxtLink class="mono" :to="`/register?search=${link.number}&in=${link.id}`">{{
          link.number
        }}</NuxtLink></template
      >
      <DocumentActs v-if="current" :view="view" :url="url" @changed="load" />
    </footer>
    <EmailDialog
      v-if="writing && view.waiting"
      :key="view.waiting.dispatchId"
      v-model="writing"
      :name="`email ${view.waiting.dispatchId}`"
      :prepared-id="view.waiting.preparedId"
      :revision="view.waiting.revision"
      :words="view.waiting.words"
      :email="view.email"
      issued
      :write="(revision, own) => writeWaitingEmail(view!.waiting!.dispatchId, { revision, own })"
      :kept="load"
    />
  </template>
</template>

<style scoped>
.apart {
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
  align-items: baseline;
}
.facts {
  background: var(--paper);
  border-top: 1px solid var(--rule);
  display: grid;
  grid-template-columns: 72px 1fr;
  gap: 3px 10px;
  padding: 9px 14px;
  flex: none;
  margin-top: auto;
}
</style>
