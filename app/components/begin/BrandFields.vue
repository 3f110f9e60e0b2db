<script setup lang="ts">
import CheckField from '../fields/CheckField.vue'
import FormField from '../fields/FormField.vue'
import PickField from '../fields/PickField.vue'
import { attempt } from '../../composables/api'
import { base64Of } from '../../composables/fileText'
import { proposeColours } from '../../calls/begin'
import { countryNames } from '../../../core/countries'
import { codeOf } from '../../../core/house/starter'
import type { BrandForm } from './brand-form'

/** The fields of a new brand. Its colours come out of the logo, and can be changed. */
const form = defineModel<BrandForm>({ required: true })
defineProps<{ wrongs: Record<string, string>; withoutLook?: boolean }>()
watch(
  () => form.value.name,
  (name, before) => {
    if (form.value.code === codeOf(before)) form.value.code = codeOf(name)
  },
)
const shown = computed(() => (form.value.logo ? `data:;base64,${form.value.logo}` : ''))
const drawn = ref('')
async function upload(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  const logo = await base64Of(file)
  const taken = await attempt(async () => {
    form.value.colours = await proposeColours(logo)
    form.value.logo = logo
    if (drawn.value) URL.revokeObjectURL(drawn.value)
    drawn.value = URL.createObjectURL(file)
  })
  if (!taken) input.value = ''
}
onBeforeUnmount(() => drawn.value && URL.revokeObjectURL(drawn.value))
const colourWords = { brand: 'Headings', accent: 'Accent', ground: 'Pale background' } as const
</script>

<template>
  <div class="fields">
    <FormField v-model="form.name" label="Brand name" data-test="brand" :wrong="wrongs.name" />
    <FormField
      v-model="form.code"
      label="Short code"
      hint="One to six letters; numbers can carry it."
      maxlength="6"
      :wrong="wrongs.code"
    />
    <FormField
      v-model="form.address"
      label="Address on documents"
      :lines="3"
      placeholder="Street&#10;Postcode and town"
      data-test="address"
      :wrong="wrongs.addressLines"
    />
    <div class="stack">
      <FormField v-model="form.legalName" label="Legal name" :wrong="wrongs.legalName" />
      <PickField v-model="form.country" label="Country" :choices="countryNames" :wrong="wrongs.country" />
    </div>
    <FormField
      v-model="form.taxNumber"
      label="VAT number"
      hint="Leave it empty if you have none."
      data-test="tax-number"
      :wrong="wrongs.taxNumber"
    />
    <FormField
      v-model="form.iban"
      label="IBAN"
      mono
      hint="Customers pay to this account."
      data-test="iban"
      :wrong="wrongs['banks.0.iban']"
    />
    <FormField
      v-model="form.senderAddress"
      class="whole"
      label="Emails come from"
      type="email"
      hint="Customers see it, and answer to it."
      data-test="sender"
      :wrong="wrongs.senderAddress"
    />
    <div v-if="!withoutLook" class="logo whole">
      <label class="pick"
        ><span>Logo</span
        ><input type="file" accept=".png,.jpg,.jpeg,.svg" data-test="logo" @change="upload" /></label
      ><img v-if="shown && drawn" :src="drawn" alt="Your logo" />
      <label v-for="(words, name) in colourWords" :key="name" class="colour"
        ><input v-model="form.colours[name]" type="color" /><span>{{ words }}</span></label
      >
    </div>
    <CheckField v-model="form.pricesIncludeTax" class="whole">Prices include VAT, as in a shop</CheckField>
  </div>
</template>

<style scoped>
.stack {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.logo {
  display: flex;
  gap: 18px;
  align-items: end;
  flex-wrap: wrap;
}
.pick,
.colour {
  display: flex;
  flex-direction: column;
  gap: 3px;
  font-size: var(--small);
  color: var(--soft-ink);
}
.colour {
  flex-direction: column-reverse;
}
.colour input {
  width: 46px;
  height: 28px;
  padding: 2px;
  border: 1px solid var(--rule);
  border-radius: 3px;
}
.pick input {
  width: 230px;
}
img {
  max-height: 46px;
  max-width: 130px;
}
</style>
