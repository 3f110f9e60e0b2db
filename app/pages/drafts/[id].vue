<script setup lang="ts">
import Ask from '../../components/frame/Ask.vue'
import DateField from '../../components/frame/DateField.vue'
import DocumentPane from '../../components/paper/DocumentPane.vue'
import DraftAdjustments from '../../components/drafts/DraftAdjustments.vue'
import FormField from '../../components/company/FormField.vue'
import OrderLines from '../../components/orders/OrderLines.vue'
import PreparedPane from '../../components/paper/PreparedPane.vue'
import WordPicker from '../../components/list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useNewest } from '../../composables/useNewest'
import { api, attempt } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { useRuns } from '../../stores/runs'
import { useUnsaved } from '../../composables/useUnsaved'
import { useMainKey } from '../../composables/useMainKey'
import { moneyWithSign, plural } from '../../composables/format'
import type { DraftFacts } from '../../../core/documents/draft'
import { capital } from '../../../core/documents/kinds'
import { paymentMethods, type PaymentMethod } from '../../../core/documents/facts'
import type { DraftView } from '../../contract'
import type { Leaf } from '../../components/paper/LeafTabs.vue'

/** An invoice or credit note being written, with its true paper beside it; kept, it hangs on To check. */
const route = useRoute()
const session = useSession()
const toasts = useToasts()
const id = computed(() => Number(route.params.id))
const draft = shallowRef<DraftView>()
const facts = ref<DraftFacts>()
const earlierDateOk = ref(false)
const wrong = ref('')
const wrongField = ref('')
const busy = ref(false)
const leaf = ref<Leaf>('Paper')
const asking = ref(false)
const sendKey = ref('')
const postOnly = ref(false)
/** A sale that is paid at once: by what. */
const paidBy = ref<PaymentMethod | ''>('')

const formOf = (view: DraftView) => JSON.stringify([view.facts, view.paper?.earlierDateOk ?? false])
const dirty = computed(
  () => !!draft.value && JSON.stringify([facts.value, earlierDateOk.value]) !== formOf(draft.value),
)
const isOpen = computed(() => draft.value?.state === 'open')
const disabled = computed(() => !session.may('clerk') || !isOpen.value)
const isCredit = computed(() => draft.value?.kind === 'credit note')

const newest = useNewest()
async function load() {
  try {
    const found = await newest(() => api.get('/api/drafts/{id}', { path: { id: id.value } }))
    if (!found) return
    const keep = dirty.value
    draft.value =
      keep && draft.value ? { ...found, version: draft.value.version, facts: draft.value.facts } : found
    if (!keep) {
      facts.value = structuredClone(found.facts)
      earlierDateOk.value = found.paper?.earlierDateOk ?? false
    }
    wrong.value = ''
  } catch (error) {
    wrong.value = (error as Error).message
  }
}
watch(
  id,
  () => {
    draft.value = undefined
    void load()
  },
  { immediate: true },
)
useLive(['line', 'register'], () => void load(), 250)

async function keep() {
  if (!draft.value || !facts.value || !dirty.value || busy.value) return
  busy.value = true
  wrongField.value = ''
  try {
    await api.patch('/api/drafts/{id}', {
      path: { id: id.value },
      body: {
        version: draft.value.version,
        facts: facts.value,
        brandId: draft.value.brandId,
        customerId: draft.value.customerId,
        earlierDateOk: earlierDateOk.value,
      },
    })
    draft.value = {
      ...draft.value,
      facts: structuredClone(toRaw(facts.value)),
      paper: draft.value.paper && { ...draft.value.paper, earlierDateOk: earlierDateOk.value },
    }
    await load()
    toasts.say('The draft is kept. Its paper is built anew.')
  } catch (error) {
    wrongField.value = (error as Error).message
  }
  busy.value = false
}

watch(asking, (now) => {
  if (!now) return
  sendKey.value = crypto.randomUUID()
  postOnly.value = false
  paidBy.value = ''
})
async function send() {
  busy.value = true
  await attempt(async () => {
    const preparedId = draft.value!.paper!.id
    const { revision, changes } = await api.get('/api/prepared/{id}', { path: { id: preparedId } })
    if (changes) await api.post('/api/prepared/{id}/seen', { path: { id: preparedId }, body: { revision } })
    const { runId } = await api.post('/api/prepared/send', {
      body: {
        key: sendKey.value,
        postOnly: postOnly.value,
        ...(paidBy.value ? { paidBy: paidBy.value } : {}),
        papers: [{ id: preparedId, revision }],
      },
    })
    await useRuns().watchRun(runId)
  })
  busy.value = false
  asking.value = false
}
useUnsaved(dirty, 'the draft')
useMainKey(() => void keep())

const askWords = computed(() => {
  const ask = facts.value?.credit?.ask
  return !ask
    ? ''
    : ask.kind === 'whole'
      ? 'all that is left'
      : ask.kind === 'amount'
        ? `${ask.amount} ${facts.value!.currency}`
        : plural(ask.lines.length, 'line')
})
const modes = [
  { value: 'false', words: 'without VAT' },
  { value: 'true', words: 'with VAT' },
]
const text = (key: 'reference' | 'customerNote' | 'suppliedOn' | 'date') =>
  computed({
    get: () => facts.value?.[key] ?? '',
    set: (value: string) => {
      if (facts.value) facts.value[key] = value || null
    },
  })
const [reference, customerNote, suppliedOn, date] = [
  text('reference'),
  text('customerNote'),
  text('suppliedOn'),
  text('date'),
]
</script>

<template>
  <div class="page">
    <div v-if="wrong" class="empty">
      <strong>No such draft</strong>{{ wrong }} <NuxtLink to="/register">To the Register</NuxtLink>
    </div>
    <div v-else-if="draft && facts" class="split">
      <section class="left" :aria-label="`Draft ${draft.kind}`">
        <div class="bar">
          <h1 class="title">{{ isOpen ? `${capital(draft.kind)}, a draft` : capital(draft.kind) }}</h1>
          <strong class="cut">{{ draft.customerName }}</strong>
          <NuxtLink v-if="draft.orderId" class="mono push" :to="`/orders/${draft.orderId}`">{{
            draft.orderNumber
          }}</NuxtLink>
        </div>
        <div class="body">
          <p v-if="draft.replaces" class="notice way">
            Takes the place of
            <NuxtLink
              class="mono"
              :to="`/register?search=${draft.replaces.number}&in=${draft.replaces.id}`"
              >{{ draft.replaces.number }}</NuxtLink>.
          </p>
          <template v-if="isCredit">
            <p class="sentence">
              Takes back <strong>{{ askWords }}</strong> of
              <NuxtLink
                class="mono"
                :to="`/register?search=${draft.credits!.number}&in=${draft.credits!.id}`"
                >{{ draft.credits!.number }}</NuxtLink>.
            </p>
            <FormField v-model="facts.credit!.reason" label="Why; it is printed" :disabled="disabled" />
          </template>
          <template v-else>
            <p class="sentence">
              Prices are
              <WordPicker
                label="Prices"
                :words="modes.find((one) => one.value === String(facts!.pricesIncludeTax))!.words"
                :choices="modes"
                :value="String(facts.pricesIncludeTax)"
                :disabled="disabled || !!draft.orderId"
                @pick="facts.pricesIncludeTax = $event === 'true'"
              />
              in <strong>{{ facts.currency }}</strong>.<template v-if="facts.deposit">
                It is a <strong>deposit</strong>: the final invoice deducts it.</template
              >
            </p>
            <div class="texts">
              <label>Your reference <input v-model="reference" :disabled="disabled" maxlength="80" /></label>
              <label class="wide"
                >Note on the paper
                <input v-model="customerNote" :disabled="disabled" maxlength="1000" placeholder="nothing"
              /></label>
            </div>
          </template>
          <div class="texts">
            <label v-if="!facts.deposit && !isCredit"
              >Date of supply <DateField v-model="suppliedOn" :disabled="disabled" data-test="supplied"
            /></label>
            <label>Document date <DateField v-model="date" :disabled="disabled" data-test="date" /></label>
            <span class="soft">{{ date ? '' : 'the day it is issued' }}</span>
            <label v-if="date" class="check"
              ><input v-model="earlierDateOk" type="checkbox" :disabled="disabled" /> The date is meant, even
              if a later one is numbered already</label
            >
          </div>
          <template v-if="!isCredit">
            <OrderLines v-model="facts.lines" :disabled="disabled" :currency="facts.currency" />
            <DraftAdjustments v-if="!facts.deposit" v-model="facts.adjustments" :disabled="disabled" />
          </template>
          <p class="sum">
            {{ dirty ? 'Total as kept' : 'Total' }}
            <strong class="mono">{{
              draft.paper ? moneyWithSign(draft.paper.total, facts.currency) : '–'
            }}</strong>
          </p>
          <p v-if="wrongField" class="notice stuck" role="alert">{{ wrongField }}</p>
        </div>
        <footer class="foot-bar">
          <span v-if="dirty" class="tag wait">not kept yet</span>
          <span v-else-if="draft.document" class="tag go">issued</span>
          <span v-else-if="draft.state === 'dropped'" class="tag">thrown away</span>
          <span v-else class="soft">on {{ draft.paper?.state === 'prepared' ? 'To check' : 'To send' }}</span>
          <span class="push" />
          <VBtn
            v-if="!disabled && draft.paper?.state === 'prepared'"
            :disabled="dirty || !!draft.paper.problem || busy"
            data-test="send-paper"
            @click="asking = true"
            >Send it…</VBtn
          >
          <VBtn
            v-if="!disabled"
            variant="flat"
            class="go"
            :disabled="!dirty || busy"
            data-test="keep-draft"
            @click="keep"
            >Keep the draft</VBtn
          >
        </footer>
      </section>
      <aside class="right" aria-label="The draft's paper">
        <DocumentPane v-if="draft.document" :id="draft.document.id" v-model:leaf="leaf" />
        <PreparedPane v-else-if="draft.paper" :id="draft.paper.id" v-model:leaf="leaf" />
        <div v-else class="empty">
          <strong>No paper yet</strong>Keep the draft, and its paper stands here.
        </div>
      </aside>
      <Ask
        v-model="asking"
        :title="`${postOnly ? 'Issue' : 'Send'} the ${draft.kind}?`"
        :go="postOnly ? 'Issue it' : 'Send it'"
        :busy="busy"
        @go="send"
        ><p>
          It draws its number now, is booked, and
          {{
            postOnly
              ? 'hangs on To send until a routine or a person sends it'
              : `goes to ${draft.customerName}`
          }}, {{ moneyWithSign(draft.paper?.total ?? '0', facts.currency) }}.
        </p>
        <label class="check"
          ><input v-model="postOnly" type="checkbox" /> Only issue: number and book now, send later</label
        ><label v-if="!isCredit" class="check"
          >It is
          <select v-model="paidBy" data-test="paid-by">
            <option value="">to be paid later</option>
            <option v-for="one in paymentMethods" :key="one" :value="one">paid at once, by {{ one }}</option>
          </select></label
        ></Ask
      >
    </div>
  </div>
</template>

<style scoped>
.title {
  font-size: 16px;
  white-space: nowrap;
}
.body {
  flex: 1;
  overflow: auto;
  padding: 12px 14px;
}
.sentence {
  white-space: normal;
  margin: 0 0 8px;
  font-size: 15px;
}
.texts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: end;
  margin: 8px 0 12px;
}
.texts label {
  font-size: 12.5px;
  color: var(--soft-ink);
  display: flex;
  flex-direction: column;
}
.texts .wide {
  flex: 1;
}
.texts .check {
  flex-direction: row;
  gap: 7px;
  align-items: center;
}
.texts input:not([type='checkbox']) {
  border: 1px solid var(--rule);
  border-radius: 4px;
  padding: 5px 8px;
  font: inherit;
  font-size: 14px;
  color: var(--ink);
  background: var(--paper);
}
label.check {
  display: flex;
  gap: 8px;
  align-items: center;
  margin-top: 8px;
}
select {
  border: 1px solid var(--faint-ink);
  border-radius: 4px;
  padding: 5px 8px;
  font: inherit;
}
.sum {
  text-align: right;
  margin: 10px 0;
}
</style>
