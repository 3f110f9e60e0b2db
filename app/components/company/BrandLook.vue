<script setup lang="ts">
import FormField from '../fields/FormField.vue'
import WordPicker from '../list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { useForm } from '../../composables/useForm'
import { attempt } from '../../composables/api'
import { useToasts } from '../../stores/toasts'
import { useMainKey } from '../../composables/useMainKey'
import { changeLook } from '../../calls/brands'
import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import { paleHeadings } from '../../../core/designs/contrast'
import { hideableSums, paperFamilies, type HideableSum, type Design } from '../../../core/designs/design'
import { lookOf } from '../../../core/designs/supplied'
import type { BrandView } from '../../contract'

/**
 * How a brand's papers look, of one kind or all alike: design, fonts, colours and logo; the true paper stands
 * beside it.
 */
const props = defineProps<{
  brand: BrandView
  kind: DocumentKind
  kinds: { value: string; words: string }[]
}>()
const emit = defineEmits<{ kept: []; kind: [kind: DocumentKind] }>()
const session = useSession()
const disabled = computed(() => !session.may('supervisor'))
const busy = ref(false)
/** A change is for all kinds of paper unless one is chosen. */
const only = ref('')
const scopes = computed(() => [
  { value: '', words: 'all its documents' },
  ...props.kinds.map((one) => ({ value: one.value, words: `${one.words} only` })),
])
const design = computed(() => props.brand.design.design)
const logo = computed(() => design.value.pictures.logo)
const saved = computed(() => ({ design: design.value, version: props.brand.version }))
function formOf(of: { design: Design }) {
  const { supplied, fonts, colours, hiddenSums, logo: placed } = lookOf(of.design)
  return {
    supplied,
    fonts: { ...fonts },
    colours: { ...colours },
    hiddenSums: [...hiddenSums],
    width: String(placed?.width ?? 20),
  }
}
const { form, base, dirty, save, beside } = useForm(() => saved.value, formOf, 'the look')
const pale = computed(() => paleHeadings(form.value.colours.brand, form.value.supplied))

async function change(body: object, said: string, whole = false) {
  busy.value = true
  await attempt(async () => {
    const { version } = base.value
    const kind = only.value ? { kind: only.value } : {}
    await (whole ? save : beside)(() => changeLook(props.brand.id, { ...body, ...kind, version }))
    useToasts().say(said)
    emit('kept')
  })
  busy.value = false
}

function choose(scope: string) {
  only.value = scope
  if (scope) emit('kind', scope as DocumentKind)
}

async function upload(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  const bytes = new Uint8Array(await file.arrayBuffer())
  let text = ''
  for (let at = 0; at < bytes.length; at += 8192)
    text += String.fromCharCode(...bytes.subarray(at, at + 8192))
  await change({ picture: btoa(text) }, 'The logo is on the paper.')
  input.value = ''
}
const keep = () => {
  const { width, ...look } = form.value
  return (
    dirty.value &&
    !busy.value &&
    change(
      { ...look, ...(logo.value ? { width: Number(width) } : {}) },
      'The design is saved. Documents from now on have it.',
      true,
    )
  )
}
useMainKey(() => void keep())

const designs = [
  { value: 'plain', words: 'plain, with hairlines on white' },
  { value: 'bold', words: 'bold, with a band of colour at the head' },
]
const sumWords: Record<HideableSum, string> = {
  lines: 'the sum of lines',
  net: 'the net sum',
  tax: 'the tax by rate',
}
const sumChoices = hideableSums.map((value) => ({ value, words: sumWords[value] }))
const toggleSum = (value: HideableSum) => {
  form.value.hiddenSums = form.value.hiddenSums.includes(value)
    ? form.value.hiddenSums.filter((one) => one !== value)
    : [...form.value.hiddenSums, value]
}
const families = paperFamilies.map((value) => ({ value, words: value }))
const colourNames = {
  brand: 'Brand: heading and band',
  accent: 'Accent: behind the sum to pay',
  ground: 'Pale background: boxes and rows',
} as const
</script>

<template>
  <div class="body">
    <p class="sentence">
      On
      <WordPicker
        label="Documents"
        :choices="scopes"
        :value="only"
        :disabled="disabled"
        @pick="choose($event)"
      />
      the design is
      <WordPicker
        label="Design"
        :choices="designs"
        :value="form.supplied"
        :disabled="disabled"
        @pick="form.supplied = $event as 'plain' | 'bold'"
      />, headings are set in
      <WordPicker
        label="Font of headings"
        :words="form.fonts.heading"
        :choices="families"
        :value="form.fonts.heading"
        :disabled="disabled"
        @pick="form.fonts.heading = $event"
      />, text in
      <WordPicker
        label="Font of text"
        :words="form.fonts.text"
        :choices="families"
        :value="form.fonts.text"
        :disabled="disabled"
        @pick="form.fonts.text = $event"
      />. Above the sum to pay
      <WordPicker
        label="Left out"
        several
        :words="
          form.hiddenSums.length
            ? form.hiddenSums.map((one) => sumWords[one]).join(' and ') +
              (form.hiddenSums.length > 1 ? ' are left out' : ' is left out')
            : 'nothing is left out'
        "
        :choices="sumChoices"
        :value="form.hiddenSums"
        :disabled="disabled"
        @pick="toggleSum($event as HideableSum)"
      />.
    </p>
    <p
      v-if="form.hiddenSums.includes('tax') && form.supplied === 'bold' && kindFacts[kind].books !== null"
      class="notice wait"
    >
      {{ kindFacts[kind].many.replace(/^./, (first) => first.toUpperCase()) }} must say their tax by rate, and
      this design says it nowhere else.
    </p>
    <h2>Colours</h2>
    <div class="colours">
      <label v-for="(words, name) in colourNames" :key="name"
        ><input v-model="form.colours[name]" type="color" :disabled="disabled" /><span
          >{{ words }}<br /><span class="mono soft">{{ form.colours[name] }}</span></span
        ></label
      >
    </div>
    <p v-if="pale" class="notice wait" data-test="pale">{{ pale }}</p>
    <h2>Logo</h2>
    <div class="logo">
      <label class="file"
        ><span>{{ logo ? 'Another picture' : 'A picture' }} (SVG, PNG or JPEG, at most 2 MB)</span
        ><input
          type="file"
          accept="image/png,image/jpeg,image/svg+xml"
          :disabled="disabled || busy"
          data-test="logo"
          @change="upload"
      /></label>
      <FormField
        v-if="logo"
        v-model="form.width"
        class="width"
        label="Width in mm"
        mono
        :disabled="disabled"
      />
      <VBtn
        v-if="logo && !disabled"
        :disabled="busy"
        @click="change({ noLogo: true }, 'The document goes without a logo now.')"
        >Take the logo off</VBtn
      >
    </div>
    <p v-if="!only" class="soft">
      Shown is the document of {{ kindFacts[kind].many }}; a change is for every kind.
    </p>
  </div>
  <footer v-if="!disabled" class="foot-bar">
    <span v-if="dirty" class="tag wait">not saved yet</span><span class="push" /><VBtn
      variant="flat"
      class="go"
      :disabled="!dirty || busy"
      data-test="keep-look"
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
}
.sentence {
  white-space: normal;
  font-size: var(--body);
  line-height: 2;
  margin: 0;
}
h2 {
  margin: 16px 0 8px;
}
.colours {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.colours label {
  display: flex;
  gap: 12px;
  align-items: center;
}
.colours input {
  width: 52px;
  height: 36px;
  border: 1px solid var(--faint-ink);
  border-radius: 4px;
  padding: 2px;
  background: var(--paper);
}
.logo {
  display: flex;
  flex-wrap: wrap;
  gap: 14px 20px;
  align-items: end;
}
.file span {
  display: block;
  font-size: var(--small);
  color: var(--soft-ink);
}
.file input {
  font: inherit;
  max-width: 300px;
}
.file input::file-selector-button {
  font: inherit;
  font-weight: 600;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--paper);
  padding: 6px 12px;
  margin-right: 10px;
  color: var(--ink);
  cursor: pointer;
}
.width {
  width: 110px;
}
</style>
