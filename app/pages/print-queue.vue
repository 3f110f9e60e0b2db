<script setup lang="ts">
import { t } from '../words'
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
import { amountOf, plural, shortTime } from '../composables/format'
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

/** A reminder on which something was booked since is not printed. */
const chosen = computed(() =>
  (picks.chosen.value.length > 0 ? picks.chosen.value : rows.value).filter(
    (row) => row.overtaken.length === 0,
  ),
)
/** One that was printed before that is marked by hand. */
const toMark = computed(() => (picks.chosen.value.length > 0 ? picks.chosen.value : chosen.value))
const pages = computed(() => chosen.value.reduce((total, row) => total + row.pages, 0) * Number(copies.value))
const url = computed(() =>
  chosen.value.length
    ? `/api/print-queue/pdf?ids=${chosen.value.map((row) => row.id).join(',')}&copies=${copies.value}`
    : '',
)
const columns: ListColumn[] = [
  { words: t('common.number'), width: 140 },
  { words: t('common.customer'), width: '1fr' },
  { words: t('line.pages'), width: 70 },
  { words: t('common.total'), width: 110, right: true },
  { words: t('line.since'), width: 84, right: true },
]
const copyChoices = ['1', '2', '3'].map((value) => ({
  value,
  words: value === '1' ? t('line.oneCopy') : t('line.valueCopies', { value }),
}))

const print = () => window.open(url.value, '_blank', 'noopener')
async function posted() {
  busy.value = true
  await attempt(async () => {
    const { ids } = await api.post('/api/dispatches/decide', {
      body: { ids: toMark.value.map((row) => row.id), act: 'print', reason: '' },
    })
    useToasts().say(t('line.documentsMarkedAsPosted', { documents: plural(ids.length, 'document') }))
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
      <section class="left" :aria-label="t('common.printQueue')">
        <div class="bar">
          <h1 class="title">{{ t('common.printQueue') }}</h1>
          <span class="soft">{{ t('line.inPostingOrderCustomerBy') }}</span>
        </div>
        <ListPane
          v-model:active="active"
          :list="list"
          :columns="columns"
          :label="t('line.papersToPrint')"
          :picks="session.may('clerk') ? picks : null"
        >
          <template #row="{ row }">
            <span class="number mono">{{ row.number }}</span><span class="name cut">{{
              row.customerName
            }}</span
            ><NuxtLink
              v-if="row.overtaken.length"
              class="pages"
              :to="`/register?search=${row.number}&in=${row.documentId}`"
              :title="t('line.asksForTooMuch', { numbers: row.overtaken.join(', ') })"
              data-test="overtaken"
              >{{ t('line.notPrinted') }}</NuxtLink
            ><span v-else class="soft pages">{{ plural(row.pages, 'page') }}</span
            ><span class="total amount">{{ amountOf(row) }}</span
            ><span class="soft age">{{ shortTime(row.since) }}</span>
          </template>
          <template #empty
            ><div class="empty">
              <strong>{{ t('line.nothingToPrint') }}</strong>{{ t('line.papersOfCustomersWhoWant') }}
            </div></template
          >
        </ListPane>
        <footer class="foot-bar">
          <strong v-if="picks.chosen.value.length">{{
            t('common.countPicked', { count: picks.chosen.value.length })
          }}</strong><span v-else class="soft">{{ plural(chosen.length, 'document') }}</span
          ><span class="mono soft">{{ addAmounts(chosen) }}</span>
          <template v-if="toMark.length">
            <span class="push soft"
              ><WordPicker
                :label="t('common.copies')"
                :choices="copyChoices"
                :value="copies"
                @pick="copies = $event"
            /></span>
            <VBtn href="/api/print-queue/csv" data-test="csv">{{ t('common.saveAsCSV') }}</VBtn>
            <VBtn v-if="session.may('clerk')" :disabled="busy" data-test="posted" @click="asking = true">{{
              t('line.markCountAsPosted', { count: toMark.length })
            }}</VBtn>
            <VBtn v-if="chosen.length" variant="flat" class="go" data-test="print" @click="print">{{
              t('line.printCountPages', { count: chosen.length, pages: plural(pages, 'page') })
            }}</VBtn>
          </template>
        </footer>
      </section>
      <aside class="right" :aria-label="t('line.whatWillBePrinted')">
        <div class="bar">
          <strong>{{ t('line.onePDF') }}</strong><span class="soft push">{{ plural(pages, 'page') }}</span>
        </div>
        <PdfView v-if="url" :url="url" :label="t('line.papersToPrint')" />
        <div v-else class="empty">
          <strong>{{ t('line.nothingToPrint') }}</strong>{{ t('line.theMergedPDFAppearsHere') }}
        </div>
      </aside>
    </div>
    <Ask
      v-model="asking"
      :title="t('line.markDocumentsAsPosted', { documents: plural(toMark.length, 'document') })"
      :go="t('common.posted')"
      :busy="busy"
      @go="posted"
      ><p>
        {{
          t('line.youPrintedAndPostedChosen', {
            chosen: t(toMark.length === 1 ? 'line.printedIt' : 'line.printedThem'),
          })
        }}
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
