<script setup lang="ts">
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
  { value: '', words: 'to be paid later' },
  ...paymentMethods.map((value) => ({ value, words: `paid at once, by ${value}` })),
]
const go = () =>
  emit('send', { key, postOnly: postOnly.value, ...(paidBy.value ? { paidBy: paidBy.value } : {}) })
</script>

<template>
  <Ask
    v-model="open"
    :title="`${postOnly ? 'Issue' : 'Send'} the ${draft.kind}?`"
    :go="postOnly ? 'Issue it' : 'Send it'"
    :busy="busy"
    @go="go"
    ><p>
      It draws its number now, is booked, and
      {{
        postOnly ? 'waits in To send until a routine or a person sends it' : `goes to ${draft.customerName}`
      }}, {{ moneyWithSign(draft.paper?.total ?? '0', currency) }}.
    </p>
    <CheckField v-model="postOnly">Only issue: number and book now, send later</CheckField>
    <SelectField
      v-if="draft.kind !== 'credit note'"
      v-model="paidBy"
      label="It is"
      :choices="payings"
      data-test="paid-by"
    />
  </Ask>
</template>
