<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
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
    words: t('drafts.allThatIsLeftOffer', {
      offer: offer.value ? moneyWithSign(offer.value.left, offer.value.currency) : '',
    }),
  },
  { value: 'lines', words: t('drafts.someOfItsLines') },
  { value: 'amount', words: t('drafts.anAmount') },
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
    useToasts().say(made.anew ? t('drafts.theCreditNoteAndThe') : t('drafts.theCreditNoteWaitsIn'))
    await navigateTo(`/drafts/${made.anew ?? made.credit}`)
  })
}
</script>

<template>
  <Ask
    v-model="open"
    :title="t('drafts.creditOffer', { offer: offer?.number ?? '' })"
    :go="t('drafts.writeTheCreditNote')"
    :busy="busy"
    :disabled="!offer || !reason.trim()"
    @go="credit"
  >
    <template v-if="offer">
      <p class="sentence">
        <I18nT keypath="drafts.takeBackWhat" scope="global"
          ><template #what
            ><WordPicker
              :label="t('common.what')"
              :choices="ways"
              :value="way"
              @pick="way = $event as typeof way" /></template
        ></I18nT>
      </p>
      <table v-if="way === 'lines'">
        <thead>
          <tr>
            <th>{{ t('common.line') }}</th>
            <th class="right">{{ t('drafts.left') }}</th>
            <th class="right">{{ t('drafts.credit') }}</th>
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
                :aria-label="t('drafts.lineIndexQuantityToCredit', { index: index + 1 })"
                :data-test="`credit-${index + 1}`"
              />
            </td>
          </tr>
        </tbody>
      </table>
      <div class="sums" aria-live="polite">
        <p v-if="sums" data-test="credit-sums">
          <I18nT keypath="drafts.creditsAmountNetAmount2VAT" scope="global"
            ><template #amount
              ><strong class="mono">{{ moneyWithSign(sums.total, sums.currency) }}</strong></template
            ><template #amount2
              ><span class="mono">{{ money(sums.net, sums.currency) }}</span></template
            ><template #amount3
              ><span class="mono">{{ money(sums.tax, sums.currency) }}</span></template
            ></I18nT
          >
        </p>
        <p v-else-if="sumsWrong" class="notice stuck" role="alert">{{ sumsWrong }}</p>
      </div>
      <FormField
        v-if="way === 'amount'"
        v-model="amount"
        :label="t('drafts.amountWithTaxAtMost', { amount: moneyWithSign(offer.left, offer.currency) })"
        mono
      />
      <FormField v-model="reason" :label="t('drafts.whyItIsPrintedOn')" />
      <CheckField v-if="way === 'whole' && offer.credits.length === 0" v-model="anew" data-test="anew">{{
        t('drafts.andIssueItAnewCorrected')
      }}</CheckField>
      <p v-if="offer.credits.length" class="soft">
        {{
          t('drafts.creditedBeforeOffer', {
            offer: offer.credits
              .map((one) => `${one.number} (${money(one.total, offer!.currency)})`)
              .join(', '),
          })
        }}
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
