<script setup lang="ts">
import { t } from '../../words'
import BranchDialog from './BranchDialog.vue'
import RecordList from '../list/RecordList.vue'
import { useSession } from '../../stores/session'
import { attempt } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { fetchBranches } from '../../calls/branches'
import { countryName } from '../../../core/countries'
import type { BranchView, BrandView } from '../../contract'

/** The places that a brand sells from, beside its own address. */
const props = defineProps<{ brand: BrandView }>()
const session = useSession()
const may = computed(() => session.may('supervisor'))
const all = shallowRef<BranchView[]>()
const load = () =>
  attempt(async () => {
    all.value = (await fetchBranches()).branches
  })
onMounted(load)
useLive(['house'], () => void load())
const branches = computed(() => all.value?.filter((one) => one.brandId === props.brand.id))
const editing = shallowRef<BranchView | 'new'>()
</script>

<template>
  <div class="body">
    <RecordList
      :rows="branches"
      :add="may ? t('brands.addBranch') : ''"
      add-test="add-branch"
      columns="minmax(0, 1fr) minmax(0, 1.5fr) 80px 80px"
      @add="editing = 'new'"
    >
      <template #intro>
        {{ t('brands.anOrderThatIsSold') }}
      </template>
      <template #row="{ row: branch }">
        <strong>{{ branch.name }}</strong>
        <span class="what"
          ><span class="cut">{{ [...branch.addressLines, countryName(branch.country)].join(', ') }}</span
          ><span class="soft cut">{{
            branch.banks.length
              ? branch.banks.map((bank) => bank.iban).join(', ')
              : t('brands.paidToTheAccountsOf', { brand: brand.name })
          }}</span></span
        >
        <span v-if="branch.closed" class="tag">{{ t('brands.closed') }}</span><span v-else />
        <VBtn v-if="may" height="30" :data-test="`branch-${branch.name}`" @click="editing = branch">{{
          t('common.open')
        }}</VBtn>
      </template>
      <template #empty>
        <strong>{{ t('brands.oneAddressForEverything') }}</strong>{{ t('brands.addABranchWhereA') }}
      </template>
    </RecordList>
    <BranchDialog
      v-if="editing"
      :brand="brand"
      :branch="editing === 'new' ? undefined : editing"
      @leave="editing = undefined"
      @kept="load"
    />
  </div>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  padding: 14px 16px;
}
</style>
