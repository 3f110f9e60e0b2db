<script setup lang="ts">
import Ask from '../frame/Ask.vue'
import ChangedMeanwhile from '../frame/ChangedMeanwhile.vue'
import FormField from '../fields/FormField.vue'
import ItemCodes from './ItemCodes.vue'
import ItemOptions from './ItemOptions.vue'
import ItemPrices from './ItemPrices.vue'
import OwnFields from '../fields/OwnFields.vue'
import PickField from '../fields/PickField.vue'
import SelectField from '../fields/SelectField.vue'
import { useMeanwhile } from '../../composables/useMeanwhile'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useWrongs } from '../../composables/useWrongs'
import { languageChoices } from '../../composables/languages'
import { addItem, changeItem, fetchItem } from '../../calls/items'
import { countryName, countryNames } from '../../../core/countries'
import { valuesOf } from '../../../core/items/options'
import type { ItemRow } from '../../contract'

/** Adds an item, or changes one: what it is called, what it costs whom, and what customs and the store ask. */
const props = defineProps<{ item: ItemRow | undefined }>()
const emit = defineEmits<{ leave: []; kept: [] }>()
const { company } = useSession().house!
const rates = Object.entries(company.taxRates)
  .sort(([, a], [, b]) => Number(b) - Number(a))
  .map(([value, rate]) => ({ value, words: `${value}, ${rate} %` }))
const formOf = (item: ItemRow | undefined) => ({
  code: item?.code ?? '',
  names: { en: '', de: '', fr: '', ...item?.names },
  unit: item?.unit ?? '',
  units: { en: '', de: '', fr: '', ...item?.units },
  price: item?.price ?? '',
  taxCode: item?.taxCode ?? rates[0]?.value ?? '',
  gtin: item?.gtin ?? '',
  weight: item?.weight ?? '',
  size: item?.size ?? '',
  commodityCode: item?.commodityCode ?? '',
  origin: item?.origin ? countryName(item.origin) : '',
  place: item?.place ?? '',
  category: item?.category ?? '',
  fields: { ...item?.fields },
  options: (item?.options ?? []).map(({ name, values }) => ({ name, values: values.join(', ') })),
  prices: structuredClone(toRaw(item?.prices ?? [])),
  customerCodes: structuredClone(toRaw(item?.customerCodes ?? [])),
})
const form = reactive(formOf(props.item))
/** The company's language first: its name is needed. */
const shown = [...languageChoices].sort(
  (a, b) => Number(b.value === company.language) - Number(a.value === company.language),
)
const { busy, wrong, wrongs, acting } = useWrongs(Object.keys(form))
const { base, changed, saving, takeTheirs, keepMine } = useMeanwhile({
  form,
  opened: props.item ?? { ...({} as ItemRow), version: 1 },
  formOf,
  read: () => fetchItem(props.item!.id),
  labels: {
    code: 'Item number',
    names: 'Names',
    price: 'Price',
    unit: 'Unit',
    units: 'Unit in other languages',
    taxCode: 'VAT',
    gtin: 'GTIN',
    weight: 'Weight',
    size: 'Size',
    commodityCode: 'Commodity code',
    origin: 'Country of origin',
    place: 'Place',
    category: 'Category',
    fields: 'Own fields',
    options: 'What a buyer chooses',
    prices: 'Other prices',
    customerCodes: 'Customers’ numbers',
  },
})
const filled = <Value extends Record<string, string>>(of: Value) =>
  Object.fromEntries(Object.entries(of).filter(([, text]) => text.trim()))
async function keep() {
  const body = {
    ...form,
    names: filled(form.names),
    units: filled(form.units),
    weight: form.weight.trim() || null,
    options: form.options
      .map(({ name, values }) => ({ name: name.trim(), values: valuesOf(values) }))
      .filter(({ name, values }) => name || values.length),
    prices: form.prices.filter((one) => one.price.trim()),
    customerCodes: form.customerCodes.map(({ customerId, code }) => ({ customerId, code })),
  }
  const done = await acting(() =>
    saving(() =>
      props.item ? changeItem(props.item.id, { ...body, version: base.value.version }) : addItem(body),
    ),
  )
  if (!done || changed.value.length > 0) return
  useToasts().say(props.item ? `${form.code} is saved.` : `${form.code} is added.`)
  emit('kept')
  emit('leave')
}
const more = ref(
  Boolean(
    props.item &&
    (props.item.gtin ||
      props.item.weight ||
      props.item.commodityCode ||
      props.item.category ||
      props.item.options.length ||
      props.item.prices.length ||
      props.item.customerCodes.length),
  ),
)
</script>

<template>
  <Ask
    :model-value="true"
    wide
    :title="item ? `Item ${item.code}` : 'Add item'"
    :go="item ? 'Save' : 'Add item'"
    :busy="busy"
    :disabled="changed.length > 0"
    @update:model-value="emit('leave')"
    @go="keep"
  >
    <ChangedMeanwhile v-if="changed.length" :fields="changed" @theirs="takeTheirs" @mine="keepMine" />
    <div class="two-columns">
      <FormField
        v-model="form.code"
        label="Item number"
        mono
        hint="It stands on documents, for example HB-10."
        data-test="item-code"
        :wrong="wrongs.code"
      />
      <FormField
        v-for="(one, place) in shown"
        :key="one.value"
        v-model="form.names[one.value]"
        :label="`Name in ${one.words}`"
        :placeholder="place === 0 ? '' : 'as in the company’s language'"
        :data-test="`item-name-${one.value}`"
        :wrong="wrongs[`names.${one.value}`]"
      />
      <FormField
        v-model="form.price"
        :label="`Price in ${company.currency}`"
        mono
        inputmode="decimal"
        placeholder="12.50"
        data-test="item-price"
        :wrong="wrongs.price"
      />
      <FormField v-model="form.unit" label="Unit" hint="For example pcs, kg, h." :wrong="wrongs.unit" />
      <SelectField v-model="form.taxCode" label="VAT" :choices="rates" />
      <FormField v-model="form.category" label="Category" :wrong="wrongs.category" />
      <OwnFields v-model="form.fields" of="item" :wrongs="wrongs" />
    </div>
    <button v-if="!more" type="button" class="word open-end" data-test="item-more" @click="more = true">
      + choices, other prices, customers’ numbers, GTIN, weight, customs
    </button>
    <template v-else>
      <ItemOptions v-model="form.options" :wrongs="wrongs" />
      <ItemPrices v-model="form.prices" :wrongs="wrongs" />
      <ItemCodes v-model="form.customerCodes" :wrongs="wrongs" />
      <h3>Store and customs</h3>
      <div class="two-columns">
        <FormField
          v-model="form.gtin"
          label="GTIN"
          mono
          hint="8, 12, 13 or 14 digits, as under the bar code."
          data-test="item-gtin"
          :wrong="wrongs.gtin"
        />
        <FormField v-model="form.commodityCode" label="Commodity code" mono :wrong="wrongs.commodityCode" />
        <FormField
          v-model="form.weight"
          label="Weight in kg"
          mono
          inputmode="decimal"
          placeholder="1.25"
          :wrong="wrongs.weight"
        />
        <PickField
          v-model="form.origin"
          label="Country of origin"
          :choices="countryNames"
          :wrong="wrongs.origin"
        />
        <FormField v-model="form.size" label="Size" placeholder="60 × 40 × 30 cm" :wrong="wrongs.size" />
        <FormField v-model="form.place" label="Place in the store" :wrong="wrongs.place" />
        <FormField
          v-for="one in shown.filter(({ value }) => value !== company.language)"
          :key="one.value"
          v-model="form.units[one.value]"
          :label="`Unit in ${one.words}`"
          :placeholder="form.unit"
        />
      </div>
    </template>
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
  </Ask>
</template>

<style scoped>
.notice {
  margin: 12px 0 0;
}
.open-end {
  margin-top: 12px;
}
h3 {
  margin: 16px 0 4px;
}
</style>
