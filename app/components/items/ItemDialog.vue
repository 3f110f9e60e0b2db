<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import ChangedMeanwhile from '../frame/ChangedMeanwhile.vue'
import FormField from '../fields/FormField.vue'
import ItemCodes from './ItemCodes.vue'
import HungFiles from '../enclosures/HungFiles.vue'
import ItemOptions from './ItemOptions.vue'
import ItemPicture from './ItemPicture.vue'
import ItemPrices from './ItemPrices.vue'
import OwnFields from '../fields/OwnFields.vue'
import PickField from '../fields/PickField.vue'
import SelectField from '../fields/SelectField.vue'
import { inWords, useMeanwhile } from '../../composables/useMeanwhile'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useWrongs } from '../../composables/useWrongs'
import { languageChoices } from '../../composables/languages'
import { addItem, changeItem, fetchItem } from '../../calls/items'
import { countryName, countryNames } from '../../../core/countries'
import { optionForm, keptOptions, type OptionForm } from './option-form'
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
  options: (item?.options ?? []).map(optionForm),
  picture: item?.pictureAt ?? '',
  prices: structuredClone(toRaw(item?.prices ?? [])),
  customerCodes: structuredClone(toRaw(item?.customerCodes ?? [])),
})
const form = reactive(formOf(props.item))
/** The company's language first: its name is needed. */
const shown = [...languageChoices].sort(
  (a, b) => Number(b.value === company.language) - Number(a.value === company.language),
)
const others = shown.map(({ value }) => value).filter((one) => one !== company.language)
const { busy, wrong, wrongs, acting } = useWrongs(Object.keys(form))
const { base, changed, saving, takeTheirs, keepMine } = useMeanwhile({
  form,
  opened: props.item ?? { ...({} as ItemRow), version: 1 },
  formOf,
  read: () => fetchItem(props.item!.id),
  labels: {
    code: t('items.itemNumber'),
    names: t('items.names'),
    price: t('common.price'),
    unit: t('items.unit'),
    units: t('items.unitInOtherLanguages'),
    taxCode: t('common.vat'),
    gtin: 'GTIN',
    weight: t('items.weight'),
    size: t('items.size'),
    commodityCode: t('items.commodityCode'),
    origin: t('items.countryOfOrigin'),
    place: t('shipping.place'),
    category: t('items.category'),
    fields: t('common.ownFieldsWord'),
    options: t('items.whatABuyerChooses'),
    picture: t('items.picture'),
    prices: t('items.otherPrices'),
    customerCodes: t('items.customersNumbers'),
  },
  words: (value, field) => {
    if (field === 'options') return (value as OptionForm[]).map(optionLine).join('\n')
    return field === 'picture' ? (value ? t('items.aPicture') : '') : inWords(value)
  },
})
const optionLine = ({ name, values }: OptionForm) => `${name}: ${values}`
/** Base64 of one that was chosen just now, null for none any more; undefined stays. */
const chosenPicture = () => {
  if (form.picture === (base.value.pictureAt ?? '')) return undefined
  return form.picture ? form.picture.slice(form.picture.indexOf(',') + 1) : null
}
const filled = <Value extends Record<string, string>>(of: Value) =>
  Object.fromEntries(Object.entries(of).filter(([, text]) => text.trim()))
async function keep() {
  const body = {
    ...form,
    names: filled(form.names),
    units: filled(form.units),
    weight: form.weight.trim() || null,
    options: keptOptions(form.options),
    picture: chosenPicture(),
    prices: form.prices.filter((one) => one.price.trim()),
    customerCodes: form.customerCodes.map(({ customerId, code }) => ({ customerId, code })),
  }
  const done = await acting(() =>
    saving(() =>
      props.item ? changeItem(props.item.id, { ...body, version: base.value.version }) : addItem(body),
    ),
  )
  if (!done || changed.value.length > 0) return
  useToasts().say(
    props.item ? t('items.codeIsSaved', { code: form.code }) : t('items.codeIsAdded', { code: form.code }),
  )
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
    :title="item ? t('items.itemCode', { code: item.code }) : t('items.addItem')"
    :go="item ? t('common.save') : t('items.addItem')"
    :busy="busy"
    :disabled="changed.length > 0"
    @update:model-value="emit('leave')"
    @go="keep"
  >
    <ChangedMeanwhile v-if="changed.length" :fields="changed" @theirs="takeTheirs" @mine="keepMine" />
    <div class="two-columns">
      <FormField
        v-model="form.code"
        :label="t('items.itemNumber')"
        mono
        :hint="t('items.itStandsOnDocumentsFor')"
        data-test="item-code"
        :wrong="wrongs.code"
      />
      <FormField
        v-for="(one, place) in shown"
        :key="one.value"
        v-model="form.names[one.value]"
        :label="t('items.nameInWords', { words: one.words })"
        :placeholder="place === 0 ? '' : t('common.asInTheCompanysLanguage')"
        :data-test="`item-name-${one.value}`"
        :wrong="wrongs[`names.${one.value}`]"
      />
      <FormField
        v-model="form.price"
        :label="t('items.priceInCurrency', { currency: company.currency })"
        mono
        inputmode="decimal"
        placeholder="12.50"
        data-test="item-price"
        :wrong="wrongs.price"
      />
      <FormField
        v-model="form.unit"
        :label="t('items.unit')"
        :hint="t('items.forExamplePcsKgH')"
        :wrong="wrongs.unit"
      />
      <SelectField v-model="form.taxCode" :label="t('common.vat')" :choices="rates" />
      <FormField v-model="form.category" :label="t('items.category')" :wrong="wrongs.category" />
      <OwnFields v-model="form.fields" of="item" :wrongs="wrongs" />
    </div>
    <ItemPicture v-model="form.picture" :wrong="wrongs.picture" />
    <button v-if="!more" type="button" class="word open-end" data-test="item-more" @click="more = true">
      {{ t('items.choicesOtherPricesCustomersNumbers') }}
    </button>
    <template v-else>
      <ItemOptions v-model="form.options" :others="others" :wrongs="wrongs" />
      <ItemPrices v-model="form.prices" :wrongs="wrongs" />
      <ItemCodes v-model="form.customerCodes" :wrongs="wrongs" />
      <h3>{{ t('items.storeAndCustoms') }}</h3>
      <div class="two-columns">
        <FormField
          v-model="form.gtin"
          :label="t('items.gtin')"
          mono
          :hint="t('items.n81213Or14')"
          data-test="item-gtin"
          :wrong="wrongs.gtin"
        />
        <FormField
          v-model="form.commodityCode"
          :label="t('items.commodityCode')"
          mono
          :wrong="wrongs.commodityCode"
        />
        <FormField
          v-model="form.weight"
          :label="t('items.weightInKg')"
          mono
          inputmode="decimal"
          placeholder="1.25"
          :wrong="wrongs.weight"
        />
        <PickField
          v-model="form.origin"
          :label="t('items.countryOfOrigin')"
          :choices="countryNames"
          :wrong="wrongs.origin"
        />
        <FormField
          v-model="form.size"
          :label="t('items.size')"
          :placeholder="t('items.n604030Cm')"
          :wrong="wrongs.size"
        />
        <FormField v-model="form.place" :label="t('items.placeInTheStore')" :wrong="wrongs.place" />
        <FormField
          v-for="one in shown.filter(({ value }) => others.includes(value))"
          :key="one.value"
          v-model="form.units[one.value]"
          :label="t('items.unitInWords', { words: one.words })"
          :placeholder="form.unit"
        />
      </div>
    </template>
    <HungFiles v-if="item" class="hung" :on="{ item: item.id }" />
    <p v-else class="soft hung">{{ t('items.filesOnceItIsAdded') }}</p>
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
.hung {
  margin-top: 16px;
}
h3 {
  margin: 16px 0 4px;
}
</style>
