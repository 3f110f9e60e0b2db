<script setup lang="ts">
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
      :add="may ? 'Add branch' : ''"
      add-test="add-branch"
      columns="minmax(0, 1fr) minmax(0, 1.5fr) 80px 80px"
      @add="editing = 'new'"
    >
      <template #intro>
        An order that is sold from a branch has its address on every document, and is paid to its account.
        Numbers of its own stand under Numbers.
      </template>
      <template #row="{ row: branch }">
        <strong>{{ branch.name }}</strong>
        <span class="what"
          ><span class="cut">{{ [...branch.addressLines, countryName(branch.country)].join(', ') }}</span
          ><span class="soft cut">{{
            branch.banks.length
              ? branch.banks.map((bank) => bank.iban).join(', ')
              : `paid to the accounts of ${brand.name}`
          }}</span></span
        >
        <span v-if="branch.closed" class="tag">closed</span><span v-else />
        <VBtn v-if="may" height="30" :data-test="`branch-${branch.name}`" @click="editing = branch"
          >Open</VBtn
        >
      </template>
      <template #empty>
        <strong>One address for everything</strong>Add a branch where a shop or a second site sends documents
        under its own address.
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
