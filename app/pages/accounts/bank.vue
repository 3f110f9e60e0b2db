<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { said } from '../../words/speech'
import AccountPlaces from '../../components/accounts/AccountPlaces.vue'
import BankAsk from '../../components/accounts/BankAsk.vue'
import BankFileFacts from '../../components/accounts/BankFileFacts.vue'
import EntrySheet from '../../components/accounts/EntrySheet.vue'
import ListPane from '../../components/list/ListPane.vue'
import RealNotice from '../../components/frame/RealNotice.vue'
import WordPicker from '../../components/list/WordPicker.vue'
import { useAsking } from '../../composables/useAsking'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useFilters } from '../../composables/useFilters'
import { useList } from '../../composables/useList'
import { sendBankFile } from '../../calls/bank'
import { api, attempt } from '../../composables/api'
import { useHand } from '../../composables/useHand'
import { usePicks } from '../../composables/usePicks'
import { useLive } from '../../composables/useLive'
import { money, plural, shortDay, shortTime } from '../../composables/format'
import { useMainKey } from '../../composables/useMainKey'
import { movementStates } from '../../../core/receivables/movement-states'
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
const { asking, ask } = useAsking<'book' | 'aside'>()

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

async function read(event: Event) {
  const [chosen] = (event.target as HTMLInputElement).files ?? []
  if (!chosen) return
  busy.value = true
  await attempt(async () => {
    const { id, isStatement } = await sendBankFile(chosen)
    if (!isStatement) {
      await navigateTo({ path: '/imports', query: { of: 'bank movements', file: id } })
      return
    }
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
    toasts.say(
      t('bank.paymentsTakenBeingBooked', {
        payments: plural(taken, 'payment'),
        taken: taken === 1 ? 'is' : t('common.are'),
      }),
    )
    picks.clear()
  })
const setAside = (reason: string) =>
  act(async () => {
    const { ids } = await api.post('/api/bank-entries/set-aside', {
      body: { ids: aside.value.map((one) => one.id), reason },
    })
    toasts.say(t('bank.movementsIgnoredReason', { movements: plural(ids.length, 'movement'), reason }))
    picks.clear()
  })
const matchAgain = () =>
  act(async () => {
    const { changed } = await api.post('/api/bank-files/{id}/match', {
      path: { id: file.value!.id },
      body: {},
    })
    toasts.say(
      changed
        ? t('bank.movementsFoundOtherwiseNow', { movements: plural(changed, 'movement') })
        : t('bank.nothingIsFoundOtherwise'),
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
  {
    value: '',
    words: t('bank.allFile', { file: file.value ? file.value.entries - file.value.known : '' }),
  },
  ...movementStates.map((value) => ({ value, words: `${said(`movement/${value}`)}, ${count(value)}` })),
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
  { words: t('common.day'), width: 54 },
  { words: t('bank.payer'), width: '1fr' },
  { words: t('bank.written'), width: '1fr' },
  { words: t('bank.match'), width: 74 },
  { words: t('common.amount'), width: 104, right: true },
]
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" :aria-label="t('accounts.bankFiles')">
        <div class="bar">
          <AccountPlaces />
          <span v-if="file" class="sentence soft cut"
            ><I18nT keypath="bank.inFileState" scope="global"
              ><template #file
                ><WordPicker
                  :label="t('common.file')"
                  :words="fileWords(file)"
                  :choices="fileChoices"
                  :value="String(file.id)"
                  @pick="set({ file: $event, state: '' })" /></template
              ><template #state
                ><WordPicker
                  :label="t('common.state')"
                  :choices="states"
                  :value="filters.state"
                  @pick="set({ state: $event })" /></template></I18nT
          ></span>
          <VBtn
            v-if="may"
            class="push"
            height="30"
            :disabled="busy"
            data-test="read-file"
            @click="field?.click()"
            >{{ t('common.importAFile') }}</VBtn
          >
          <input
            ref="field"
            type="file"
            class="file"
            accept=".xml,.camt,.053,.csv,.txt,text/xml,application/xml,text/csv"
            :aria-label="t('bank.aBankFile')"
            data-test="bank-file"
            @change="read"
          />
        </div>
        <BankFileFacts v-if="file" :file="file" />
        <ListPane
          v-model:active="active"
          :list="list"
          :columns="columns"
          :label="t('bank.movements')"
          :picks="may ? picks : null"
          :loading="!known || (!!file && list.first.value)"
        >
          <template #row="{ row: one }">
            <span class="date">{{ shortDay(one.bookedOn) }}</span><span class="name cut">{{
              one.name || t('bank.notNamed')
            }}</span
            ><span class="text cut soft" :title="one.text">{{ one.reference || one.text }}</span>
            <span class="state"
              ><span class="tag" :class="tone[one.state]">{{ said(`movement/${one.state}`) }}</span></span
            ><span class="total amount">{{ money(one.amount, one.currency) }}</span>
          </template>
          <template #empty
            ><div class="empty">
              <strong>{{ file ? t('bank.noMovementOfThatKind') : t('bank.noBankFileYet') }}</strong>{{
                file ? t('bank.chooseAnotherStateAbove') : t('bank.readAStatementOfYour')
              }}<template v-if="!file && session.house?.mailboxesUrl"
                >{{ ' '
                }}<a :href="`${session.house.mailboxesUrl}/bank`" target="_blank" rel="noopener">{{
                  t('bank.downloadASampleStatement')
                }}</a></template
              >
            </div></template
          >
        </ListPane>
        <RealNotice :what="t('bank.whatIsBookedHereIs')" />
        <footer class="foot-bar">
          <strong v-if="picks.chosen.value.length">{{
            t('common.countPicked', { count: picks.chosen.value.length })
          }}</strong><span v-else class="soft">{{
            t('bank.movementsShown', { movements: plural(list.rows.value.length, 'movement') })
          }}</span>
          <template v-if="may && file?.state === 'ready'">
            <span class="push" />
            <VBtn :href="`/api/bank-files/${file.id}/csv`">{{ t('bank.asCSV') }}</VBtn>
            <VBtn :disabled="busy" data-test="match-again" @click="matchAgain">{{
              t('bank.matchAgain')
            }}</VBtn>
            <VBtn :disabled="busy || aside.length === 0" data-test="set-aside" @click="asking = 'aside'">{{
              t('bank.ignoreAside', { aside: aside.length || '' })
            }}</VBtn>
            <VBtn
              variant="flat"
              class="go"
              :disabled="busy || toBook === 0"
              data-test="book-sure"
              @click="asking = 'book'"
              >{{ t('bank.bookTheToBookMatched', { toBook }) }}</VBtn
            >
          </template>
        </footer>
      </section>
      <aside class="right" :aria-label="t('bank.theMovementInHand')">
        <EntrySheet
          v-if="row"
          :key="`${row.id} ${row.state} ${row.reason}`"
          :entry="row"
          @done="list.reload()"
        />
        <div v-else class="empty">
          <strong>{{ t('bank.noPaymentSelected') }}</strong>{{ t('bank.selectOneToSeeWhat') }}
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
