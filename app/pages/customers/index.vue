<script setup lang="ts">
import CustomerDialog from '../../components/customers/CustomerDialog.vue'
import CustomerSheet from '../../components/customers/CustomerSheet.vue'
import ListPane from '../../components/list/ListPane.vue'
import ManyPreferences from '../../components/customers/ManyPreferences.vue'
import SearchField from '../../components/list/SearchField.vue'
import WordPicker from '../../components/list/WordPicker.vue'
import { useToasts } from '../../stores/toasts'
import { useSession } from '../../stores/session'
import { useFilters } from '../../composables/useFilters'
import { useList } from '../../composables/useList'
import { api, csvHref } from '../../composables/api'
import { usePicks } from '../../composables/usePicks'
import { useHand } from '../../composables/useHand'
import { useLive } from '../../composables/useLive'
import { kindShort, plural } from '../../composables/format'
import { useMainKey } from '../../composables/useMainKey'
import { documentKinds, kindFacts } from '../../../core/documents/kinds'
import type { CustomerRow } from '../../contract'
import type { PageOf } from '../../composables/useList'
import type { ListColumn } from '../../components/list/ColumnHeads.vue'

interface CustomerPage extends PageOf<CustomerRow> {
  groups: string[]
}

const session = useSession()
const { filters, set } = useFilters({
  search: '',
  group: '',
  trouble: '',
  preference: '',
  in: '',
  sort: 'name',
  down: 'no',
})
const asked = computed(() => ({
  search: filters.value.search,
  group: filters.value.group,
  trouble: filters.value.trouble,
  preference: filters.value.preference,
  sort: filters.value.sort,
  descending: String(filters.value.down === 'yes'),
}))
const list = useList<CustomerRow, CustomerPage>((place) =>
  api.get('/api/customers', { query: { ...asked.value, ...place } }),
)
const isFiltered = computed(() =>
  Boolean(filters.value.search || filters.value.group || filters.value.trouble || filters.value.preference),
)
const picks = usePicks(list.rows)
const { active } = useHand(list.rows, Number(filters.value.in) || null)
const setting = ref(false)
const adding = ref(false)
const route = useRoute()
watch(
  () => route.query.new,
  (asked) => {
    if (asked && session.may('clerk')) adding.value = true
  },
  { immediate: true },
)
async function added({ id, number, name }: { id: number; number: string; name: string }) {
  await list.restart()
  active.value = id
  useToasts().say(`${name} is customer ${number}.`)
}

watch(
  () => JSON.stringify(asked.value),
  () => void list.restart(),
  { immediate: true },
)
useLive(['customer'], () => void list.reload())

/** Receipts go the way of invoices as a rule; they are seen in the sheet. */
const shownKinds = documentKinds.filter((kind) => kindFacts[kind].content !== 'money')
const columns: ListColumn[] = [
  { key: 'number', words: 'No.', width: 56 },
  { key: 'name', words: 'Customer', width: '7fr' },
  ...shownKinds.map((kind) => ({ words: kindShort(kind), width: '4fr' as const })),
]
const groups = computed(() => [
  { value: '', words: 'any group' },
  ...(list.extra.value?.groups ?? []).map((value) => ({ value, words: value })),
])
const preferences = [
  { value: '', words: 'any delivery' },
  { value: 'email', words: 'email wished' },
  { value: 'paper', words: 'on paper' },
  { value: 'both', words: 'both wished' },
  { value: 'nothing', words: 'nothing wished' },
]
const troubles = [
  { value: '', words: 'with or without an address' },
  { value: 'true', words: 'who cannot be reached' },
]
useMainKey(() => {
  if (session.may('clerk') && picks.chosen.value.length) setting.value = true
})
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" aria-label="Customers">
        <div class="bar">
          <h1 class="title">Customers</h1>
          <span class="sentence soft"
            >of
            <WordPicker
              label="Group"
              :choices="groups"
              :value="filters.group"
              @pick="set({ group: $event })" />,
            <WordPicker
              label="Delivery"
              :choices="preferences"
              :value="filters.preference"
              @pick="set({ preference: $event })" />,
            <WordPicker
              label="Trouble"
              :choices="troubles"
              :value="filters.trouble"
              @pick="set({ trouble: $event })"
          /></span>
          <SearchField
            class="push"
            :value="filters.search"
            label="Name, number, address"
            @search="set({ search: $event })"
          />
        </div>
        <ListPane
          v-model:active="active"
          :list="list"
          :columns="columns"
          label="Customers"
          :picks="session.may('clerk') ? picks : null"
          :sort="filters.sort"
          :descending="filters.down === 'yes'"
          @sort="(key, down) => set({ sort: key, down: down ? 'yes' : 'no' })"
        >
          <template #row="{ row }">
            <span class="number mono soft">{{ row.number }}</span>
            <span class="name cut"
              >{{ row.name }} <span class="soft">{{ row.groupName }}</span></span
            >
            <span
              v-for="way in row.ways.filter((one) => shownKinds.includes(one.kind))"
              :key="way.kind"
              class="way cut"
              :title="way.to"
            >
              <span v-if="way.problem" class="tag stuck">{{ way.problem }}</span><template v-else>{{
                way.words
              }}</template>
            </span>
          </template>
          <template #empty
            ><div class="empty">
              <template v-if="isFiltered"
                ><strong>No customer of that kind</strong>Widen the sentence above, or clear the
                search.</template
              ><template v-else
                ><strong>No customers yet</strong>Add the first one, or import them from your old
                program.</template
              >
            </div></template
          >
        </ListPane>
        <footer class="foot-bar">
          <strong v-if="picks.chosen.value.length">{{ picks.chosen.value.length }} picked</strong
          ><span v-else class="soft">{{ plural(list.extra.value?.matching ?? 0, 'customer') }}</span>
          <span class="push" />
          <template v-if="picks.chosen.value.length === 0"
            ><VBtn to="/customers/addresses" data-test="to-check">Addresses to check</VBtn
            ><VBtn :href="csvHref('/api/customers/csv', asked)" data-test="csv">Save as CSV</VBtn
            ><VBtn v-if="session.may('clerk')" to="/imports?of=customers">Import…</VBtn
            ><VBtn
              v-if="session.may('clerk')"
              variant="flat"
              class="go"
              data-test="add-customer"
              @click="adding = true"
              >Add customer</VBtn
            ></template
          >
          <VBtn
            v-if="session.may('clerk') && picks.chosen.value.length"
            variant="flat"
            class="go"
            data-test="set-wishes"
            @click="setting = true"
            >Set delivery of {{ picks.chosen.value.length }}…</VBtn
          >
        </footer>
      </section>
      <aside class="right" aria-label="The customer in hand">
        <CustomerSheet v-if="active" :id="active" :key="active" />
        <div v-else class="empty">
          <strong>No customer selected</strong>Select one to see how documents reach them.
        </div>
      </aside>
    </div>
    <CustomerDialog v-if="adding" @leave="adding = false" @added="added" />
    <ManyPreferences
      v-model="setting"
      :customers="picks.chosen.value"
      :kinds="documentKinds.map((kind) => ({ value: kind, words: kindFacts[kind].many }))"
      @done="picks.clear()"
    />
  </div>
</template>

<style scoped>
.title {
  font-size: var(--title);
}
.way {
  color: var(--soft-ink);
}
</style>
