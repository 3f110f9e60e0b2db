<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import Ask from '../frame/Ask.vue'
import CheckField from '../fields/CheckField.vue'
import FormField from '../fields/FormField.vue'
import WordPicker from '../list/WordPicker.vue'
import { useActing } from '../../composables/useActing'
import { money, moneyWithSign } from '../../composables/format'
import { plainAmount } from '../../composables/amounts'
import { useNewest } from '../../composables/useNewest'
import { useToasts } from '../../stores/toasts'
import type { BodyOf } from '../../composables/api'
import { fetchCreditOffer, creditSums, creditDocument } from '../../calls/documents'
import type { CreditOffer } from '../../contract'

/** Credits an invoice: all that is left of it, by line, or by amount; and, if wanted, issues it anew. */
const props = defineProps<{ documentId: number }>()
const open = defineModel<boolean>({ required: true })
const offer = shallowRef<CreditOffer>()
const { busy, wrong, acting } = useActing()
const way = ref<'whole' | 'lines' | 'amount'>('whole')
const quantities = ref<string[]>([])
const amount = ref('')
const reason = ref('')
const anew = ref(false)

watch(
  open,
  async (now) => {
    if (!now) return
    Object.assign(way, { value: 'whole' })
    reason.value = ''
    anew.value = false
    wrong.value = ''
    try {
      offer.value = await fetchCreditOffer(props.documentId)
      quantities.value = offer.value.lines.map(() => '0')
    } catch (error) {
      wrong.value = (error as Error).message
    }
  },
  { immediate: true },
)

const ways = computed(() => [
  {
    value: 'whole',
    words: `all that is left, ${offer.value ? moneyWithSign(offer.value.left, offer.value.currency) : ''}`,
  },
  { value: 'lines', words: 'some of its lines' },
  { value: 'amount', words: 'an amount' },
])

type Ask = BodyOf<'/api/documents/{id}/credit', 'post'>['ask']
const ask = computed((): Ask =>
  way.value === 'whole'
    ? { kind: 'whole' }
    : way.value === 'amount'
      ? { kind: 'amount', amount: plainAmount(amount.value) }
      : {
          kind: 'lines',
          lines: quantities.value
            .map((quantity, line) => ({ line, quantity: plainAmount(quantity) }))
            .filter((one) => Number(one.quantity) !== 0),
        },
)
/** What it would come to, worked out by the server while one chooses. */
const sums = shallowRef<{ net: string; tax: string; total: string; currency: string }>()
const sumsWrong = ref('')
const isEmpty = computed(
  () =>
    !offer.value ||
    (ask.value.kind === 'lines' && ask.value.lines?.length === 0) ||
    (ask.value.kind === 'amount' && Number(ask.value.amount) === 0),
)
const newest = useNewest()
async function sumUp() {
  try {
    const found = isEmpty.value ? null : await newest(() => creditSums(props.documentId, { ask: ask.value }))
    if (found === undefined) return
    sums.value = found ?? undefined
    sumsWrong.value = ''
  } catch (error) {
    sums.value = undefined
    sumsWrong.value = (error as Error).message
  }
}
watchDebounced([ask, offer], sumUp, { debounce: 200 })

async function credit() {
  await acting(async () => {
    const made = await creditDocument(props.documentId, {
      ask: ask.value,
      reason: reason.value.trim(),
      anew: anew.value && way.value === 'whole',
    })
    open.value = false
    useToasts().say(
      made.anew
        ? 'The credit note and the new invoice wait in To check. Correct the new one, then send both.'
        : 'The credit note waits in To check.',
    )
    await navigateTo(`/drafts/${made.anew ?? made.credit}`)
  })
}
</script>

<template>
  <Ask
    v-model="open"
    :title="`Credit ${offer?.number ?? ''}`"
    go="Write the credit note"
    :busy="busy"
    :disabled="!offer || !reason.trim()"
    @go="credit"
  >
    <template v-if="offer">
      <p class="sentence">
        Take back
        <WordPicker label="What" :choices="ways" :value="way" @pick="way = $event as typeof way" />.
      </p>
      <table v-if="way === 'lines'">
        <thead>
          <tr>
            <th>Line</th>
            <th class="right">left</th>
            <th class="right">credit</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(line, index) in offer.lines" :key="index">
            <td>
              <span class="mono soft">{{ line.item }}</span> {{ line.description }}
            </td>
            <td class="right mono">{{ line.left }}</td>
            <td class="right">
              <input
                v-model="quantities[index]"
                class="mono"
                inputmode="decimal"
                :disabled="Number(line.left) === 0"
                :aria-label="`Line ${index + 1}, quantity to credit`"
                :data-test="`credit-${index + 1}`"
              />
            </td>
          </tr>
        </tbody>
      </table>
      <div class="sums" aria-live="polite">
        <p v-if="sums" data-test="credit-sums">
          Credits <strong class="mono">{{ moneyWithSign(sums.total, sums.currency) }}</strong>: net
          <span class="mono">{{ money(sums.net, sums.currency) }}</span>, VAT
          <span class="mono">{{ money(sums.tax, sums.currency) }}</span>
        </p>
        <p v-else-if="sumsWrong" class="notice stuck" role="alert">{{ sumsWrong }}</p>
      </div>
      <FormField
        v-if="way === 'amount'"
        v-model="amount"
        :label="`Amount with tax, at most ${moneyWithSign(offer.left, offer.currency)}`"
        mono
      />
      <FormField v-model="reason" label="Why; it is printed on the credit note" />
      <CheckField v-if="way === 'whole' && offer.credits.length === 0" v-model="anew" data-test="anew"
        >and issue it anew, corrected</CheckField
      >
      <p v-if="offer.credits.length" class="soft">
        Credited before:
        {{ offer.credits.map((one) => `${one.number} (${money(one.total, offer!.currency)})`).join(', ') }}
      </p>
    </template>
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
  </Ask>
</template>

<style scoped>
.sentence {
  font-size: var(--title);
  white-space: normal;
  margin: 2px 0 10px;
}
/* its place is kept while the server works it out: nothing beneath it jumps */
.sums {
  min-height: 36px;
}
.sums p {
  margin: 0;
}
table {
  width: 100%;
  border-collapse: collapse;
  margin-bottom: 8px;
  display: block;
  max-height: 230px;
  overflow: auto;
}
tbody,
thead {
  width: 100%;
}
td,
th {
  padding: 3px 6px;
  border-bottom: 1px solid var(--rule);
  text-align: left;
}
th {
  font-size: var(--small);
  color: var(--soft-ink);
  font-weight: 600;
}
td:first-child {
  width: 100%;
}
.right {
  text-align: right;
}
td input {
  width: 74px;
  text-align: right;
  border: 1px solid var(--rule);
  border-radius: 3px;
  padding: 4px 7px;
  font-family: var(--mono);
  background: var(--paper);
  color: var(--ink);
}
</style>
