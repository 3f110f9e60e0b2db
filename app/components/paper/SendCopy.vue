<script setup lang="ts">
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import { useToasts } from '../../stores/toasts'
import { ApiRefusal } from '../../composables/api'
import { sendCopy } from '../../calls/documents'
import type { DocumentView } from '../../contract'

/** Sends the stored PDF once more. Somebody who already has it gets it only when a person says so. */
const props = defineProps<{ document: DocumentView }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ sent: [] }>()
const address = ref('')
const wrong = ref('')
const before = ref(false)
const busy = ref(false)

watch(open, (now) => {
  if (!now) return
  address.value = props.document.email?.to[0]?.address ?? ''
  wrong.value = ''
  before.value = false
})
watch(address, () => {
  before.value = false
  wrong.value = ''
})

async function send() {
  busy.value = true
  wrong.value = ''
  try {
    await sendCopy(props.document.id, { address: address.value, again: before.value })
    open.value = false
    useToasts().say(`A copy of ${props.document.number} goes to ${address.value}.`)
    emit('sent')
  } catch (error) {
    wrong.value = (error as Error).message
    if (error instanceof ApiRefusal && error.code === 'sent-before') before.value = true
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <Ask
    v-model="open"
    :title="`Send a copy of ${document.number}`"
    :go="before ? 'Send it again' : 'Send the copy'"
    :busy="busy"
    @go="send"
  >
    <p class="soft">
      The very PDF that was issued, with the same number. The history will say that it was a copy.
    </p>
    <FormField v-model="address" label="To" type="email" data-test="copy-to" />
    <p v-if="wrong" class="notice" :class="before ? 'wait' : 'stuck'" role="alert">{{ wrong }}</p>
  </Ask>
</template>
