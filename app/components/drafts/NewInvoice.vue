<script setup lang="ts">
import { t } from '../../words'
import { I18nT } from 'vue-i18n'
import { watchDebounced } from '@vueuse/core'
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import WordPicker from '../list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { attempt } from '../../composables/api'
import { useNewest } from '../../composables/useNewest'
import { searchCustomers } from '../../calls/customers'
import { fetchBrands } from '../../calls/brands'
import { beginInvoice } from '../../calls/drafts'
import type { CustomerRow } from '../../contract'

/** Begins an invoice without an order: for which customer, of which brand. */
const open = defineModel<boolean>({ required: true })
const session = useSession()
const search = ref('')
const found = shallowRef<CustomerRow[]>([])
const chosen = ref<CustomerRow>()
const brandId = ref('')
const busy = ref(false)
const brands = shallowRef<{ id: number; name: string }[]>([])

watchDebounced(search, look, { debounce: 150 })
const newest = useNewest()
async function look() {
  const answer = await newest(() => searchCustomers({ search: search.value, limit: 7 }))
  if (!answer) return
  found.value = answer.rows
  if (!found.value.some((one) => one.id === chosen.value?.id))
    chosen.value = found.value.length === 1 ? found.value[0] : undefined
}
watch(
  open,
  async (now) => {
    if (!now) return
    brands.value = (await fetchBrands({ kind: 'invoice' })).filter((brand) => !brand.retired)
    brandId.value ||= String(brands.value[0]?.id ?? '')
    await look()
  },
  { immediate: true },
)

async function begin() {
  if (!chosen.value) return
  busy.value = true
  await attempt(async () => {
    const { draftId } = await beginInvoice({ customerId: chosen.value!.id, brandId: Number(brandId.value) })
    open.value = false
    await navigateTo(`/drafts/${draftId}`)
  })
  busy.value = false
}
const brandChoices = computed(() =>
  brands.value.map((brand) => ({ value: String(brand.id), words: brand.name })),
)
</script>

<template>
  <Ask
    v-model="open"
    :title="t('drafts.writeAnInvoice')"
    :go="t('common.beginTheDraft')"
    :busy="busy"
    :disabled="!chosen || !brandId || !session.may('clerk')"
    @go="begin"
  >
    <FormField
      v-model="search"
      :label="t('drafts.toWhichCustomer')"
      :placeholder="t('common.nameNumberAddress')"
      data-test="customer-search"
    />
    <ul role="radiogroup" :aria-label="t('common.customers')">
      <li v-for="one in found" :key="one.id">
        <label
          ><input v-model="chosen" type="radio" name="customer" :value="one" />
          <span class="mono soft">{{ one.number }}</span> {{ one.name }}
          <span class="soft">{{ one.currency }}</span></label
        >
      </li>
      <li v-if="found.length === 0" class="soft">{{ t('common.noCustomerOfThatName') }}</li>
    </ul>
    <p class="sentence">
      <I18nT keypath="drafts.itIsOfBrand" scope="global"
        ><template #brand
          ><WordPicker
            :label="t('common.brand')"
            :words="brandChoices.find((one) => one.value === brandId)?.words ?? t('drafts.aBrand')"
            :choices="brandChoices"
            :value="brandId"
            @pick="brandId = $event" /></template
      ></I18nT>
    </p>
  </Ask>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 8px 0;
  min-height: 190px;
}
li label {
  display: flex;
  gap: 8px;
  align-items: baseline;
  padding: 4px 2px;
  cursor: pointer;
}
.sentence {
  white-space: normal;
  margin: 0;
}
</style>
