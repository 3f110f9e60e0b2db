<script setup lang="ts">
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import EmailEditor from '../emailtexts/EmailEditor.vue'
import EmailFiles from '../enclosures/EmailFiles.vue'
import FormField from '../fields/FormField.vue'
import SelectField from '../fields/SelectField.vue'
import { useSession } from '../../stores/session'
import { attachWords } from '../customers/delivery'
import type { EmailInFields, emailFields } from './begun-email'
import type { EmailView, EmailWords } from '../../contract'

/** An email that is written for one sending: subject, text, whom it is from and to, and how its files travel. */
const props = defineProps<{
  words: EmailWords
  /** What its fields are; an empty one is no value yet, and its chip says what it is. */
  values: EmailWords['values']
  /** The document that a file is added to for this once. */
  preparedId: number
  email: EmailView | null
  /** It was begun before and never used; "otherwise" where somebody wrote it otherwise since. */
  goesOn: boolean
  otherwise: boolean
  wrongs: Partial<Record<(typeof emailFields)[number], string>>
}>()
const form = defineModel<EmailInFields>({ required: true })
defineEmits<{ anew: [] }>()

const leadsNowhere = computed(
  () => ['link', 'both'].includes(form.value.attach) && !useSession().house?.company.linksLead,
)
const senders = [
  { value: '', words: t('paper.asUsual') },
  ...props.words.senders.map(({ id, shown }) => ({ value: String(id), words: saidWords(shown) })),
]
const ways = [
  { value: '', words: t('paper.asThisCustomerHasThem') },
  ...props.words.carriages.map((value) => ({ value, words: attachWords[value] })),
]
</script>

<template>
  <p v-if="goesOn" class="notice-line" data-test="goes-on">
    {{ otherwise ? t('paper.writtenOtherwiseMeanwhile') : t('paper.youBeganThisBefore') }}
    <button type="button" class="word" data-test="email-anew" @click="$emit('anew')">
      {{ t('paper.beginAnew') }}
    </button>
  </p>
  <EmailEditor
    v-model="form.subject"
    single
    :label="t('common.subject')"
    :values="values"
    :wrong="wrongs.subject"
    data-test="own-subject"
  />
  <EmailEditor
    v-model="form.text"
    :label="t('common.text')"
    :values="values"
    :wrong="wrongs.text"
    data-test="own-text"
  />
  <div class="copies">
    <FormField
      v-model="form.cc"
      :label="t('paper.furtherCopies')"
      :placeholder="t('common.nameHouseExample')"
      :wrong="wrongs.cc"
      data-test="own-cc"
    />
    <FormField
      v-model="form.bcc"
      :label="t('paper.hiddenCopies')"
      :placeholder="t('common.nameHouseExample')"
      :wrong="wrongs.bcc"
      data-test="own-bcc"
    />
  </div>
  <div class="copies three">
    <SelectField
      v-model="form.sender"
      :label="t('common.from')"
      :choices="senders"
      :hint="wrongs.senderId ?? ''"
      data-test="own-sender"
    />
    <FormField
      v-model="form.replyTo"
      :label="t('paper.answersTo')"
      :placeholder="email?.replyTo ?? ''"
      :wrong="wrongs.replyTo"
      data-test="own-reply-to"
    />
    <SelectField
      v-if="words.carriages.length"
      v-model="form.attach"
      :label="t('paper.itsFiles')"
      :choices="ways"
      :hint="leadsNowhere ? t('customers.linksLeadNowhere') : ''"
      data-test="own-attach"
    />
  </div>
  <EmailFiles
    v-if="email"
    v-model:left-out="form.leftOut"
    v-model:added="form.added"
    :prepared-id="preparedId"
    :email="email"
    :wrong="wrongs.files ?? ''"
  />
</template>

<style scoped>
.copies {
  margin-top: 8px;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 14px;
  align-items: start;
}
.three {
  grid-template-columns: 1fr 1fr 1fr;
}
.notice-line {
  margin: 8px 0 0;
}
</style>
