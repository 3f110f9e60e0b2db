<script setup lang="ts">
import { documentKinds, kindFacts } from '../../../core/documents/kinds'
import type { CustomerRow } from '../../../server/services/customers/customers'
import type { PageOf } from '../../composables/useList'

interface CustomerPage extends PageOf<CustomerRow> { groups: string[] }

const session = useSession()
const { filters, set } = useFilters({ search: '', group: '', trouble: '', wish: '', in: '' })
const list = useList<CustomerRow, CustomerPage>(place => callApi<CustomerPage>('/api/customers', { query: { search: filters.value.search, group: filters.value.group, trouble: filters.value.trouble, wish: filters.value.wish, ...place } }))
const picks = usePicks(list.rows)
const active = ref<number | null>(Number(filters.value.in) || null)
const setting = ref(false)
const listed = computed(() => JSON.stringify([filters.value.search, filters.value.group, filters.value.trouble, filters.value.wish]))

watch(listed, () => void list.restart(), { immediate: true })
watch(list.rows, (rows) => {
  if (rows.length > 0 && !rows.some(one => one.id === active.value)) active.value = rows[0]!.id
})
useLive(['customer'], () => void list.reload())

/** Receipts go the way of invoices as a rule; they are seen in the sheet. */
const shownKinds = documentKinds.filter(kind => !kindFacts[kind].ofPayment)
const columns = [{ key: '', words: 'No.', class: 'number' }, { key: '', words: 'Customer', class: 'name' }, ...shownKinds.map(kind => ({ key: '', words: kindShort(kind), class: 'way' }))]
const groups = computed(() => [{ value: '', words: 'any group' }, ...(list.extra.value?.groups ?? []).map(value => ({ value, words: value }))])
const wishes = [{ value: '', words: 'any wish' }, { value: 'email', words: 'email wished' }, { value: 'paper', words: 'paper wished' }, { value: 'both', words: 'both wished' }, { value: 'nothing', words: 'nothing wished' }]
const troubles = [{ value: '', words: 'reached or not' }, { value: 'true', words: 'who cannot be reached' }]
const wordsOf = (choices: { value: string, words: string }[], value: string) => choices.find(one => one.value === value)?.words ?? value
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
          <span class="sentence soft">of <WordPicker label="Group" :words="wordsOf(groups, filters.group)" :choices="groups" :value="filters.group" @pick="set({ group: $event })" />,
            <WordPicker label="Wish" :words="wordsOf(wishes, filters.wish)" :choices="wishes" :value="filters.wish" @pick="set({ wish: $event })" />,
            <WordPicker label="Trouble" :words="wordsOf(troubles, filters.trouble)" :choices="troubles" :value="filters.trouble" @pick="set({ trouble: $event })" /></span>
          <SearchField class="push" :value="filters.search" label="Name, number, address" @search="set({ search: $event })" />
        </div>
        <div v-if="list.wrong.value" class="notice stuck">{{ list.wrong.value }} <VBtn height="28" @click="list.reload()">Try again</VBtn></div>
        <ColumnHeads :columns="columns" sort="" :descending="false" pickable />
        <RowList v-model:active="active" :rows="list.rows.value" label="Customers" :picked="picks.picked.value" :pickable="session.may('clerk')" :loading="list.first.value" @update:picked="picks.set" @more="list.loadMore()">
          <template #row="{ row }">
            <span class="number mono soft">{{ row.number }}</span>
            <span class="name cut">{{ row.name }} <span class="soft">{{ row.groupName }}</span></span>
            <span v-for="way in row.ways.filter(one => shownKinds.includes(one.kind))" :key="way.kind" class="way cut" :title="way.to">
              <span v-if="way.problem" class="tag stuck">{{ way.problem }}</span><template v-else>{{ way.words }}</template>
            </span>
          </template>
          <template #empty><div class="empty"><strong>No customer of that kind</strong>Widen the sentence above, or clear the search.</div></template>
        </RowList>
        <footer class="foot-bar">
          <strong v-if="picks.chosen.value.length">{{ picks.chosen.value.length }} picked</strong><span v-else class="soft">{{ plural(list.extra.value?.matching ?? 0, 'customer') }}</span>
          <span class="push" />
          <template v-if="picks.chosen.value.length === 0"><VBtn :href="csvHref('/api/customers/csv', { search: filters.search, group: filters.group, trouble: filters.trouble, wish: filters.wish })" data-test="csv">Save as CSV</VBtn><VBtn v-if="session.may('clerk')" to="/imports?of=customers">Import…</VBtn></template>
          <VBtn v-if="session.may('clerk') && picks.chosen.value.length" variant="flat" class="go" data-test="set-wishes" @click="setting = true">Set wishes of {{ picks.chosen.value.length }}…</VBtn>
        </footer>
      </section>
      <aside class="right" aria-label="The customer in hand">
        <CustomerSheet v-if="active" :id="active" :key="active" />
        <div v-else class="empty"><strong>No customer in hand</strong>Choose a row to see how papers reach them.</div>
      </aside>
    </div>
    <ManyWishes v-model="setting" :customers="picks.chosen.value" :kinds="documentKinds.map(kind => ({ value: kind, words: kindFacts[kind].many }))" @done="picks.clear()" />
  </div>
</template>

<style scoped>
.title { font-size: 16px; }
:deep(.number) { flex: 0 0 56px; }
:deep(.name) { flex: 1 1 190px; }
:deep(.way) { flex: 0 1 178px; color: var(--soft-ink); }
</style>
