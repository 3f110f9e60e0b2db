<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import BankFields from './BankFields.vue'
import ChangedMeanwhile from '../frame/ChangedMeanwhile.vue'
import CheckField from '../fields/CheckField.vue'
import FormField from '../fields/FormField.vue'
import PickField from '../fields/PickField.vue'
import { useMeanwhile } from '../../composables/useMeanwhile'
import { useToasts } from '../../stores/toasts'
import { useWrongs } from '../../composables/useWrongs'
import { addBranch, changeBranch, fetchBranches } from '../../calls/branches'
import { countryName, countryNames } from '../../../core/countries'
import type { BranchView, BrandView } from '../../contract'

/** A branch: its address, what else documents say of it, its own bank accounts, and whether it is closed. */
const props = defineProps<{ brand: BrandView; branch: BranchView | undefined }>()
const emit = defineEmits<{ leave: []; kept: [] }>()
const none: BranchView = {
  id: 0,
  brandId: props.brand.id,
  name: '',
  addressLines: [],
  country: props.brand.country,
  phone: '',
  email: '',
  banks: [],
  closed: false,
  version: 1,
}
const formOf = (branch: BranchView) => ({
  name: branch.name,
  address: branch.addressLines.join('\n'),
  country: countryName(branch.country),
  phone: branch.phone,
  email: branch.email,
  banks: branch.banks.map((bank) => ({ ...bank })),
  closed: branch.closed,
})
const opened = props.branch ?? none
const form = reactive(formOf(opened))
const { busy, wrong, wrongs, acting } = useWrongs(['name', 'addressLines', 'country', 'email', 'banks'])
const { base, changed, saving, takeTheirs, keepMine } = useMeanwhile({
  form,
  opened,
  formOf,
  read: async () => (await fetchBranches()).branches.find((one) => one.id === opened.id) ?? none,
  labels: {
    name: t('common.name'),
    address: t('common.address'),
    country: t('common.country'),
    phone: t('brands.phone'),
    email: t('company.branchEmail'),
    banks: t('brands.bankAccounts'),
    closed: t('company.branchClosed'),
  },
})
async function keep() {
  const done = await acting(async () => {
    const { address, ...written } = form
    const body = {
      ...written,
      brandId: props.brand.id,
      addressLines: address
        .split('\n')
        .map((line) => line.trim())
        .filter(Boolean),
    }
    await saving(() =>
      props.branch ? changeBranch(opened.id, { ...body, version: base.value.version }) : addBranch(body),
    )
  })
  if (!done || changed.value.length > 0) return
  useToasts().say(t('brands.theBranchNameIsSaved', { name: form.name }))
  emit('kept')
  emit('leave')
}
</script>

<template>
  <Ask
    :model-value="true"
    wide
    :title="branch ? branch.name : t('brands.addABranch')"
    :go="branch ? t('common.save') : t('brands.addBranch')"
    :busy="busy"
    :disabled="!form.name.trim() || changed.length > 0"
    @update:model-value="emit('leave')"
    @go="keep"
  >
    <ChangedMeanwhile v-if="changed.length" :fields="changed" @theirs="takeTheirs" @mine="keepMine" />
    <div class="fields">
      <FormField
        v-model="form.name"
        :label="t('common.nameInClothespin')"
        :placeholder="t('brands.ballynoreShop')"
        :hint="t('brands.ordersAndFilesCallIt')"
        :wrong="wrongs.name"
        data-test="branch-name"
      />
      <PickField
        v-model="form.country"
        :label="t('common.country')"
        :choices="countryNames"
        :wrong="wrongs.country"
      />
      <FormField
        v-model="form.address"
        :label="t('common.addressOnDocuments')"
        :lines="3"
        :placeholder="t('common.streetPostcodeAndTown')"
        :wrong="wrongs.addressLines"
        data-test="branch-address"
      />
      <div class="stack">
        <FormField v-model="form.phone" :label="t('brands.phone')" :placeholder="brand.phone" />
        <FormField
          v-model="form.email"
          :label="t('brands.emailOnTheDocument')"
          :placeholder="brand.email"
          :wrong="wrongs.email"
        />
      </div>
    </div>
    <h3>{{ t('brands.bankAccountsOfItsOwn') }}</h3>
    <BankFields
      v-model="form.banks"
      :disabled="false"
      :wrongs="wrongs"
      :without="t('brands.itsDocumentsArePaidTo', { brand: brand.name })"
    />
    <CheckField v-if="branch" v-model="form.closed" data-test="branch-closed">{{
      t('brands.closedNoNewOrderIs')
    }}</CheckField>
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
  </Ask>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px 18px;
  align-items: start;
}
.stack {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
h3 {
  font-size: var(--body);
  margin: 16px 0 6px;
}
</style>
