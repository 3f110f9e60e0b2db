<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import FormField from '../fields/FormField.vue'
import WordPicker from '../list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { useForm } from '../../composables/useForm'
import { mayLeave } from '../../composables/useUnsaved'
import { attempt } from '../../composables/api'
import { useNewest } from '../../composables/useNewest'
import { useToasts } from '../../stores/toasts'
import { useMainKey } from '../../composables/useMainKey'
import type { BodyOf } from '../../composables/api'
import { previewEmailText } from '../../calls/email-texts'
import { changeEmail } from '../../calls/brands'
import { mergeFieldNames } from '../../../core/emailtexts/fields'
import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import type { Language } from '../../../core/money/format'
import type { EmailLook } from '../../../core/emailtexts/email-look'
import type { BrandView } from '../../contract'

/** The email that carries a kind of paper, per language: subject and text, read with example fields beside it. */
const props = defineProps<{
  brand: BrandView
  kind: DocumentKind
  kinds: { value: string; words: string }[]
}>()
type EmailOnScreen = NonNullable<BodyOf<'/api/brands/{id}/to-me', 'post'>['email']>
const emit = defineEmits<{ kept: []; kind: [kind: DocumentKind]; email: [email: EmailOnScreen] }>()
const session = useSession()
const disabled = computed(() => !session.may('supervisor'))
const language = ref<Language>('en')
const note = computed(() => props.brand.notes.find((one) => one.language === language.value))
const filled = shallowRef<{ subject: string; html: string }>()
const wrong = ref('')
const busy = ref(false)
const saved = computed(() => ({
  note: note.value,
  look: props.brand.emailLook,
  version: props.brand.version,
}))
const { form, base, dirty, save, take } = useForm(
  () => saved.value,
  ({ note, look }) => ({ subject: note?.subject ?? '', text: note?.text ?? '', look: { ...look } }),
  'the email text',
)
async function turnTo(other: Language) {
  if (other === language.value || !(await mayLeave())) return
  language.value = other
  await nextTick()
  take()
}

const newest = useNewest()
async function preview() {
  const { subject, text, look } = form.value
  const { id: brandId } = props.brand
  try {
    const ask = { subject, text, brandId, kind: props.kind, look, language: language.value }
    filled.value = (await newest(() => previewEmailText(ask))) ?? filled.value
    wrong.value = ''
  } catch (error) {
    wrong.value = (error as Error).message
  }
}
watch(
  [form, language],
  () => {
    const { subject, text, look } = form.value
    emit('email', { subject, text, language: language.value, look })
  },
  { immediate: true, deep: true },
)
void preview()
watchDebounced([form, language], preview, { deep: true, debounce: 200 })

const write = () =>
  changeEmail(props.brand.id, {
    version: base.value.version,
    kind: props.kind,
    language: language.value,
    ...form.value,
  })
async function keep() {
  if (!dirty.value || busy.value || wrong.value) return
  busy.value = true
  await attempt(async () => {
    await save(write)
    useToasts().say('Saved. Emails from now on read and look like this.')
    emit('kept')
  })
  busy.value = false
}
useMainKey(() => void keep())
const braces = (name: string) => `{{ ${name} }${'}'}`
const headings = [
  { value: 'line', words: 'the name under a line' },
  { value: 'band', words: 'the name on a band' },
  { value: 'none', words: 'no heading, like a letter' },
]
const colours = [
  { value: 'brand', words: 'the brand colour' },
  { value: 'accent', words: 'the accent colour' },
]
const letters = [
  { value: 'sans', words: 'plain letters' },
  { value: 'serif', words: 'book letters' },
]
const languages = [
  { value: 'en', words: 'English' },
  { value: 'de', words: 'German' },
  { value: 'fr', words: 'French' },
]
</script>

<template>
  <div class="body">
    <h2>
      With
      <WordPicker
        label="Kind"
        :words="kindFacts[kind].many"
        :choices="kinds"
        :value="kind"
        @pick="emit('kind', $event as DocumentKind)"
      />, in
      <WordPicker
        label="Language"
        :choices="languages"
        :value="language"
        @pick="turnTo($event as Language)"
      />
      <span class="soft small">version {{ note?.version ?? 0 }}</span>
    </h2>
    <FormField v-model="form.subject" label="Subject" :disabled="disabled" />
    <FormField
      v-model="form.text"
      label="Text; an empty line begins a new paragraph"
      :lines="11"
      :disabled="disabled"
    />
    <p class="soft small">
      Merge fields: <code v-for="name in mergeFieldNames" :key="name">{{ braces(name) }}</code>
    </p>
    <h2>Every email of {{ brand.name }}</h2>
    <p class="sentence">
      begins with
      <WordPicker
        label="Heading"
        :choices="headings"
        :value="form.look.heading"
        :disabled="disabled"
        @pick="form.look.heading = $event as EmailLook['heading']"
      />
      in
      <WordPicker
        label="Colour"
        :choices="colours"
        :value="form.look.colour"
        :disabled="disabled"
        @pick="form.look.colour = $event as EmailLook['colour']"
      />, is set in
      <WordPicker
        label="Letters"
        :choices="letters"
        :value="form.look.letters"
        :disabled="disabled"
        @pick="form.look.letters = $event as EmailLook['letters']"
      />, and closes with:
    </p>
    <FormField
      v-model="form.look.closing"
      label="Closing words, in all languages; may be empty"
      :lines="2"
      :disabled="disabled"
    />
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
    <Teleport v-else-if="filled" defer to="#email-preview"
      ><p class="subject">
        <span class="soft">Subject</span> <strong>{{ filled.subject }}</strong>
      </p>
      <iframe :srcdoc="filled.html" sandbox="" title="The email as it would go with the sample"
    /></Teleport>
  </div>
  <footer v-if="!disabled" class="foot-bar">
    <span v-if="dirty" class="tag wait">not saved yet</span><span class="push" /><VBtn
      variant="flat"
      class="go"
      :disabled="!dirty || busy || !!wrong"
      @click="keep"
      >Save</VBtn
    >
  </footer>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  padding: 14px 16px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.small {
  font-size: var(--small);
  font-weight: 400;
  margin: 0;
}
h2 {
  margin-top: 4px;
}
.sentence {
  white-space: normal;
  margin: 0;
  line-height: 1.9;
}
code {
  font-family: var(--mono);
  font-size: var(--small);
  background: var(--ledger);
  padding: 1px 4px;
  border-radius: 3px;
  margin-right: 4px;
  color: var(--ink);
  white-space: nowrap;
}
.subject {
  margin: 0;
  padding: 10px 14px;
  background: var(--paper);
  border-bottom: 1px solid var(--rule);
}
iframe {
  flex: 1;
  width: 100%;
  border: 0;
  background: #f4f4f2;
}
</style>
