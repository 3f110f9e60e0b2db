<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import CreditDialog from '../drafts/CreditDialog.vue'
import FormField from '../fields/FormField.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { attempt } from '../../composables/api'
import { houseToday } from '../../composables/format'
import { fetchCopy, voidDocument, sendDocumentToMe, type CopyPurpose } from '../../calls/documents'
import type { CopyToWrite, DocumentView } from '../../contract'

const SendCopy = defineAsyncComponent(() => import('./SendCopy.vue'))

/** What can be done with an issued document. */
const props = defineProps<{
  view: DocumentView
  /** Its PDF; empty until it is painted. */
  url: string
}>()
const emit = defineEmits<{ changed: [] }>()
const session = useSession()
const copy = ref(false)
const credit = ref(false)
const voiding = ref(false)
const reason = ref('')
const copyToWrite = shallowRef<CopyToWrite>()
const purpose = ref<CopyPurpose>('again')
const askForCopy = (what: CopyPurpose) =>
  attempt(async () => {
    copyToWrite.value = await fetchCopy(props.view.id, what)
    purpose.value = what
    copy.value = true
  })
/** Something of it is open that was due. */
const isLate = computed(
  () =>
    props.view.kind === 'invoice' &&
    Number(props.view.open ?? 0) > 0 &&
    props.view.dueDate !== null &&
    props.view.dueDate < houseToday(),
)
const voidIt = () =>
  attempt(async () => {
    await voidDocument(props.view.id, { reason: reason.value.trim() })
    useToasts().say(t('paper.numberIsVoidItsNumber', { number: props.view.number }))
    voiding.value = false
    reason.value = ''
    emit('changed')
  })

async function toMe() {
  await attempt(async () => {
    const { to } = await sendDocumentToMe(props.view.id)
    useToasts().say(t('paper.onItsWayToTo', { to }))
  })
}

function print() {
  const frame = window.open(props.url, '_blank', 'noopener')
  frame?.focus()
}
</script>

<template>
  <div class="acts">
    <VBtn v-if="url" height="30" :href="`${url}&save=true`" data-test="save-pdf">{{
      t('paper.saveThePDF')
    }}</VBtn>
    <VBtn
      height="30"
      :href="`/api/documents/${view.id}/proof`"
      :title="t('paper.proofHelp')"
      data-test="proof"
      >{{ t('paper.saveTheProof') }}</VBtn
    >
    <VBtn v-if="url" height="30" @click="print">{{ t('paper.openToPrint') }}</VBtn>
    <VBtn v-if="session.may('clerk') && url && !view.takenOver" height="30" data-test="to-me" @click="toMe">{{
      t('common.emailItToMe')
    }}</VBtn>
    <VBtn
      v-if="session.may('clerk') && !view.voided && (url || !view.takenOver)"
      height="30"
      data-test="copy"
      @click="askForCopy('again')"
      >{{ t('paper.sendACopy') }}</VBtn
    >
    <VBtn
      v-if="session.may('clerk') && !view.voided && (url || !view.takenOver) && isLate"
      height="30"
      :title="t('paper.remindHelp')"
      data-test="remind"
      @click="askForCopy('reminder')"
      >{{ t('paper.remindOfIt') }}</VBtn
    >
    <VBtn
      v-if="session.may('clerk') && view.kind === 'invoice' && !view.voided"
      height="30"
      data-test="credit"
      @click="credit = true"
      >{{ t('paper.credit') }}</VBtn
    >
    <VBtn
      v-if="session.may('clerk') && !view.voided && !view.notToVoid"
      height="30"
      data-test="void"
      @click="voiding = true"
      >{{ t('paper.void') }}</VBtn
    >
  </div>
  <CreditDialog v-if="credit" v-model="credit" :document-id="view.id" />
  <Ask
    v-model="voiding"
    :title="t('paper.voidNumber', { number: view.number })"
    :go="t('paper.voidIt')"
    danger
    :disabled="!reason.trim()"
    @go="voidIt"
    ><p>
      {{ t('paper.itsNumberStaysInThe') }}
    </p>
    <FormField v-model="reason" :label="t('common.whyItIsKept')"
  /></Ask>
  <SendCopy
    v-if="copy && copyToWrite"
    v-model="copy"
    :document="view"
    :copy="copyToWrite"
    :purpose="purpose"
    @sent="emit('changed')"
  />
</template>

<style scoped>
.acts {
  grid-column: 1 / 3;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 5px;
}
</style>
