<script setup lang="ts">
import { t } from '../../words'
import RecordList from '../list/RecordList.vue'
import VariantDialog from './VariantDialog.vue'
import { whoGets } from './words'
import { useSession } from '../../stores/session'
import { attempt } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { plural } from '../../composables/format'
import { fetchVariants } from '../../calls/variants'
import type { VariantView } from '../../contract'

/** Email texts and designs for some customers: what each variant has of its own, and who gets it. */
const may = computed(() => useSession().may('supervisor'))
const variants = shallowRef<VariantView[]>()
const load = () =>
  attempt(async () => {
    variants.value = (await fetchVariants()).variants
  })
onMounted(load)
useLive(['house', 'customers'], () => void load())
const editing = shallowRef<VariantView | 'new'>()
</script>

<template>
  <div class="body">
    <RecordList
      :rows="variants"
      :add="may ? t('variants.addVariant') : ''"
      add-test="add-variant"
      columns="minmax(0, 1fr) minmax(0, 1.4fr) minmax(0, 1.2fr) 80px"
      @add="editing = 'new'"
    >
      <template #intro>{{ t('variants.intro') }}</template>
      <template #row="{ row: variant }">
        <span>
          <strong>{{ variant.name }}</strong>
          <span v-if="variant.retired" class="tag retired">{{ t('variants.retired') }}</span>
        </span>
        <span>{{
          t('variants.texts', {
            texts: plural(variant.texts, 'email text'),
            designs: plural(variant.designs, 'design'),
          })
        }}</span>
        <span class="soft">{{ whoGets(variant) }}</span>
        <VBtn v-if="may" height="30" :data-test="`variant-${variant.name}`" @click="editing = variant">{{
          t('common.open')
        }}</VBtn>
      </template>
      <template #empty>
        <strong>{{ t('variants.noneYet') }}</strong>{{ t('variants.whatFor') }}
      </template>
    </RecordList>
    <VariantDialog
      v-if="editing"
      :variant="editing === 'new' ? undefined : editing"
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
.retired {
  margin-left: 8px;
}
</style>
