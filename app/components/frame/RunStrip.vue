<script setup lang="ts">
/** Progress of a Send with its counts, then its report: chosen = issued + changed + skipped + failed. */
const store = useRuns()
</script>

<template>
  <div v-if="store.runs.length > 0" class="runs" role="status">
    <section v-for="run in store.runs" :key="run.id" class="run" data-test="run">
      <template v-if="!run.endedAt">
        <div class="words"><strong>Sending {{ run.chosen - run.open }} of {{ run.chosen }}</strong> <span class="soft">It goes on when you leave this page.</span></div>
        <VProgressLinear :model-value="(run.chosen - run.open) / run.chosen * 100" />
      </template>
      <template v-else>
        <div class="words">
          <strong>{{ run.issued === run.chosen ? `All ${run.chosen} issued` : `${run.issued} of ${run.chosen} issued` }}</strong>
          <span v-for="one in run.numbers" :key="one.first" class="mono">{{ one.first === one.last ? one.first : `${one.first} to ${one.last}` }}</span>
          <span v-for="one in run.sums" :key="one.currency" class="mono soft">{{ moneyWithSign(one.sum, one.currency) }}</span>
          <span v-for="[count, words] in ([[run.changed, 'changed since you looked'], [run.skipped, 'skipped'], [run.failed, 'failed']] as const).filter(([n]) => n > 0)" :key="words" class="tag wait">{{ count }} {{ words }}</span>
          <button type="button" class="close" @click="store.remove(run.id)">Close</button>
        </div>
        <ul v-if="run.problems.length > 0">
          <li v-for="row in run.problems.slice(0, 6)" :key="row.paperId"><span class="mono">{{ row.orderNumber }}</span> {{ row.customerName }}: {{ row.reason }}</li>
          <li v-if="run.problems.length > 6" class="soft">and {{ run.problems.length - 6 }} more; all of them are still on To check.</li>
        </ul>
      </template>
    </section>
  </div>
</template>

<style scoped>
.runs { width: 560px; display: flex; flex-direction: column; gap: 8px; }
.run { background: var(--paper); border: 1px solid var(--ink); border-left: 4px solid var(--spruce); border-radius: 4px; padding: 10px 14px; box-shadow: 0 6px 18px rgb(22 38 43 / 16%); }
.words { display: flex; gap: 10px; align-items: baseline; flex-wrap: wrap; }
.close { margin-left: auto; background: none; border: 0; font: inherit; text-decoration: underline; cursor: pointer; color: var(--ink); }
ul { margin: 8px 0 0; padding-left: 18px; }
</style>
