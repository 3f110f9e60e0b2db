<script setup lang="ts">
import { t } from '../../words'
import { howArrived } from '../../../core/dispatch/arrived'
import { said, saidWords } from '../../words/speech'
import { useNow } from '../../composables/useNow'
import { amountOf, ago, fullTime, kindShort, shortTime } from '../../composables/format'
import type { Stage } from '../../../core/dispatch/states'
import { noAddress, toldSendTo } from '../../../core/dispatch/send-to'
import type { LineRow } from '../../contract'

const props = defineProps<{ row: LineRow; stage: Stage }>()
const now = useNow()
const goes = computed(() => {
  const { row, stage } = props
  if (stage === 'stuck') return row.cause ? said(`cause/${row.cause}`) : ''
  if (stage === 'arrived') return saidWords(howArrived(row.how))
  return saidWords(toldSendTo(row.sendTo))
})
const age = computed(() => {
  const { row, stage } = props
  if (
    stage === 'waiting' &&
    row.channel === 'email' &&
    row.nextTryAt &&
    new Date(row.nextTryAt).getTime() > now.value
  )
    return t('line.atNextTryAt', { nextTryAt: shortTime(row.nextTryAt) })
  return stage === 'arrived' ? shortTime(row.since) : ago(row.since, now.value)
})
</script>

<template>
  <span class="number mono">{{ row.number }}</span>
  <span class="kind soft">{{ kindShort(row.kind) }}</span>
  <span class="name cut">{{ row.customerName }}</span>
  <span
    class="to cut"
    :class="{ missing: row.sendTo === noAddress && stage !== 'arrived' }"
    :title="saidWords(toldSendTo(row.sendTo))"
  >
    <span v-if="row.stopped" class="tag stuck" data-test="stopped">{{
      t('line.orderStopped', { stopped: row.stopped })
    }}</span>
    <span v-else-if="row.changed" class="tag wait">{{ t('line.changed') }}</span>
    <span v-else-if="row.unwritten" class="tag wait" data-test="unwritten">{{
      t('common.nothingWrittenYet')
    }}</span>
    <span v-else-if="row.untilComplete" class="tag wait">{{ t('line.notComplete') }}</span>
    <span v-else-if="row.problem" class="tag stuck">{{
      row.keptBack ? t('line.couldNotGo') : t('line.cannotBeIssued')
    }}</span>
    <span v-else-if="row.secondLook || row.asked" class="tag wait" :title="saidWords(row.secondLook)">{{
      row.asked ? t('line.askedBy', { name: row.asked.name }) : t('line.secondPerson')
    }}</span>
    <span v-else-if="row.keptBack" class="tag stuck">{{ t('line.couldNotGo') }}</span>
    <span v-else-if="row.state === 'put back'" class="tag wait">{{ t('line.returned') }}</span>
    <span v-else-if="row.held" class="tag queue">{{ t('line.held') }}</span>
    <span
      v-else-if="stage === 'waiting' && row.state === 'waiting' && row.reply"
      class="tag queue"
      :title="row.reply"
      >{{ t('line.putOff') }}</span
    >
    {{ stage === 'stuck' ? saidWords(toldSendTo(row.sendTo)) : goes }}
  </span>
  <span class="amount">{{ amountOf(row) }}</span>
  <span class="age soft" :title="fullTime(row.since)">{{ age }}</span>
</template>

<style scoped>
.number {
  flex: 0 0 128px;
  white-space: nowrap;
}
.kind {
  flex: 0 0 76px;
}
.name {
  flex: 1 1 150px;
}
.to {
  flex: 1 1 170px;
  color: var(--soft-ink);
}
.to.missing {
  color: var(--brick);
}
.to .tag {
  margin-right: 5px;
}
.amount {
  flex: 0 0 92px;
  white-space: nowrap;
}
.age {
  flex: 0 0 56px;
  text-align: right;
  white-space: nowrap;
}
@media (max-width: 700px) {
  .kind,
  .to,
  .age {
    display: none;
  }
  .name {
    flex-basis: 90px;
  }
  .amount {
    flex-basis: 80px;
  }
}
</style>
