<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import EmailForm from './EmailForm.vue'
import { emailFields, useBegunEmail } from './begun-email'
import { useWrongs } from '../../composables/useWrongs'
import { useToasts } from '../../stores/toasts'
import { wordsOfBody } from '../../../core/emailtexts/nodes'
import type { OwnEmail } from '../../../core/emailtexts/own-email'
import type { EmailView, EmailWords } from '../../contract'

/** What the email of one document says and what is enclosed, for this once: before it is issued, or until it leaves. */
const props = defineProps<{
  /** What it is the email of. */
  name: string
  preparedId: number
  revision: number
  words: EmailWords
  email: EmailView | null
  /** Every field has its value already. */
  issued?: boolean
  /** Where its text is changed for all, for whoever may. */
  forAll?: string
  write: (revision: number, own: OwnEmail | null) => Promise<unknown>
  /** What is to be read anew once it is kept: who presses Send next sends what they see. */
  kept: () => Promise<unknown>
}>()
const open = defineModel<boolean>({ required: true })

/** A number that is not drawn yet is no value: its chip says what it is. */
const shown = computed(() => (props.issued ? props.words.values : { ...props.words.values, number: '' }))
/** As it was opened: what somebody else writes while this is open is not written over unseen. */
const { revision } = props
const { form, goesOn, otherwise, anew, used, written } = useBegunEmail(props.name, props.words, props.email)
const { busy, wrong, wrongs, acting } = useWrongs(emailFields)

async function save(own: boolean) {
  const well = await acting(async () => {
    await props.write(revision, own ? written() : null)
    await props.kept()
  })
  if (!well) return
  used()
  open.value = false
  useToasts().say(own ? t('paper.theEmailIsWritten') : t('paper.theEmailIsSuppliedAgain'))
}
</script>

<template>
  <Ask
    v-model="open"
    wide
    :title="t('paper.theEmailThisTime')"
    :go="t('paper.useItThisTime')"
    :busy="busy"
    :disabled="!wordsOfBody(form.subject) || !wordsOfBody(form.text)"
    @go="save(true)"
  >
    <EmailForm
      v-model="form"
      :words="words"
      :values="shown"
      :prepared-id="preparedId"
      :email="email"
      :goes-on="goesOn"
      :otherwise="otherwise"
      :wrongs="wrongs"
      @anew="anew"
    />
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p v-if="words.own || forAll" class="supplied">
      <button
        v-if="words.own"
        type="button"
        class="word"
        data-test="as-supplied"
        :disabled="busy"
        @click="save(false)"
      >
        {{ t('paper.asTheHouseSays') }}
      </button>
      <NuxtLink v-if="forAll" :to="forAll" data-test="for-all">{{ t('paper.changeTextForAll') }}</NuxtLink>
    </p>
  </Ask>
</template>

<style scoped>
.supplied {
  margin: 8px 0 0;
  display: flex;
  gap: 18px;
}
</style>
