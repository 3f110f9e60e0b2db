<script setup lang="ts">
import { t } from '../../words'
import FormField from '../fields/FormField.vue'
import { moneyWithSign } from '../../composables/format'
import type { TakenOverView } from '../../contract'

/** What came over of each customer, found by number or name. */
const props = defineProps<{ customers: TakenOverView['customers'] }>()
const search = ref('')
const most = 300
const found = computed(() =>
  props.customers.filter((one) =>
    `${one.number} ${one.name}`.toLowerCase().includes(search.value.trim().toLowerCase()),
  ),
)
</script>

<template>
  <h2>{{ t('accounts.byCustomer') }}</h2>
  <FormField
    v-model="search"
    :aria-label="t('common.customer')"
    :placeholder="t('accounts.numberOrName')"
    class="search"
  />
  <table class="plain-table" data-test="by-customer">
    <thead>
      <tr>
        <th>{{ t('common.number') }}</th>
        <th>{{ t('common.customer') }}</th>
        <th class="right">{{ t('common.items') }}</th>
        <th class="right">{{ t('common.sum') }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="one in found.slice(0, most)" :key="`${one.id} ${one.currency}`">
        <td class="mono soft">{{ one.number }}</td>
        <td>
          <NuxtLink :to="`/accounts?customer=${one.id}`">{{ one.name }}</NuxtLink>
        </td>
        <td class="right mono">{{ one.count }}</td>
        <td class="right mono">{{ moneyWithSign(one.sum, one.currency) }}</td>
      </tr>
    </tbody>
  </table>
  <p v-if="found.length > most" class="soft">
    {{ t('accounts.mostOfCountAreShown', { most, count: found.length }) }}
  </p>
</template>

<style scoped>
table {
  margin-top: 10px;
}
td {
  white-space: nowrap;
}
</style>

<style scoped>
h2 {
  margin: 20px 0 4px;
}
.search {
  max-width: 280px;
}
</style>
