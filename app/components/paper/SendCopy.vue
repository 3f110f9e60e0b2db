<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import EmailForm from './EmailForm.vue'
import FormField from '../fields/FormField.vue'
import SelectField from '../fields/SelectField.vue'
import PeopleWords from './PeopleWords.vue'
import { emailFields, useBegunEmail } from './begun-email'
import { variantChoices } from '../variants/words'
import { useToasts } from '../../stores/toasts'
import { useWrongs } from '../../composables/useWrongs'
import { ApiRefusal } from '../../composables/api'
import { money } from '../../composables/format'
import { fetchCopy, sendCopy, type CopyPurpose } from '../../calls/documents'
import { provocations, provokedAddress, type Provocation } from '../../../core/dispatch/provoked'
import { wordsOfBody } from '../../../core/emailtexts/nodes'
import type { CopyToWrite, DocumentView } from '../../contract'

/**
 * Sends the stored PDF once more, with the words that the house has for it or those of this once. Somebody who already
 * has it gets it only when a person says so.
 */
const props = defineProps<{ document: DocumentView; copy: CopyToWrite; purpose: CopyPurpose }>()
const reminds = computed(() => props.purpose === 'reminder')
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ sent: [] }>()
const address = ref(props.document.email?.to[0]?.address ?? props.copy.contacts[0]?.email ?? '')
const before = ref(false)
/** Whom it greets is known once it is said to whom it goes. */
const values = { ...props.copy.words.values, greeting: '', contact: '' }
const { form, goesOn, otherwise, anew, supply, used, changed, written } = useBegunEmail(
  `${props.purpose === 'reminder' ? 'reminder' : 'copy'} of ${props.document.id}`,
  props.copy.words,
  props.copy.email,
)
/** The words stand open once somebody writes in them. */
const writing = ref(goesOn.value)
const { busy, wrong, wrongs, acting } = useWrongs(['address', ...emailFields])
/** An email that fails on purpose, so that somebody sees where it is caught. */
const provoking = ref(false)
const failureWords: Record<Provocation, string> = {
  refused: t('paper.theAddressIsRefused'),
  full: t('paper.theMailboxIsFull'),
  bounced: t('paper.itComesBack'),
  late: t('paper.itIsPutOff'),
}
const failures = provocations.map((what) => ({ value: provokedAddress(what), words: failureWords[what] }))
function provoke() {
  provoking.value = true
  address.value = provokedAddress('refused')
}
watch(address, () => {
  before.value = false
})

/** The email as its text has it: that of its customer, or one that is picked for this copy. */
const supplied = shallowRef(props.copy)
const picked = ref('')
async function pick(text: string) {
  await acting(async () => {
    supplied.value = await fetchCopy(props.document.id, props.purpose, text === '' ? undefined : Number(text))
    picked.value = text
    supply(supplied.value.words, supplied.value.email)
  })
}

async function send() {
  const well = await acting(async () => {
    try {
      await sendCopy(props.document.id, {
        address: address.value,
        purpose: props.purpose,
        again: before.value,
        own: writing.value && changed() ? written() : null,
        text: picked.value === '' ? null : Number(picked.value),
      })
    } catch (error) {
      if (error instanceof ApiRefusal && ['sent-before', 'reminded-lately'].includes(error.code))
        before.value = true
      throw error
    }
  })
  if (!well) return
  used()
  open.value = false
  const said = { document: props.document.number, address: address.value }
  useToasts().say(reminds.value ? t('paper.aReminderGoes', said) : t('paper.aCopyOfDocumentGoes', said))
  emit('sent')
}
</script>

<template>
  <Ask
    v-model="open"
    :wide="writing"
    :title="
      reminds
        ? t('paper.remindOfDocument', { document: document.number })
        : t('paper.sendACopyOfDocument', { document: document.number })
    "
    :go="before ? t('paper.sendItAgain') : reminds ? t('paper.sendTheReminder') : t('paper.sendTheCopy')"
    :busy="busy"
    :disabled="!wordsOfBody(form.subject) || !wordsOfBody(form.text)"
    @go="send"
  >
    <p class="soft">
      {{
        reminds
          ? t('paper.remindsWithItsPDF', { open: money(document.open!, document.currency) })
          : t('paper.theVeryPDFThatWas')
      }}
    </p>
    <template v-if="provoking">
      <SelectField
        v-model="address"
        :label="t('paper.failureToProvoke')"
        :choices="failures"
        :hint="t('paper.provokedGoesNowhere')"
        data-test="failure"
      />
    </template>
    <template v-else>
      <FormField
        v-model="address"
        :label="t('common.to')"
        type="email"
        :wrong="wrongs.address"
        data-test="copy-to"
      />
      <PeopleWords :people="copy.contacts" :chosen="[address]" @pick="address = $event" />
    </template>
    <SelectField
      v-if="copy.texts.length > 0"
      class="whose"
      :model-value="picked"
      :label="t('paper.documentText')"
      :choices="[{ value: '', words: t('paper.asCustomerHasIt') }, ...variantChoices(copy.texts)]"
      :hint="writing && changed() ? t('paper.ownWordsAreLost') : ''"
      data-test="copy-text"
      @update:model-value="pick"
    />
    <EmailForm
      v-if="writing"
      v-model="form"
      :words="supplied.words"
      :values="values"
      :prepared-id="copy.preparedId"
      :email="supplied.email"
      :goes-on="goesOn"
      :otherwise="otherwise"
      :wrongs="wrongs"
      @anew="anew"
    />
    <p v-else class="words">
      <span class="soft">{{ t('common.subject') }}</span> {{ supplied.email.subject }}
      <button type="button" class="word" data-test="copy-words" @click="writing = true">
        {{ t('paper.writeWords') }}
      </button>
    </p>
    <button
      v-if="!reminds && !provoking"
      type="button"
      class="word provoke"
      data-test="provoke"
      @click="provoke"
    >
      {{ t('paper.provokeAFailure') }}
    </button>
    <p v-if="wrong" class="notice" :class="before ? 'wait' : 'stuck'" role="alert">{{ wrong }}</p>
  </Ask>
</template>

<style scoped>
.words,
.whose {
  margin: 12px 0 0;
}
.provoke {
  display: block;
  margin: 12px 0 0;
}
</style>
