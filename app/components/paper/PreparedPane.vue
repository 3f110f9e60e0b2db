<script setup lang="ts">
import { t } from '../../words'
import { asWords } from '../../composables/recipients'
import { saidWords } from '../../words/speech'
import { kindTitle, kindWords } from '../../composables/kinds'
import AddressDialog from '../customers/AddressDialog.vue'
import ContactsDialog from '../customers/ContactsDialog.vue'
import CompleteOrder from '../orders/CompleteOrder.vue'
import ChangedNotice from './ChangedNotice.vue'
import SecondLook from './SecondLook.vue'
import EmailLeaf from './EmailLeaf.vue'
import HistoryLeaf from './HistoryLeaf.vue'
import LeafTabs from './LeafTabs.vue'
import PdfView from './PdfView.vue'
import RecipientsDialog from './RecipientsDialog.vue'
import { deliveryOf, designForAll, textForAll } from './for-all'
import { useSession } from '../../stores/session'
import { useNewest } from '../../composables/useNewest'
import { useLive } from '../../composables/useLive'
import { plural } from '../../composables/format'
import { languageWords } from '../../composables/languages'
import { attempt } from '../../composables/api'
import { useToasts } from '../../stores/toasts'
import { orderOf, screenOf } from '../../../core/documents/sources'
import { fetchPrepared, sendPreparedToMe, writeEmail } from '../../calls/prepared'
import { fetchCustomer } from '../../calls/customers'
import { kindFacts } from '../../../core/documents/kinds'
import type { CustomerView, PreparedView } from '../../contract'
import type { Leaf } from './LeafTabs.vue'

const EmailDialog = defineAsyncComponent(() => import('./EmailDialog.vue'))
const MadeWithDialog = defineAsyncComponent(() => import('./MadeWithDialog.vue'))

/** The paper in hand, not yet issued: as it will be, with its email and its history. */
const props = defineProps<{
  id: number
  /** It stands beside its draft: no way leads there. */
  inDraft?: boolean
  /** What the page reads anew when something of it was changed here. */
  changed?: () => Promise<unknown>
}>()
const leaf = defineModel<Leaf>('leaf', { required: true })
const session = useSession()
const view = shallowRef<PreparedView>()
const pages = ref(0)
const wrong = ref('')
const contacts = ref(false)
const choosing = ref(false)
const writing = ref(false)
const making = ref(false)
const completing = ref(false)
const customer = shallowRef<CustomerView>()
const addressing = ref(false)

const newest = useNewest()
async function load() {
  const id = props.id
  try {
    const found = await newest(() => fetchPrepared(id))
    if (!found) return
    view.value = found
    wrong.value = ''
  } catch (error) {
    if (id === props.id) wrong.value = (error as Error).message
  }
}
const toDraft = computed(() => view.value?.sourceKind === 'draft' && !props.inDraft)
const kept = () => Promise.all([load(), props.changed?.()])
watch(() => props.id, load, { immediate: true })
useLive(['line'], (ids) => {
  if (ids.length === 0 || ids.includes(props.id)) void load()
})

const url = computed(() =>
  view.value ? `/api/prepared/${view.value.id}/pdf?revision=${view.value.revision}` : '',
)
const note = computed(() =>
  leaf.value === 'Document'
    ? t('paper.asItWillBePages', { pages: pages.value ? ` · ${plural(pages.value, 'page')}` : '' })
    : leaf.value === 'Email'
      ? t('common.asItWillBe')
      : (view.value?.orderNumber ?? ''),
)

const toMe = () =>
  attempt(async () => {
    const sent = await sendPreparedToMe(props.id)
    useToasts().say(t('paper.sentGoesToToWatermarked', { sent: sent.number, to: sent.to }))
  })
/** "German · email text “Schools”": what it is made with. */
const madeWords = ({ textLanguage, textVariant, designVariant }: PreparedView) =>
  [
    languageWords[textLanguage],
    textVariant ? t('paper.textOfVariant', { variant: textVariant }) : '',
    designVariant ? t('paper.designOfVariant', { variant: designVariant }) : '',
  ]
    .filter(Boolean)
    .join(' · ')
/** The remedy on the spot where the address is what is missing; the paper is built anew once it is kept. */
const needsAddress = computed(() => view.value?.lacksAddress ?? false)
const giveAddress = () =>
  attempt(async () => {
    customer.value = await fetchCustomer(view.value!.customerId)
    addressing.value = true
  })
</script>

<template>
  <LeafTabs v-model="leaf" :note="note" />
  <div v-if="view?.problem" class="notice stuck">
    <span>{{ saidWords(view.problem) }}</span>
    <VBtn
      v-if="needsAddress && session.may('clerk')"
      class="push"
      height="28"
      data-test="give-address"
      @click="giveAddress"
      >{{ t('paper.giveTheAddress') }}</VBtn
    >
    <VBtn
      v-else-if="view.onceComplete && view.sourceKind === 'order' && session.may('clerk')"
      class="push"
      height="28"
      data-test="complete"
      @click="completing = true"
      >{{ t('orders.enterIt') }}</VBtn
    >
    <NuxtLink v-else-if="view.sourceKind !== 'payment' && !inDraft" class="push" :to="screenOf(view)">{{
      t('paper.openTheSourceKind', { sourceKind: view.sourceKind })
    }}</NuxtLink>
  </div>
  <ChangedNotice v-if="view?.changes" :view="view" :changes="view.changes" @seen="load" />
  <SecondLook v-if="view && (view.secondLook || view.asked)" :view="view" :kept="kept" />
  <div v-if="wrong" class="empty">
    <strong>{{ t('common.notToBeSeen') }}</strong>{{ wrong }}
  </div>
  <template v-else-if="view">
    <PdfView
      v-if="leaf === 'Document' && !(view.problem && !view.email && view.channel === 'email')"
      :url="url"
      :label="
        kindTitle(view.kind) +
        (view.orderNumber ? t('paper.forOrderOrderNumber', { orderNumber: view.orderNumber }) : '')
      "
      @pages="pages = $event"
      @wrong="pages = 0"
    />
    <EmailLeaf v-else-if="leaf === 'Email'" :email="view.email" :channel="view.channel" />
    <HistoryLeaf
      v-else-if="leaf === 'History'"
      :history="view.history"
      :addresses="view.email?.to.map((to) => to.address)"
    />
    <footer v-if="leaf === 'Document'" class="facts">
      <template v-if="view.email">
        <span class="soft">{{ t('common.to') }}</span><span
          class="cut"
          :title="saidWords(view.email.to[0]?.source)"
          >{{
            view.email.to
              .map((to) => (to.as === 'To' ? to.address : `${asWords(to.as)} ${to.address}`))
              .join(', ') || t('paper.nobodyYet')
          }}
          <button
            v-if="session.may('clerk')"
            type="button"
            class="word"
            data-test="contacts"
            @click="view.email.to.length ? (choosing = true) : (contacts = true)"
          >
            {{
              view.email.to.length
                ? t('paper.change')
                : t('paper.addAKindFactsContact', { kindFacts: kindFacts[view.kind].to })
            }}
          </button></span
        >
        <span class="soft">{{ t('common.subject') }}</span><span class="subject"
          ><span class="cut strong">{{ view.email.subject }}</span>
          <span v-if="view.words?.own" class="tag wait" data-test="own-words">{{ t('paper.ownWords') }}</span>
          <button
            v-if="session.may('clerk')"
            type="button"
            class="word"
            data-test="write-email"
            @click="writing = true"
          >
            {{ t('paper.change') }}
          </button></span
        >
        <span class="soft">{{ t('paper.enclosed') }}</span><span class="subject"
          ><span class="cut" data-test="enclosed">{{
            view.email.files
              .filter((file) => !file.enclosure?.leftOut)
              .map((file) => file.name)
              .join(' · ') || t('paper.nothingEnclosed')
          }}</span>
          <button v-if="session.may('clerk')" type="button" class="word" @click="writing = true">
            {{ t('paper.change') }}
          </button></span
        >
      </template>
      <template v-else-if="view.channel === 'paper' || view.channel === 'nothing'"
        ><span class="soft">{{ t('paper.goes') }}</span
        ><span>{{
          view.channel === 'paper'
            ? t('paper.onPaperByPost')
            : t('paper.nowhereTheCustomerWantsNo', { kinds: kindWords(view.kind, 'many') })
        }}</span></template
      >
      <span class="soft">{{ t('paper.madeIn') }}</span><span class="subject"
        ><span class="cut" data-test="made-in">{{ madeWords(view) }}</span>
        <span v-if="view.asOnce" class="tag wait">{{ t('paper.thisOnce') }}</span>
        <button
          v-if="session.may('clerk')"
          type="button"
          class="word"
          data-test="make-with"
          @click="making = true"
        >
          {{ t('paper.change') }}
        </button></span
      >
      <span class="soft">{{ orderOf(view) ? t('common.order') : toDraft ? t('paper.draft') : '' }}</span><span
        ><NuxtLink v-if="orderOf(view)" :to="`/orders/${orderOf(view)}`" class="mono">{{
          view.orderNumber
        }}</NuxtLink
        >{{ orderOf(view) && toDraft ? ' · ' : ''
        }}<NuxtLink v-if="toDraft" :to="screenOf(view)" data-test="open-draft">{{
          t('paper.openTheDraft')
        }}</NuxtLink>
        <button
          v-if="session.may('clerk') && !view.problem"
          type="button"
          class="word me"
          data-test="to-me"
          @click="toMe"
        >
          {{ t('paper.emailItToMe') }}
        </button></span
      >
    </footer>
    <RecipientsDialog
      v-if="choosing && view.email"
      v-model="choosing"
      :prepared-id="view.id"
      :addresses="view.email.to.filter((to) => to.as === 'To').map((to) => to.address)"
      :people="view.contacts"
      :this-once="view.email.to[0]?.source?.says === 'reached/this-sending'"
      :kept="kept"
      @contacts="contacts = true"
    />
    <EmailDialog
      v-if="writing && view.words"
      :key="view.id"
      v-model="writing"
      :name="`prepared ${view.id}`"
      :prepared-id="view.id"
      :revision="view.revision"
      :words="view.words"
      :email="view.email"
      :write="(revision, own) => writeEmail(view!.id, { revision, own })"
      v-bind="session.may('supervisor') ? { forAll: textForAll(view) } : {}"
      :kept="kept"
    />
    <MadeWithDialog
      v-if="making"
      :key="`m${view.id}`"
      v-model="making"
      :prepared-id="view.id"
      :revision="view.revision"
      :own-words="view.words?.own ?? false"
      :for-all="{ delivery: deliveryOf(view), text: textForAll(view), design: designForAll(view) }"
      :kept="kept"
    />
    <CompleteOrder v-if="completing" :order-id="view.sourceId" @leave="completing = false" @kept="kept" />
    <ContactsDialog v-if="contacts" v-model="contacts" :customer-id="view.customerId" @kept="load" />
    <AddressDialog
      v-if="customer && addressing"
      :customer="customer"
      which="postal"
      @leave="addressing = false"
      @kept="load"
    />
  </template>
</template>

<style scoped>
.subject {
  display: flex;
  gap: 8px;
  align-items: baseline;
  min-width: 0;
}
.me {
  float: right;
}
.facts {
  background: var(--paper);
  border-top: 1px solid var(--rule);
  display: grid;
  grid-template-columns: 64px 1fr;
  gap: 3px 10px;
  padding: 9px 14px;
  flex: none;
}
</style>
