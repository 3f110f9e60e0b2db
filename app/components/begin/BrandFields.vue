<script setup lang="ts">
import { t } from '../../words'
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
const colourWords = {
  brand: t('begin.headings'),
  accent: t('begin.accent'),
  ground: t('begin.paleBackground'),
} as const
</script>

<template>
  <div class="fields">
    <FormField v-model="form.name" :label="t('begin.brandName')" data-test="brand" :wrong="wrongs.name" />
    <FormField
      v-model="form.code"
      :label="t('begin.shortCode')"
      :hint="t('begin.oneToSixLettersNumbers')"
      maxlength="6"
      :wrong="wrongs.code"
    />
    <FormField
      v-model="form.address"
      :label="t('common.addressOnDocuments')"
      :lines="3"
      :placeholder="t('common.streetPostcodeAndTown')"
      data-test="address"
      :wrong="wrongs.addressLines"
    />
    <div class="stack">
      <FormField v-model="form.legalName" :label="t('common.legalName')" :wrong="wrongs.legalName" />
      <PickField
        v-model="form.country"
        :label="t('common.country')"
        :choices="countryNames"
        :wrong="wrongs.country"
      />
    </div>
    <FormField
      v-model="form.taxNumber"
      :label="t('common.vatNumber')"
      :hint="t('begin.leaveItEmptyIfYou')"
      data-test="tax-number"
      :wrong="wrongs.taxNumber"
    />
    <FormField
      v-model="form.iban"
      :label="t('common.iban')"
      mono
      :hint="t('begin.customersPayToThisAccount')"
      data-test="iban"
      :wrong="wrongs['banks.0.iban']"
    />
    <FormField
      v-model="form.senderAddress"
      class="whole"
      :label="t('begin.emailsComeFrom')"
      type="email"
      :hint="t('begin.customersSeeItAndAnswer')"
      data-test="sender"
      :wrong="wrongs.senderAddress"
    />
    <div v-if="!withoutLook" class="logo whole">
      <label class="pick"
        ><span>{{ t('common.logo') }}</span
        ><input type="file" accept=".png,.jpg,.jpeg,.svg" data-test="logo" @change="upload" /></label
      ><img v-if="shown && drawn" :src="drawn" :alt="t('begin.yourLogo')" />
      <label v-for="(words, name) in colourWords" :key="name" class="colour"
        ><input v-model="form.colours[name]" type="color" /><span>{{ words }}</span></label
      >
    </div>
    <CheckField v-model="form.pricesIncludeTax" class="whole">{{
      t('begin.pricesIncludeVATAsIn')
    }}</CheckField>
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
