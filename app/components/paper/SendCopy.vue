<script setup lang="ts">
import { t } from '../../words'
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
    useToasts().say(
      t('paper.aCopyOfDocumentGoes', { document: props.document.number, address: address.value }),
    )
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
    :title="t('paper.sendACopyOfDocument', { document: document.number })"
    :go="before ? t('paper.sendItAgain') : t('paper.sendTheCopy')"
    :busy="busy"
    @go="send"
  >
    <p class="soft">
      {{ t('paper.theVeryPDFThatWas') }}
    </p>
    <FormField v-model="address" :label="t('common.to')" type="email" data-test="copy-to" />
    <p v-if="wrong" class="notice" :class="before ? 'wait' : 'stuck'" role="alert">{{ wrong }}</p>
  </Ask>
</template>
