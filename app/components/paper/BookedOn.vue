<script setup lang="ts">
import { t } from '../../words'
import { takeWaiverBack } from '../../calls/open-items'
import { attempt } from '../../composables/api'
import { longDay, money } from '../../composables/format'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { sum } from '../../../core/money/decimal'
import { taxInDiscount } from '../../../core/receivables/settle'
import type { DocumentView } from '../../contract'

/** What was booked on a document, a line each; what was waived can be taken back. */
const props = defineProps<{ view: DocumentView; current: boolean }>()
const emit = defineEmits<{ changed: [] }>()
const session = useSession()

type Booked = DocumentView['booked'][number]
const lines = computed(() => props.view.booked.filter((line) => line.kind !== 'credit'))
const bookedWords: Record<string, string> = {
  payment: t('common.paid'),
  discount: t('common.discount'),
  'write-off': t('common.waived'),
}
const isTakenBack = (line: Booked) => Number(line.amount) < 0
/** What is waived still, after what of it was taken back. */
const waived = computed(() => sum(lines.value.filter((line) => line.waiver).map((line) => line.amount)))
const canBeTakenBack = (line: Booked) =>
  props.current && line.waiver && !isTakenBack(line) && waived.value.gte(line.amount) && session.may('clerk')

const takeBack = (line: Booked) =>
  attempt(async () => {
    await takeWaiverBack(props.view.id, line.amount)
    useToasts().say(
      t('paper.isOwedAgain', {
        amount: money(line.amount, props.view.currency),
        number: props.view.number,
      }),
    )
    emit('changed')
  })
</script>

<template>
  <template v-for="(one, index) in lines" :key="index"
    ><span class="soft">{{ isTakenBack(one) ? t('paper.takenBack') : bookedWords[one.kind] }}</span
    ><span class="apart"
      ><span class="mono">{{ money(one.amount, view.currency) }}</span>
      <span class="soft"
        >{{ longDay(one.on) }}, {{ one.how
        }}{{
          one.kind === 'discount'
            ? t('paper.withTaxInDiscountTax', { taxInDiscount: taxInDiscount(one.amount, view) })
            : ''
        }}</span
      ><button
        v-if="canBeTakenBack(one)"
        type="button"
        class="word"
        data-test="take-waiver-back"
        @click="takeBack(one)"
      >
        {{ t('paper.takeWaiverBack') }}
      </button></span
    ></template
  >
</template>

<style scoped>
.apart {
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
  align-items: baseline;
}
</style>
