<script setup lang="ts">
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import { I18nT } from 'vue-i18n'
import { longDay } from '../../composables/format'
import type { Confirmed } from '../../contract'

/** What the customer was told beside what the order is now, and the way to tell the customer. */
defineProps<{ confirmed: Confirmed; mayRevise: boolean }>()
const emit = defineEmits<{ revise: [] }>()
</script>

<template>
  <section class="confirmed" :aria-label="t('orders.whatWasConfirmed')" data-test="confirmed">
    <div class="title">
      <span
        ><I18nT keypath="orders.confirmedOtherwiseByConfirmedOfDate" scope="global"
          ><template #confirmedOtherwise
            ><strong>{{ t('orders.confirmedOtherwise') }}</strong></template
          ><template #confirmed
            ><span class="mono">{{ confirmed.number }}</span></template
          ><template #date>{{ longDay(confirmed.date) }}</template></I18nT
        ></span
      ><VBtn v-if="mayRevise && !confirmed.waits" height="28" data-test="revise" @click="emit('revise')">{{
        t('orders.prepareARevision')
      }}</VBtn
      ><span v-else-if="confirmed.waits" class="tag wait">{{ t('orders.revisionToCheck') }}</span>
    </div>
    <table>
      <thead>
        <tr>
          <td></td>
          <th scope="col">{{ t('orders.confirmed') }}</th>
          <th scope="col">{{ t('orders.now') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="change in confirmed.changes" :key="change.what.words">
          <th scope="row">{{ saidWords(change.what) }}</th>
          <td>{{ saidWords(change.before) }}</td>
          <td>{{ saidWords(change.now) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.confirmed {
  background: var(--peg-pale);
  border-bottom: 1px solid var(--peg);
  padding: 8px 14px;
  font-size: var(--small);
  max-height: 190px;
  overflow: auto;
  flex: none;
}
.title {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 10px;
}
table {
  width: 100%;
  border-collapse: collapse;
  margin-top: 4px;
}
th {
  text-align: left;
  font-weight: 600;
  white-space: nowrap;
}
th,
td {
  padding: 2px 10px 2px 0;
  vertical-align: top;
}
</style>
