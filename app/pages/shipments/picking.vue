<script setup lang="ts">
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import { attempt } from '../../composables/api'
import { fetchPicking } from '../../calls/shipments'
import { longDay, houseToday, plural } from '../../composables/format'
import { formatQuantity } from '../../../core/money/format'
import type { PickingList } from '../../contract'

/** A walk through the warehouse for many orders, to be printed: each item once, by its place. */
const route = useRoute()
const orderIds = computed(() =>
  String(route.query.orders ?? '')
    .split(',')
    .map(Number)
    .filter((id) => Number.isInteger(id) && id > 0),
)
const list = shallowRef<PickingList>()
watch(
  orderIds,
  (ids) =>
    ids.length > 0 &&
    attempt(async () => {
      list.value = await fetchPicking(ids)
    }),
  { immediate: true },
)
const print = () => window.print()
</script>

<template>
  <div class="page">
    <section class="left" :aria-label="t('shipping.pickingList')">
      <div class="bar">
        <NuxtLink to="/orders" class="soft no-print">{{ t('orders.orders') }}</NuxtLink>
        <h1 class="title">{{ t('shipping.pickingListOf', { day: longDay(houseToday()) }) }}</h1>
        <span v-if="list" class="soft">{{ plural(list.orders.length, 'order') }}</span>
        <VBtn class="push no-print" variant="flat" :disabled="!list?.picks.length" @click="print">{{
          t('shipping.printIt')
        }}</VBtn>
      </div>
      <div v-if="orderIds.length === 0" class="empty">
        <strong>{{ t('shipping.noOrdersChosen') }}</strong>{{ t('shipping.chooseOrdersFirst') }}
        <NuxtLink to="/orders">{{ t('orders.orders') }}</NuxtLink>
      </div>
      <div v-else-if="list" class="body">
        <p v-for="one in list.leftOut" :key="one.number" class="notice wait">
          {{ t('shipping.leftOut', { order: one.number, reason: saidWords(one.reason) }) }}
        </p>
        <table v-if="list.picks.length" class="plain-table">
          <thead>
            <tr>
              <th>{{ t('shipping.place') }}</th>
              <th class="num">{{ t('orders.qty') }}</th>
              <th>{{ t('common.item') }}</th>
              <th class="wide">{{ t('orders.description') }}</th>
              <th>{{ t('shipping.forOrders') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(pick, place) in list.picks" :key="place">
              <td class="mono">{{ pick.place || '–' }}</td>
              <td class="num mono">
                <strong>{{ formatQuantity(pick.quantity, 'en') }}</strong> {{ pick.unit }}
              </td>
              <td class="mono">{{ pick.item }}</td>
              <td class="wide">
                {{ pick.description }} <span v-if="pick.detail" class="soft">{{ pick.detail }}</span>
              </td>
              <td class="mono small">
                {{
                  pick.orders
                    .map(({ order, quantity }) => `${order}: ${formatQuantity(quantity, 'en')}`)
                    .join(' · ')
                }}
              </td>
            </tr>
          </tbody>
        </table>
      </div>
    </section>
  </div>
</template>

<style scoped>
.title {
  font-size: var(--title);
}
.left {
  flex: 1;
  display: flex;
  flex-direction: column;
  min-height: 0;
  background: var(--paper);
}
.body {
  flex: 1;
  overflow: auto;
  padding: 12px 14px;
}
table {
  --cell: 6px 10px;
  width: 100%;
  white-space: nowrap;
}
td {
  vertical-align: top;
}
.wide {
  white-space: normal;
}
.num {
  text-align: right;
}
.small {
  font-size: var(--small);
  white-space: normal;
}
@media print {
  .no-print {
    display: none;
  }
  .body {
    overflow: visible;
  }
}
</style>
<style>
/* on paper there is nothing around the list, and all of it is there */
@media print {
  .head,
  .foot,
  .skip {
    display: none !important;
  }
  html,
  body,
  #__nuxt,
  #main,
  .page,
  .left {
    display: block !important;
    height: auto !important;
    overflow: visible !important;
  }
}
</style>
