<script setup lang="ts">
import { t } from '../../words'
import { csvHref } from '../../composables/api'
import { addAmounts } from '../../composables/amounts'
import { moneyWithSign, plural } from '../../composables/format'
import type { Stage } from '../../../core/dispatch/states'
import type { LineRow } from '../../contract'

/** How many rows of a stage are picked, or match, with their sums; and where all of them are seen. */
const props = defineProps<{
  stage: Stage
  chosen: LineRow[]
  matching: number
  filters: { kind: string; brand: string; over: string; search: string }
  sums: { currency: string; sum: string }[]
}>()
const totals = computed(() => addAmounts(props.chosen))
</script>

<template>
  <template v-if="chosen.length > 0"
    ><strong>{{ t('common.countPicked', { count: chosen.length }) }}</strong
    ><span class="mono soft">{{ totals }}</span></template
  >
  <template v-else
    ><span class="soft">{{
      plural(matching, stage === 'to send' || stage === 'to check' ? 'document' : 'email or print job')
    }}</span
    ><span v-for="one in sums" :key="one.currency" class="mono soft">{{
      moneyWithSign(one.sum, one.currency)
    }}</span
    ><a
      v-if="matching > 0"
      class="soft"
      :href="csvHref('/api/line/csv', { ...filters, stage })"
      data-test="csv"
      >{{ t('common.csv') }}</a
    ><NuxtLink v-if="stage === 'to check'" class="soft" to="/runs" data-test="sends">{{
      t('common.sends')
    }}</NuxtLink
    ><NuxtLink v-else-if="stage !== 'to send'" class="soft" to="/emails" data-test="emails">{{
      t('common.emails')
    }}</NuxtLink></template
  >
</template>
