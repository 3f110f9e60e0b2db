<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import { kindWords } from '../../composables/kinds'
import CustomerDialog from '../../components/customers/CustomerDialog.vue'
import CustomerSheet from '../../components/customers/CustomerSheet.vue'
import ListPane from '../../components/list/ListPane.vue'
import ManyPreferences from '../../components/customers/ManyPreferences.vue'
import SavedFilters from '../../components/list/SavedFilters.vue'
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
const { filters, set, standard } = useFilters({
  search: '',
  group: '',
  trouble: '',
  preference: '',
  in: '',
  sort: 'name',
  down: 'no',
})
/** What a saved filter keeps. */
const narrowing = ['search', 'group', 'trouble', 'preference'] as const
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
  useToasts().say(t('customers.nameIsCustomerNumber', { name, number }))
}

watch(
  () => JSON.stringify(asked.value),
  () => void list.restart(),
  { immediate: true },
)
useLive(['customer'], () => void list.reload())

/** Receipts go the way of invoices as a rule, and slips lie in the box; they are seen in the sheet. */
const shownKinds = documentKinds.filter(
  (kind) => !['money', 'shipment'].includes(kindFacts[kind].content) && !kindFacts[kind].isUpdate,
)
const columns: ListColumn[] = [
  { key: 'number', words: t('customers.no'), width: 56 },
  { key: 'name', words: t('common.customer'), width: '7fr' },
  ...shownKinds.map((kind) => ({ words: kindShort(kind), width: '4fr' as const })),
]
const groups = computed(() => [
  { value: '', words: t('customers.anyGroup') },
  ...(list.extra.value?.groups ?? []).map((value) => ({ value, words: value })),
])
const preferences = [
  { value: '', words: t('customers.anyDelivery') },
  { value: 'email', words: t('customers.emailWished') },
  { value: 'paper', words: t('customers.onPaper') },
  { value: 'both', words: t('customers.bothWished') },
  { value: 'nothing', words: t('customers.nothingWished') },
]
const troubles = [
  { value: '', words: t('customers.withOrWithoutAnAddress') },
  { value: 'true', words: t('customers.whoCannotBeReached') },
]
useMainKey(() => {
  if (session.may('clerk') && picks.chosen.value.length) setting.value = true
})
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" :aria-label="t('common.customers')">
        <div class="bar">
          <h1 class="title">{{ t('common.customers') }}</h1>
          <span class="sentence soft"
            ><I18nT keypath="customers.ofGroupDeliveryTrouble" scope="global"
              ><template #group
                ><WordPicker
                  :label="t('customers.group')"
                  :choices="groups"
                  :value="filters.group"
                  @pick="set({ group: $event })" /></template
              ><template #delivery
                ><WordPicker
                  :label="t('customers.delivery')"
                  :choices="preferences"
                  :value="filters.preference"
                  @pick="set({ preference: $event })" /></template
              ><template #trouble
                ><WordPicker
                  :label="t('customers.trouble')"
                  :choices="troubles"
                  :value="filters.trouble"
                  @pick="set({ trouble: $event })" /></template></I18nT
          ></span>
          <SavedFilters
            page="customers"
            :filters="filters"
            :standard="standard"
            :names="narrowing"
            @set="set($event)"
          />
          <SearchField
            class="push"
            :value="filters.search"
            :label="t('common.nameNumberAddress')"
            @search="set({ search: $event })"
          />
        </div>
        <ListPane
          v-model:active="active"
          :list="list"
          :columns="columns"
          :label="t('common.customers')"
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
              <span v-if="way.problem" class="tag stuck">{{ saidWords(way.problem) }}</span><template
                v-else
                >{{ saidWords(way.wish) }}</template
              >
            </span>
          </template>
          <template #empty
            ><div class="empty">
              <template v-if="isFiltered"
                ><strong>{{ t('customers.noCustomerOfThatKind') }}</strong
                >{{ t('customers.widenTheSentenceAboveOr') }}</template
              ><template v-else
                ><strong>{{ t('customers.noCustomersYet') }}</strong
                >{{ t('customers.addTheFirstOneOr') }}</template
              >
            </div></template
          >
        </ListPane>
        <footer class="foot-bar">
          <strong v-if="picks.chosen.value.length">{{
            t('common.countPicked', { count: picks.chosen.value.length })
          }}</strong><span v-else class="soft">{{
            plural(list.extra.value?.matching ?? 0, 'customer')
          }}</span>
          <span class="push" />
          <template v-if="picks.chosen.value.length === 0"
            ><VBtn to="/customers/addresses" data-test="to-check">{{ t('customers.addressesToCheck') }}</VBtn
            ><VBtn :href="csvHref('/api/customers/csv', asked)" data-test="csv">{{
              t('common.saveAsCSV')
            }}</VBtn
            ><VBtn v-if="session.may('clerk')" to="/imports?of=customers">{{ t('common.import') }}</VBtn
            ><VBtn
              v-if="session.may('clerk')"
              variant="flat"
              class="go"
              data-test="add-customer"
              @click="adding = true"
              >{{ t('customers.addCustomer') }}</VBtn
            ></template
          >
          <VBtn
            v-if="session.may('clerk') && picks.chosen.value.length"
            variant="flat"
            class="go"
            data-test="set-wishes"
            @click="setting = true"
            >{{ t('customers.setDeliveryOfCount', { count: picks.chosen.value.length }) }}</VBtn
          >
        </footer>
      </section>
      <aside class="right" :aria-label="t('customers.theCustomerInHand')">
        <CustomerSheet v-if="active" :id="active" :key="active" />
        <div v-else class="empty">
          <strong>{{ t('customers.noCustomerSelected') }}</strong>{{ t('customers.selectOneToSeeHow') }}
        </div>
      </aside>
    </div>
    <CustomerDialog v-if="adding" @leave="adding = false" @added="added" />
    <ManyPreferences
      v-model="setting"
      :customers="picks.chosen.value"
      :kinds="documentKinds.map((kind) => ({ value: kind, words: kindWords(kind, 'many') }))"
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
