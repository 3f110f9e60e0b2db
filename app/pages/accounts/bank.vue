<script setup lang="ts">
import AccountPlaces from '../../components/accounts/AccountPlaces.vue'
import BankAsk from '../../components/accounts/BankAsk.vue'
import BankFileFacts from '../../components/accounts/BankFileFacts.vue'
import EntrySheet from '../../components/accounts/EntrySheet.vue'
import ListPane from '../../components/list/ListPane.vue'
import RealNotice from '../../components/frame/RealNotice.vue'
import WordPicker from '../../components/list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useFilters } from '../../composables/useFilters'
import { useList } from '../../composables/useList'
import { api, attempt, sendFile } from '../../composables/api'
import { useHand } from '../../composables/useHand'
import { usePicks } from '../../composables/usePicks'
import { useLive } from '../../composables/useLive'
import { money, plural, shortDay, shortTime } from '../../composables/format'
import { useMainKey } from '../../composables/useMainKey'
import { movementStates, movementWords } from '../../../core/receivables/movement-states'
import type { BankFileView, EntryView } from '../../contract'
import type { PageOf } from '../../composables/useList'
import type { ListColumn } from '../../components/list/ColumnHeads.vue'

/**
 * Bank files: the sure movements are booked after a look, the unsure proposed with the reason, the strange
 * set aside or booked by hand.
 */
const session = useSession()
const toasts = useToasts()
const may = computed(() => session.may('clerk'))
const { filters, set } = useFilters({ file: '', state: '' })
const files = shallowRef<BankFileView[]>([])
const known = ref(false)
const file = computed(
  () => files.value.find((one) => String(one.id) === filters.value.file) ?? files.value[0],
)
const list = useList<EntryView, PageOf<EntryView>>(async (place) =>
  file.value
    ? api.get('/api/bank-files/{id}/entries', {
        path: { id: file.value.id },
        query: { state: filters.value.state, ...place },
      })
    : { rows: [], after: null, matching: 0 },
)
const { active, row } = useHand(list.rows)
const picks = usePicks(list.rows)
const field = ref<HTMLInputElement>()
const busy = ref(false)
const asking = ref<'book' | 'aside' | null>(null)
const ask = computed({
  get: () => asking.value !== null,
  set: (open) => {
    if (!open) asking.value = null
  },
})

async function load() {
  files.value = await api.get('/api/bank-files')
  known.value = true
}
onMounted(() => attempt(load))
watch(
  () => [file.value?.id, file.value?.state, filters.value.state],
  () => void list.restart(),
)
useLive(
  ['payment'],
  () => {
    void attempt(load)
    void list.reload()
  },
  300,
)

/**
 * A statement begins as XML does; whatever else it is goes the way of a CSV, where its columns are mapped, or
 * is refused in words.
 */
const isXml = async (file: File) => /^[^\x21-\x7e]*</.test(await file.slice(0, 200).text())

async function read(event: Event) {
  const [chosen] = (event.target as HTMLInputElement).files ?? []
  if (!chosen) return
  busy.value = true
  await attempt(async () => {
    if (!(await isXml(chosen))) {
      const { id } = await sendFile<{ id: number }>('/api/imports', chosen, { subject: 'bank movements' })
      await navigateTo({ path: '/imports', query: { of: 'bank movements', file: id } })
      return
    }
    const { id } = await sendFile<{ id: number }>('/api/bank-files', chosen)
    set({ file: String(id), state: '' })
    await load()
  })
  if (field.value) field.value.value = ''
  busy.value = false
}
const count = (state: string) => file.value?.counts[state as 'sure'] ?? 0
const sure = computed(() => picks.chosen.value.filter((one) => one.state === 'sure'))
const toBook = computed(() => (picks.chosen.value.length ? sure.value.length : count('sure')))
const aside = computed(() =>
  (picks.chosen.value.length ? picks.chosen.value : row.value ? [row.value] : []).filter((one) =>
    ['sure', 'unsure', 'strange'].includes(one.state),
  ),
)
const act = async (what: () => Promise<void>) => {
  busy.value = true
  await attempt(what)
  busy.value = false
  asking.value = null
}
const book = () =>
  act(async () => {
    const { taken } = await api.post('/api/bank-files/{id}/book', {
      path: { id: file.value!.id },
      body: picks.chosen.value.length ? { ids: sure.value.map((one) => one.id) } : {},
    })
    toasts.say(`${plural(taken, 'payment')} ${taken === 1 ? 'is' : 'are'} being booked.`)
    picks.clear()
  })
const setAside = (reason: string) =>
  act(async () => {
    const { ids } = await api.post('/api/bank-entries/set-aside', {
      body: { ids: aside.value.map((one) => one.id), reason },
    })
    toasts.say(`${plural(ids.length, 'movement')} ignored: ${reason}.`)
    picks.clear()
  })
const matchAgain = () =>
  act(async () => {
    const { changed } = await api.post('/api/bank-files/{id}/match', {
      path: { id: file.value!.id },
      body: {},
    })
    toasts.say(
      changed ? `${plural(changed, 'movement')} found otherwise now.` : 'Nothing is found otherwise.',
    )
  })
useMainKey(() => {
  if (may.value && toBook.value > 0) asking.value = 'book'
})

const fileWords = (one: BankFileView) => `${one.name}, ${shortTime(one.madeAt)}`
const fileChoices = computed(() =>
  files.value.map((one) => ({ value: String(one.id), words: fileWords(one) })),
)
const states = computed(() => [
  { value: '', words: `all ${file.value ? file.value.entries - file.value.known : ''}` },
  ...movementStates.map((value) => ({ value, words: `${movementWords[value]}, ${count(value)}` })),
])
const tone: Record<EntryView['state'], string> = {
  sure: 'go',
  unsure: 'wait',
  strange: 'stuck',
  'to book': 'queue',
  booked: '',
  'set aside': '',
}
const columns: ListColumn[] = [
  { words: 'Day', width: 54 },
  { words: 'Payer', width: '1fr' },
  { words: 'Written', width: '1fr' },
  { words: 'Match', width: 74 },
  { words: 'Amount', width: 104, right: true },
]
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" aria-label="Bank files">
        <div class="bar">
          <AccountPlaces />
          <span v-if="file" class="sentence soft cut"
            >in
            <WordPicker
              label="File"
              :words="fileWords(file)"
              :choices="fileChoices"
              :value="String(file.id)"
              @pick="set({ file: $event, state: '' })" />:
            <WordPicker label="State" :choices="states" :value="filters.state" @pick="set({ state: $event })"
          /></span>
          <VBtn
            v-if="may"
            class="push"
            height="30"
            :disabled="busy"
            data-test="read-file"
            @click="field?.click()"
            >Import a file…</VBtn
          >
          <input
            ref="field"
            type="file"
            class="file"
            accept=".xml,.camt,.053,.csv,.txt,text/xml,application/xml,text/csv"
            aria-label="A bank file"
            data-test="bank-file"
            @change="read"
          />
        </div>
        <BankFileFacts v-if="file" :file="file" />
        <ListPane
          v-model:active="active"
          :list="list"
          :columns="columns"
          label="Movements"
          :picks="may ? picks : null"
          :loading="!known || (!!file && list.first.value)"
        >
          <template #row="{ row: one }">
            <span class="date">{{ shortDay(one.bookedOn) }}</span><span class="name cut">{{
              one.name || 'not named'
            }}</span
            ><span class="text cut soft" :title="one.text">{{ one.reference || one.text }}</span>
            <span class="state"
              ><span class="tag" :class="tone[one.state]">{{ movementWords[one.state] }}</span></span
            ><span class="total amount">{{ money(one.amount, one.currency) }}</span>
          </template>
          <template #empty
            ><div class="empty">
              <strong>{{ file ? 'No movement of that kind' : 'No bank file yet' }}</strong>{{
                file
                  ? 'Choose another state above.'
                  : 'Read a statement of your bank (ISO 20022 camt.053, or its CSV, whose columns you ' +
                    'map once): payments are matched with what is open, and booked after your look. ' +
                    'The same file twice books nothing twice.'
              }}<template v-if="!file && session.house?.mailboxesUrl"
                >{{ ' '
                }}<a :href="`${session.house.mailboxesUrl}/bank`" target="_blank" rel="noopener"
                  >Download a sample statement.</a
                ></template
              >
            </div></template
          >
        </ListPane>
        <RealNotice what="what is booked here is booked" />
        <footer class="foot-bar">
          <strong v-if="picks.chosen.value.length">{{ picks.chosen.value.length }} picked</strong
          ><span v-else class="soft">{{ plural(list.rows.value.length, 'movement') }} shown</span>
          <template v-if="may && file?.state === 'ready'">
            <span class="push" />
            <VBtn :href="`/api/bank-files/${file.id}/csv`">As CSV</VBtn>
            <VBtn :disabled="busy" data-test="match-again" @click="matchAgain">Match again</VBtn>
            <VBtn :disabled="busy || aside.length === 0" data-test="set-aside" @click="asking = 'aside'"
              >Ignore {{ aside.length || '' }}…</VBtn
            >
            <VBtn
              variant="flat"
              class="go"
              :disabled="busy || toBook === 0"
              data-test="book-sure"
              @click="asking = 'book'"
              >Book the {{ toBook }} matched</VBtn
            >
          </template>
        </footer>
      </section>
      <aside class="right" aria-label="The movement in hand">
        <EntrySheet
          v-if="row"
          :key="`${row.id} ${row.state} ${row.reason}`"
          :entry="row"
          @done="list.reload()"
        />
        <div v-else class="empty">
          <strong>No payment selected</strong>Select one to see what it would settle, and why.
        </div>
      </aside>
    </div>
    <BankAsk
      v-if="asking"
      v-model="ask"
      :act="asking"
      :count="asking === 'book' ? toBook : aside.length"
      :busy="busy"
      @book="book"
      @set-aside="setAside"
    />
  </div>
</template>

<style scoped>
.file {
  display: none;
}
p.notice {
  margin: 0;
}
</style>
