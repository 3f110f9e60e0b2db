<script setup lang="ts">
import Ask from '../components/frame/Ask.vue'
import ListPane from '../components/list/ListPane.vue'
import PdfView from '../components/paper/PdfView.vue'
import WordPicker from '../components/list/WordPicker.vue'
import { useSession } from '../stores/session'
import { usePicks } from '../composables/usePicks'
import { wholeList } from '../composables/useList'
import { useHand } from '../composables/useHand'
import { api, attempt } from '../composables/api'
import { useLive } from '../composables/useLive'
import { useToasts } from '../stores/toasts'
import { money, plural, shortTime } from '../composables/format'
import { useMainKey } from '../composables/useMainKey'
import type { PrintQueueRow } from '../contract'
import { addAmounts } from '../composables/amounts'
import type { ListColumn } from '../components/list/ColumnHeads.vue'

/**
 * Papers that wait for the printer: one merged PDF in posting order, printed as often as wanted, then marked
 * as posted.
 */
const session = useSession()
const rows = shallowRef<PrintQueueRow[]>([])
const first = ref(true)
const picks = usePicks(rows)
const list = wholeList(rows, first, () => load())
const { active } = useHand(rows)
const copies = ref('1')
const asking = ref(false)
const busy = ref(false)

async function load() {
  await attempt(async () => {
    rows.value = await api.get('/api/print-queue')
  })
  first.value = false
}
onMounted(load)
useLive(['line'], () => void load(), 300)

const chosen = computed(() => (picks.chosen.value.length > 0 ? picks.chosen.value : rows.value))
const pages = computed(() => chosen.value.reduce((total, row) => total + row.pages, 0) * Number(copies.value))
const url = computed(() =>
  chosen.value.length
    ? `/api/print-queue/pdf?ids=${chosen.value.map((row) => row.id).join(',')}&copies=${copies.value}`
    : '',
)
const columns: ListColumn[] = [
  { words: 'Number', width: 140 },
  { words: 'Customer', width: '1fr' },
  { words: 'Pages', width: 70 },
  { words: 'Total', width: 110, right: true },
  { words: 'Since', width: 84, right: true },
]
const copyChoices = ['1', '2', '3'].map((value) => ({
  value,
  words: value === '1' ? 'one copy' : `${value} copies`,
}))

const print = () => window.open(url.value, '_blank', 'noopener')
async function posted() {
  busy.value = true
  await attempt(async () => {
    const { ids } = await api.post('/api/dispatches/decide', {
      body: { ids: chosen.value.map((row) => row.id), act: 'print', reason: '' },
    })
    useToasts().say(`${plural(ids.length, 'document')} marked as posted.`)
    picks.clear()
    await load()
  })
  busy.value = false
  asking.value = false
}
useMainKey(() => {
  if (chosen.value.length) print()
})
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" aria-label="Print queue">
        <div class="bar">
          <h1 class="title">Print queue</h1>
          <span class="soft">in posting order: customer by customer, each by number</span>
        </div>
        <ListPane
          v-model:active="active"
          :list="list"
          :columns="columns"
          label="Papers to print"
          :picks="session.may('clerk') ? picks : null"
        >
          <template #row="{ row }">
            <span class="number mono">{{ row.number }}</span><span class="name cut">{{
              row.customerName
            }}</span
            ><span class="soft pages">{{ plural(row.pages, 'page') }}</span
            ><span class="total amount">{{ money(row.total, row.currency) }}</span
            ><span class="soft age">{{ shortTime(row.since) }}</span>
          </template>
          <template #empty
            ><div class="empty">
              <strong>Nothing to print</strong>Papers of customers who want paper lie here once they are
              issued, and stuck emails that you send here instead.
            </div></template
          >
        </ListPane>
        <footer class="foot-bar">
          <strong v-if="picks.chosen.value.length">{{ picks.chosen.value.length }} picked</strong
          ><span v-else class="soft">{{ plural(rows.length, 'document') }}</span
          ><span class="mono soft">{{ addAmounts(chosen) }}</span>
          <template v-if="chosen.length">
            <span class="push soft"
              ><WordPicker label="Copies" :choices="copyChoices" :value="copies" @pick="copies = $event"
            /></span>
            <VBtn href="/api/print-queue/csv" data-test="csv">Save as CSV</VBtn>
            <VBtn v-if="session.may('clerk')" :disabled="busy" data-test="posted" @click="asking = true"
              >Mark {{ chosen.length }} as posted</VBtn
            >
            <VBtn variant="flat" class="go" data-test="print" @click="print"
              >Print {{ chosen.length }}: {{ plural(pages, 'page') }}</VBtn
            >
          </template>
        </footer>
      </section>
      <aside class="right" aria-label="What will be printed">
        <div class="bar">
          <strong>One PDF</strong><span class="soft push">{{ plural(pages, 'page') }}</span>
        </div>
        <PdfView v-if="url" :url="url" label="Papers to print" />
        <div v-else class="empty"><strong>Nothing to print</strong>The merged PDF appears here.</div>
      </aside>
    </div>
    <Ask
      v-model="asking"
      :title="`Mark ${plural(chosen.length, 'document')} as posted?`"
      go="Posted"
      :busy="busy"
      @go="posted"
      ><p>
        You printed and posted {{ chosen.length === 1 ? 'it' : 'them' }}. They count as arrived, on paper, and
        the history keeps your name.
      </p></Ask
    >
  </div>
</template>

<style scoped>
.title {
  font-size: var(--title);
}
.age {
  text-align: right;
}
</style>
