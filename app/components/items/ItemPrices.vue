<script setup lang="ts">
import { t } from '../../words'
import FormField from '../fields/FormField.vue'
import PickField from '../fields/PickField.vue'
import { useSession } from '../../stores/session'
import { fetchDefaults } from '../../calls/customers'
import type { ItemRow } from '../../contract'

/** Other prices of an item: in another currency, for a group of customers. */
const prices = defineModel<ItemRow['prices']>({ required: true })
defineProps<{ wrongs: Record<string, string> }>()
const { company } = useSession().house!
const currencies = Intl.supportedValuesOf('currency')
const groups = shallowRef<string[]>([])
onMounted(async () => {
  groups.value = (await fetchDefaults()).groups.map(({ name }) => name)
})
const add = () => prices.value.push({ currency: company.currency, groupName: '', price: '' })
</script>

<template>
  <h3>{{ t('items.otherPrices') }}</h3>
  <div v-for="(one, index) in prices" :key="index" class="price">
    <PickField
      v-model="one.groupName"
      :label="t('common.for')"
      :choices="groups"
      :hint="t('items.emptyEveryCustomer')"
      :data-test="`price-group-${index + 1}`"
    />
    <PickField
      v-model="one.currency"
      :label="t('common.currency')"
      :choices="currencies"
      :wrong="wrongs[`prices.${index}.currency`]"
    />
    <FormField
      v-model="one.price"
      :label="t('common.price')"
      mono
      inputmode="decimal"
      :data-test="`other-price-${index + 1}`"
      :wrong="wrongs[`prices.${index}.price`]"
    />
    <button
      type="button"
      class="remove"
      :aria-label="t('items.takePriceIndexAway', { index: index + 1 })"
      @click="prices.splice(index, 1)"
    >
      ×
    </button>
  </div>
  <button type="button" class="word open-end" data-test="add-price" @click="add">
    {{ t('items.price') }}
  </button>
</template>

<style scoped>
h3 {
  margin: 16px 0 4px;
}
.price {
  display: grid;
  grid-template-columns: 1.4fr 1fr 1fr 24px;
  gap: 10px;
  align-items: start;
  margin-bottom: 6px;
}
.remove {
  border: 0;
  background: none;
  font-size: var(--title);
  color: var(--soft-ink);
  cursor: pointer;
  margin-top: 20px;
}
</style>
