<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import CheckField from '../fields/CheckField.vue'
import DateField from '../fields/DateField.vue'
import OrderAdjustments from '../orders/OrderAdjustments.vue'
import FormField from '../fields/FormField.vue'
import OrderLines from '../orders/OrderLines.vue'
import SoldFrom from '../orders/SoldFrom.vue'
import { useBranches } from '../../composables/useBranches'
import { useSums } from '../../composables/useSums'
import WordPicker from '../list/WordPicker.vue'
import { moneyWithSign, plural } from '../../composables/format'
import type { DraftFacts } from '../../../core/documents/draft'
import type { DraftView } from '../../contract'

/** What is written of a draft: its texts, dates, lines and adjustments; of a credit note, why. */
export interface DraftForm {
  /** None until it is loaded; this part of the screen stands only then. */
  facts: DraftFacts | undefined
  /** The date is meant, though a later one is numbered already. */
  earlierDateOk: boolean
}
const form = defineModel<DraftForm>({ required: true })
const props = defineProps<{ draft: DraftView; disabled: boolean; dirty: boolean; wrong: string }>()
const facts = computed(() => form.value.facts!)
const branches = useBranches(() => props.draft.brandId)
const branchId = computed({
  get: () => facts.value.branchId ?? null,
  set: (value) => {
    facts.value.branchId = value
  },
})
const isCredit = computed(() => !!facts.value.credit)
const askWords = computed(() => {
  const ask = facts.value.credit?.ask
  if (!ask) return ''
  if (ask.kind === 'whole') return t('drafts.allThatIsLeft')
  return ask.kind === 'amount' ? `${ask.amount} ${facts.value.currency}` : plural(ask.lines.length, 'line')
})
/** What it comes to as it is being written; what its parts deduct is known once it is saved. */
const sums = useSums(() => facts.value)
const modes = [
  { value: 'false', words: t('common.withoutVAT') },
  { value: 'true', words: t('common.withVAT') },
]
const text = (key: 'reference' | 'customerNote' | 'suppliedOn' | 'date') =>
  computed({
    get: () => facts.value[key] ?? '',
    set: (value: string) => {
      facts.value[key] = value || null
    },
  })
const [reference, customerNote, suppliedOn, date] = [
  text('reference'),
  text('customerNote'),
  text('suppliedOn'),
  text('date'),
]
</script>

<template>
  <div class="body" :class="{ read: disabled }">
    <p v-if="draft.document" class="notice" data-test="issued-as">
      <I18nT keypath="drafts.issuedAsDocumentNothingOf" scope="global"
        ><template #document
          ><NuxtLink class="mono" :to="`/register?search=${draft.document.number}&in=${draft.document.id}`">{{
            draft.document.number
          }}</NuxtLink></template
        ></I18nT
      >
    </p>
    <p v-if="draft.replaces" class="notice way">
      <I18nT keypath="drafts.takesThePlaceOfReplaces" scope="global"
        ><template #replaces
          ><NuxtLink class="mono" :to="`/register?search=${draft.replaces.number}&in=${draft.replaces.id}`">{{
            draft.replaces.number
          }}</NuxtLink></template
        ></I18nT
      >
    </p>
    <template v-if="isCredit">
      <p class="sentence">
        <I18nT keypath="drafts.takesBackAskWordsOfCredits" scope="global"
          ><template #askWords
            ><strong>{{ askWords }}</strong></template
          ><template #credits
            ><NuxtLink
              class="mono"
              :to="`/register?search=${draft.credits!.number}&in=${draft.credits!.id}`"
              >{{ draft.credits!.number }}</NuxtLink
            ></template
          ></I18nT
        >
      </p>
      <FormField v-model="facts.credit!.reason" :label="t('drafts.whyItIsPrinted')" :disabled="disabled" />
    </template>
    <template v-else>
      <p class="sentence">
        {{ t('drafts.pricesAre') }}
        <WordPicker
          :label="t('common.prices')"
          :choices="modes"
          :value="String(facts.pricesIncludeTax)"
          :disabled="disabled || !!draft.orderId"
          @pick="facts.pricesIncludeTax = $event === 'true'"
        />
        {{ t('drafts.in') }} <strong>{{ facts.currency }}</strong>.<template v-if="facts.deposit">
          <I18nT keypath="drafts.itIsADepositThe" scope="global"
            ><template #deposit
              ><strong>{{ t('drafts.deposit') }}</strong></template
            ></I18nT
          ></template
        >
      </p>
      <div class="texts">
        <FormField
          v-model="reference"
          :label="t('common.yourReference')"
          :disabled="disabled"
          maxlength="80"
        />
        <FormField
          v-model="customerNote"
          class="wide"
          :label="t('common.noteOnTheDocument')"
          :disabled="disabled"
          maxlength="1000"
          :placeholder="t('common.nothing')"
        />
        <SoldFrom v-if="!draft.orderId" v-model="branchId" :branches="branches" :disabled="disabled" />
      </div>
    </template>
    <div class="texts">
      <label v-if="!facts.deposit && !isCredit"
        ><I18nT keypath="drafts.dateOfSupplySuppliedOn" scope="global"
          ><template #suppliedOn
            ><DateField v-model="suppliedOn" :disabled="disabled" data-test="supplied" /></template></I18nT
      ></label>
      <label
        ><I18nT keypath="drafts.documentDateDate" scope="global"
          ><template #date
            ><DateField
              v-model="date"
              :disabled="disabled"
              :empty="t('drafts.dateOfIssue')"
              data-test="date" /></template></I18nT
      ></label>
      <CheckField v-if="date" v-model="form.earlierDateOk" :disabled="disabled">{{
        t('drafts.theDateIsMeantEven')
      }}</CheckField>
    </div>
    <template v-if="!isCredit">
      <OrderLines
        v-model="facts.lines"
        :disabled="disabled"
        :currency="facts.currency"
        :language="draft.language"
      />
      <OrderAdjustments v-if="!facts.deposit" v-model="facts.adjustments" :disabled="disabled" />
    </template>
    <p class="sum">
      <template v-if="isCredit || facts.deposit || !dirty">
        {{ dirty ? t('drafts.savedTotal') : t('common.total') }}
        <strong class="mono">{{
          draft.paper ? moneyWithSign(draft.paper.total, facts.currency) : '–'
        }}</strong>
      </template>
      <template v-else-if="sums">
        <I18nT keypath="drafts.netAmountVATAmount2Total" scope="global"
          ><template #amount
            ><span class="mono">{{ moneyWithSign(sums.net, facts.currency) }}</span></template
          ><template #amount2
            ><span class="mono">{{ moneyWithSign(sums.tax, facts.currency) }}</span></template
          ><template #amount3
            ><strong class="mono" data-test="draft-total">{{
              moneyWithSign(sums.total, facts.currency)
            }}</strong></template
          ></I18nT
        >
      </template>
      <template v-else
        ><I18nT keypath="drafts.totalPart" scope="global"
          ><template #part><strong class="mono">–</strong></template></I18nT
        ></template
      >
    </p>
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
  </div>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  padding: 12px 14px;
}
/* What is only read has no boxes that one would type into. */
.read :deep(.v-field__outline),
.read :deep(.v-field__append-inner) {
  display: none;
}
.read :deep(.v-field) {
  opacity: 1;
  background: none;
}
.read :deep(input),
.read :deep(textarea) {
  -webkit-text-fill-color: var(--ink);
}
.sentence {
  white-space: normal;
  margin: 0 0 8px;
  font-size: var(--body);
}
.texts {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(168px, 1fr));
  gap: 6px 16px;
  align-items: end;
  margin-bottom: 12px;
}
.texts label {
  font-size: var(--small);
  color: var(--soft-ink);
  display: flex;
  flex-direction: column;
}
.texts .wide {
  grid-column: span 2;
}
.sum {
  text-align: right;
  margin: 10px 0;
}
</style>
