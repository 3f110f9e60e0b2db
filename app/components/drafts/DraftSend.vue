<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import CheckField from '../fields/CheckField.vue'
import SelectField from '../fields/SelectField.vue'
import { moneyWithSign } from '../../composables/format'
import { paymentMethods, type PaymentMethod } from '../../../core/documents/facts'
import type { DraftView } from '../../contract'

/** Asks before a draft is issued: whether it goes at once, and whether it is paid already. */
const open = defineModel<boolean>({ required: true })
defineProps<{ draft: DraftView; currency: string; busy: boolean }>()
export interface SendAnswer {
  key: string
  postOnly: boolean
  paidBy?: PaymentMethod
}
const emit = defineEmits<{ send: [answer: SendAnswer] }>()
/** The same question answered twice sends once. */
const key = crypto.randomUUID()
const postOnly = ref(false)
const paidBy = ref<PaymentMethod | ''>('')
const payings: { value: PaymentMethod | ''; words: string }[] = [
  { value: '', words: t('drafts.toBePaidLater') },
  ...paymentMethods.map((value) => ({ value, words: t('drafts.paidAtOnceByValue', { value }) })),
]
const go = () =>
  emit('send', { key, postOnly: postOnly.value, ...(paidBy.value ? { paidBy: paidBy.value } : {}) })
</script>

<template>
  <Ask
    v-model="open"
    :title="
      t('drafts.postOnlyTheKind', {
        postOnly: postOnly ? t('common.issue') : t('common.send'),
        kind: draft.kind,
      })
    "
    :go="postOnly ? t('drafts.issueIt') : t('common.sendIt')"
    :busy="busy"
    @go="go"
    ><p>
      {{
        t('drafts.itDrawsItsNumberNow', {
          postOnly: postOnly
            ? t('drafts.waitsInToSendUntil')
            : t('drafts.goesToCustomerName', { customerName: draft.customerName }),
          amount: moneyWithSign(draft.paper?.total ?? '0', currency),
        })
      }}
    </p>
    <CheckField v-model="postOnly">{{ t('common.onlyIssueNumberAndBook') }}</CheckField>
    <SelectField
      v-if="draft.kind !== 'credit note'"
      v-model="paidBy"
      :label="t('drafts.itIs')"
      :choices="payings"
      data-test="paid-by"
    />
  </Ask>
</template>
