<script setup lang="ts">
import { t } from '../words'
import ItemDialog from '../components/items/ItemDialog.vue'
import ListPane from '../components/list/ListPane.vue'
import SearchField from '../components/list/SearchField.vue'
import { useSession } from '../stores/session'
import { useFilters } from '../composables/useFilters'
import { useList } from '../composables/useList'
import { useLive } from '../composables/useLive'
import { api, attempt, csvHref } from '../composables/api'
import { fetchItem } from '../calls/items'
import { moneyWithSign, plural } from '../composables/format'
import type { ItemRow } from '../contract'
import type { PageOf } from '../composables/useList'
import type { ListColumn } from '../components/list/ColumnHeads.vue'

/** What is sold, with its price and VAT. A change holds from the next order line on. */
const session = useSession()
const { company } = session.house!
const { filters, set } = useFilters({ search: '' })
const list = useList<ItemRow, PageOf<ItemRow>>((place) =>
  api.get('/api/items', { query: { search: filters.value.search, ...place } }),
)
watch(filters, () => void list.restart(), { immediate: true })
useLive(['item', 'import'], () => void list.reload())
const active = ref<number | null>(null)
const editing = shallowRef<ItemRow | 'new'>()
/** As it is saved now: its row may be from before. */
const open = (id: number) =>
  attempt(async () => {
    if (session.may('clerk')) editing.value = await fetchItem(id)
  })
const nameOf = ({ names }: ItemRow) => names[company.language] || names.en || names.de || names.fr || ''
const columns: ListColumn[] = [
  { words: t('common.item'), width: 130 },
  { words: t('common.name'), width: '4fr' },
  { words: t('items.unit'), width: 80 },
  { words: t('common.vat'), width: 90 },
  { words: t('common.price'), width: 130, right: true },
]
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" :aria-label="t('common.items')">
        <div class="bar">
          <h1 class="title">{{ t('common.items') }}</h1>
          <SearchField
            class="push"
            :value="filters.search"
            :label="t('items.numberName')"
            @search="set({ search: $event })"
          />
        </div>
        <ListPane
          v-model:active="active"
          :list="list"
          :columns="columns"
          :label="t('common.items')"
          @open="open"
        >
          <template #row="{ row }">
            <span class="link number mono" @click.stop="open(row.id)">{{ row.code }}</span>
            <span class="name cut"
              >{{ nameOf(row) }}
              <img v-if="row.pictureAt" class="item-picture" :src="row.pictureAt" alt="" loading="lazy"
            /></span>
            <span class="soft">{{ row.unit }}</span>
            <span class="soft">{{ company.taxRates[row.taxCode] ?? '?' }} %</span>
            <span class="amount">{{ moneyWithSign(row.price, company.currency) }}</span>
          </template>
          <template #empty
            ><div class="empty">
              <template v-if="filters.search"
                ><strong>{{ t('items.noItemOfThatName') }}</strong
                >{{ t('items.clearTheSearchToSee') }}</template
              ><template v-else
                ><strong>{{ t('items.noItemsYet') }}</strong
                >{{ t('items.whatYouSellAppearsHere') }}</template
              >
            </div></template
          >
        </ListPane>
        <footer class="foot-bar">
          <span class="soft">{{ plural(list.extra.value?.matching ?? 0, 'item') }}</span>
          <span class="push" />
          <VBtn :href="csvHref('/api/items/csv', { search: filters.search })" data-test="csv">{{
            t('common.saveAsCSV')
          }}</VBtn>
          <template v-if="session.may('clerk')"
            ><VBtn to="/imports?of=items">{{ t('common.import') }}</VBtn
            ><VBtn variant="flat" class="go" data-test="add-item" @click="editing = 'new'">{{
              t('items.addItem')
            }}</VBtn></template
          >
        </footer>
      </section>
    </div>
    <ItemDialog
      v-if="editing"
      :item="editing === 'new' ? undefined : editing"
      @leave="editing = undefined"
      @kept="list.reload()"
    />
  </div>
</template>

<style scoped>
.title {
  font-size: var(--title);
}
.link {
  cursor: pointer;
}
.link:hover {
  text-decoration: underline;
}
</style>
