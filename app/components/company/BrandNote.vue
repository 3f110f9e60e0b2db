<script setup lang="ts">
import { mergeFieldNames } from '../../../core/covernotes/fields'
import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import type { Language } from '../../../core/money/format'
import type { BrandView } from '../../../server/services/house/change'

/** The email that carries a kind of paper, per language: subject and text, read with example fields beside it. */
const props = defineProps<{ brand: BrandView, kind: DocumentKind, kinds: { value: string, words: string }[] }>()
const emit = defineEmits<{ kept: [], kind: [kind: DocumentKind] }>()
const session = useSession()
const disabled = computed(() => !session.may('supervisor'))
const language = ref<Language>('en')
const note = computed(() => props.brand.notes.find(one => one.language === language.value))
const subject = ref('')
const text = ref('')
const filled = shallowRef<{ subject: string, html: string }>()
const wrong = ref('')
const busy = ref(false)
const dirty = computed(() => subject.value !== (note.value?.subject ?? '') || text.value !== (note.value?.text ?? ''))

watch(note, (now) => {
  subject.value = now?.subject ?? ''
  text.value = now?.text ?? ''
}, { immediate: true })

let timer: ReturnType<typeof setTimeout> | undefined
watch([subject, text], () => {
  clearTimeout(timer)
  timer = setTimeout(async () => {
    try {
      filled.value = await callApi('/api/cover-note-preview', { method: 'POST', body: { subject: subject.value, text: text.value, brand: props.brand.name, colour: props.brand.stationery.design.colours.brand, language: language.value } })
      wrong.value = ''
    } catch (error) {
      wrong.value = (error as Error).message
    }
  }, 200)
}, { immediate: true })

async function keep() {
  if (!dirty.value || busy.value || wrong.value) return
  busy.value = true
  await attempt(async () => {
    await callApi(`/api/brands/${props.brand.id}/cover-note`, { method: 'PUT', body: { kind: props.kind, language: language.value, subject: subject.value, text: text.value } })
    useToasts().say('The cover note is kept. It goes with emails from now on.')
    emit('kept')
  })
  busy.value = false
}
useMainKey(() => void keep())
const braces = (name: string) => `{{ ${name} }${'}'}`
const languages = [{ value: 'en', words: 'English' }, { value: 'de', words: 'German' }, { value: 'fr', words: 'French' }]
</script>

<template>
  <div class="body">
    <h2>With <WordPicker label="Kind" :words="kindFacts[kind].many" :choices="kinds" :value="kind" @pick="emit('kind', $event as DocumentKind)" />, in <WordPicker label="Language" :words="languages.find(one => one.value === language)!.words" :choices="languages" :value="language" @pick="language = $event as Language" /> <span class="soft small">version {{ note?.version ?? 0 }}</span></h2>
    <FormField v-model="subject" label="Subject" :disabled="disabled" />
    <FormField v-model="text" label="Text; an empty line begins a new paragraph" :lines="9" :disabled="disabled" />
    <p class="soft small">Merge fields: <code v-for="name in mergeFieldNames" :key="name">{{ braces(name) }}</code></p>
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
    <template v-else-if="filled"><p class="small"><span class="soft">Reads as</span> <strong>{{ filled.subject }}</strong></p><iframe :srcdoc="filled.html" sandbox="" title="The email with example fields" /></template>
  </div>
  <footer v-if="!disabled" class="foot-bar"><span v-if="dirty" class="tag wait">not kept yet</span><span class="push" /><VBtn variant="flat" class="go" :disabled="!dirty || busy || !!wrong" @click="keep">Keep the cover note</VBtn></footer>
</template>

<style scoped>
.body { flex: 1; overflow: auto; padding: 14px 16px; display: flex; flex-direction: column; gap: 8px; }
.small { font-size: 13px; font-weight: 400; margin: 0; }
code { font-family: var(--mono); font-size: 12.5px; background: var(--ledger); padding: 1px 4px; border-radius: 3px; margin-right: 4px; color: var(--ink); white-space: nowrap; }
iframe { flex: 1; min-height: 170px; border: 1px solid var(--rule); background: #f4f4f2; }
</style>
