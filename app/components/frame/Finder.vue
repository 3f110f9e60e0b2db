<script setup lang="ts">
import { t } from '../../words'
import { watchDebounced } from '@vueuse/core'
import { useSession } from '../../stores/session'
import { useLook } from '../../stores/look'
import { moneyWithSign } from '../../composables/format'
import { attempt } from '../../composables/api'
import { searchDocuments } from '../../calls/documents'
import { searchOrders } from '../../calls/orders'
import { searchCustomers } from '../../calls/customers'
import { findEntries, type Entry } from '../../help/entries'

/** Ctrl+K: finds documents, orders and customers, goes to places, and does things, by name. */
interface Hit {
  key: string
  what: Entry['what'] | 'Document' | 'Order' | 'Customer'
  words: string
  more: string
  to?: string
  act?: () => unknown
}

const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ help: [task: string] }>()
const session = useSession()
const look = useLook()
const typed = ref('')
const hits = ref<Hit[]>([])
/** The words that the hits answer: what is typed since has its answer still to come. */
const answered = ref('')
const at = ref(0)
const field = ref<HTMLInputElement>()
let turn = 0

const asHit = (entry: Entry): Hit => ({
  key: entry.key,
  what: entry.what,
  words: entry.words,
  more: '',
  ...(entry.what === 'Help' ? { act: () => emit('help', entry.key.slice(5)) } : { to: entry.to }),
})
const kindsOfHits: Record<Hit['what'], string> = {
  Place: t('frame.place'),
  Setting: t('frame.setting'),
  Report: t('frame.report'),
  Act: t('frame.act'),
  Help: t('frame.help'),
  Document: t('common.document'),
  Order: t('common.order'),
  Customer: t('common.customer'),
}
/** What is done here and now, at no place of its own. */
const here = computed<Hit[]>(() => [
  {
    key: 'look',
    what: 'Act',
    words: look.dark ? t('frame.lightMode') : t('frame.darkMode'),
    more: t('frame.changesTheColours'),
    act: () => look.choose(look.dark ? 'light' : 'dark'),
  },
  { key: 'keys', what: 'Help', words: t('frame.keys'), more: 'F1', act: () => emit('help', 'keys') },
  { key: 'out', what: 'Act', words: t('common.signOut'), more: '', act: () => session.signOut() },
])

async function search() {
  const text = typed.value.trim()
  const mine = ++turn
  const named = [
    ...findEntries(text, session.may).map(asHit),
    ...here.value.filter((one) => one.words.toLowerCase().includes(text.toLowerCase())),
  ]
  if (!text) {
    hits.value = named
    answered.value = text
    return
  }
  const [documents, orders, customers] = await Promise.all([
    searchDocuments({ search: text, limit: 6 }),
    searchOrders({ search: text, limit: 6 }),
    searchCustomers({ search: text, limit: 5 }),
  ])
  if (mine !== turn) return
  const found: Hit[] = [
    ...documents.rows.map((row) => ({
      key: `d${row.id}`,
      what: 'Document' as const,
      words: row.number,
      more: `${row.customerName} · ${moneyWithSign(row.total, row.currency)}`,
      to: `/register?search=${encodeURIComponent(row.number)}&in=${row.id}`,
    })),
    ...orders.rows.map((row) => ({
      key: `o${row.id}`,
      what: 'Order' as const,
      words: row.number,
      more: `${row.customerName} · ${row.status}`,
      to: `/orders/${row.id}`,
    })),
    ...customers.rows.map((row) => ({
      key: `c${row.id}`,
      what: 'Customer' as const,
      words: row.name,
      more: row.number,
      to: `/customers?search=${encodeURIComponent(row.number)}&in=${row.id}`,
    })),
  ]
  // whose very number was typed stands first: Enter opens it
  const isIt = (hit: Hit) => [hit.words, hit.more].some((one) => one.toLowerCase() === text.toLowerCase())
  hits.value = [...found.filter(isIt), ...named.slice(0, 6), ...found.filter((hit) => !isIt(hit))]
  answered.value = text
  at.value = 0
  await openAnswer()
}
/** Enter opens what answers the words that stand there, and waits for it; never a hit of the letters before. */
const entered = ref(false)
watch(typed, () => (entered.value = false))
async function openAnswer() {
  if (!entered.value || answered.value !== typed.value.trim()) return
  entered.value = false
  await go(hits.value[at.value])
}
async function enter() {
  entered.value = true
  await openAnswer()
}

watch(open, async (now) => {
  if (!now) return
  typed.value = ''
  void search()
  await nextTick()
  setTimeout(() => field.value?.focus(), 40)
})
watchDebounced(typed, () => attempt(search), { debounce: 120 })

async function go(hit: Hit | undefined) {
  if (!hit) return
  open.value = false
  if (hit.act) await hit.act()
  else await navigateTo(hit.to)
}

function key(event: KeyboardEvent) {
  if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
    event.preventDefault()
    at.value = Math.min(hits.value.length - 1, Math.max(0, at.value + (event.key === 'ArrowDown' ? 1 : -1)))
  } else if (event.key === 'Enter') void attempt(enter)
}
</script>

<template>
  <VDialog v-model="open" :aria-label="t('frame.find')" max-width="600" @keydown="key">
    <div class="finder">
      <input
        ref="field"
        v-model="typed"
        type="search"
        :placeholder="t('frame.aNumberACustomerAn')"
        :aria-label="t('frame.find')"
        aria-controls="hits"
      />
      <ul id="hits" role="listbox" :aria-label="t('frame.found')">
        <li
          v-for="(hit, index) in hits"
          :key="hit.key"
          role="option"
          :aria-selected="index === at"
          :class="{ at: index === at }"
          @mouseenter="at = index"
          @click="go(hit)"
        >
          <span class="what">{{ kindsOfHits[hit.what] }}</span><span
            :class="{ mono: hit.what === 'Document' || hit.what === 'Order' }"
            >{{ hit.words }}</span
          ><span class="soft cut">{{ hit.more }}</span>
        </li>
        <li v-if="hits.length === 0" class="soft">
          {{ t('frame.nothingFoundNumbersCustomersOrder') }}
        </li>
      </ul>
    </div>
  </VDialog>
</template>

<style scoped>
.finder {
  background: var(--paper);
  border-radius: 5px;
  overflow: hidden;
}
input {
  width: 100%;
  font: inherit;
  font-size: var(--title);
  padding: 14px 18px;
  border: 0;
  border-bottom: 1px solid var(--rule);
  outline: none;
}
ul {
  list-style: none;
  margin: 0;
  padding: 6px 0;
  max-height: 380px;
  overflow: auto;
}
li {
  display: flex;
  gap: 12px;
  padding: 7px 18px;
  cursor: pointer;
  align-items: baseline;
}
li.at {
  background: var(--peg-pale);
}
.what {
  width: 76px;
  color: var(--soft-ink);
  font-size: var(--small);
}
</style>
