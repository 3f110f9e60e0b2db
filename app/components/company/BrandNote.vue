<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import { watchDebounced } from '@vueuse/core'
import EmailBanner from './EmailBanner.vue'
import EmailLookSentence from './EmailLookSentence.vue'
import EmailVersions from '../emailtexts/EmailVersions.vue'
import FormField from '../fields/FormField.vue'
import VariantPick from '../variants/VariantPick.vue'
import TakenField from '../fields/TakenField.vue'
import WordPanel from '../list/WordPanel.vue'
import WordPicker from '../list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { useForm } from '../../composables/useForm'
import { mayLeave } from '../../composables/useUnsaved'
import { attempt } from '../../composables/api'
import { plural } from '../../composables/format'
import { useNewest } from '../../composables/useNewest'
import { useToasts } from '../../stores/toasts'
import { useMainKey } from '../../composables/useMainKey'
import type { BodyOf } from '../../composables/api'
import { previewEmailText } from '../../calls/email-texts'
import { changeEmail, rehearseTexts } from '../../calls/brands'
import { giveUpOwn } from '../../calls/variants'
import { exampleFields, type MergeFields } from '../../../core/emailtexts/fields'
import { bodyOf, tidy } from '../../../core/emailtexts/nodes'
import { purposesOf, type EmailPurpose } from '../../../core/emailtexts/purposes'
import { starterText } from '../../../core/house/starter'
import { type DocumentKind } from '../../../core/documents/kinds'
import type { Language } from '../../../core/money/format'
import type { EmailText } from '../../../core/emailtexts/email-text'
import type { BrandView } from '../../contract'

const EmailEditor = defineAsyncComponent(() => import('../emailtexts/EmailEditor.vue'))

/** The email that carries a kind of paper, per language: subject and text, read with example fields beside it. */
const props = defineProps<{
  brand: BrandView
  kind: DocumentKind
  kinds: { value: string; words: string }[]
  /** How often its sample was sent from here. */
  tries: number
  /** The language that is shown first. */
  beginLanguage: Language
}>()
type EmailOnScreen = NonNullable<BodyOf<'/api/brands/{id}/to-me', 'post'>['email']>
/** Whose texts they are: the brand's own (null), or those of a variant. */
const variantId = defineModel<number | null>('variant', { required: true })
const emit = defineEmits<{ kept: []; kind: [kind: DocumentKind]; email: [email: EmailOnScreen] }>()
const session = useSession()
const disabled = computed(() => !session.may('supervisor'))
const language = ref<Language>(props.beginLanguage)
const purpose = ref<EmailPurpose>('first')
const among = (notes: BrandView['notes']) =>
  notes.find((one) => one.purpose === purpose.value && one.language === language.value)
const brandsOwn = computed(() => among(props.brand.notes))
const own = computed(() =>
  among(props.brand.ofVariants.notes.filter((one) => one.variantId === variantId.value)),
)
const note = computed(() => own.value ?? brandsOwn.value)
/** What the sample document says. */
const values = computed(() => filled.value?.values ?? exampleFields)
const filled = shallowRef<{ subject: string; html: string; values: MergeFields }>()
const wrong = ref('')
const busy = ref(false)
const saved = computed(() => ({
  note: note.value,
  look: props.brand.emailLook,
  version: props.brand.version,
}))
const { form, base, dirty, save, take } = useForm(
  () => saved.value,
  ({ note, look }) => ({
    subject: tidy(note?.subject ?? bodyOf('')),
    text: tidy(note?.text ?? bodyOf('')),
    look: { ...look },
  }),
  t('brands.theEmailText'),
)
/** Another of the kind's texts, once what was written here is saved or given up. */
async function turnTo(other: { purpose?: EmailPurpose; language?: Language; variant?: number | null }) {
  if (!(await mayLeave())) return
  if (other.variant !== undefined) variantId.value = other.variant
  purpose.value = other.purpose ?? purpose.value
  language.value = other.language ?? language.value
  await nextTick()
  take()
}

const asSupplied = computed(() => starterText(purpose.value, props.kind, language.value))
/** Nobody wrote it otherwise. */
const supplied = computed(
  () =>
    JSON.stringify([form.value.subject, form.value.text]) === JSON.stringify(Object.values(asSupplied.value)),
)
const takeUp = ({ subject, text }: EmailText) =>
  Object.assign(form.value, { subject: tidy(subject), text: tidy(text) })

const newest = useNewest()
async function preview() {
  const { subject, text, look } = form.value
  const { id: brandId } = props.brand
  try {
    const ask = {
      subject,
      text,
      brandId,
      kind: props.kind,
      look,
      language: language.value,
      variantId: variantId.value ?? 0,
    }
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
watchDebounced([form, language, variantId], preview, { deep: true, debounce: 200 })

const write = () =>
  changeEmail(props.brand.id, {
    version: base.value.version,
    kind: props.kind,
    purpose: purpose.value,
    language: language.value,
    variantId: variantId.value,
    ...form.value,
  })
const giveUp = () =>
  giveUpOwn(props.brand.id, {
    version: props.brand.version,
    variantId: variantId.value!,
    kind: props.kind,
    text: { purpose: purpose.value, language: language.value },
  }).then(() => emit('kept'))
/** While it is tried its emails go to one address; what stays due is sent for real afterwards. */
const rehearseTo = computed(() => props.brand.textRehearsals[props.kind] ?? '')
const tryAt = (address: string) =>
  attempt(async () => {
    await rehearseTexts(props.brand.id, { kind: props.kind, address: address.trim() })
    useToasts().say(address.trim() ? t('brands.textIsTried') : t('brands.textGoesForReal'))
    emit('kept')
  })

async function keep() {
  if (!dirty.value || busy.value || wrong.value) return
  busy.value = true
  await attempt(async () => {
    await save(write)
    useToasts().say(t('brands.savedEmailsFromNowOn'))
    emit('kept')
  })
  busy.value = false
}
useMainKey(() => void keep())
const purposeWords: Record<EmailPurpose, string> = {
  first: t('brands.firstTime'),
  again: t('brands.onceMore'),
  reminder: t('brands.asAReminder'),
}
const purposes = computed(() =>
  purposesOf(props.kind).map((value) => ({ value, words: purposeWords[value] })),
)
const languages = [
  { value: 'en', words: t('common.english') },
  { value: 'de', words: t('common.german') },
  { value: 'fr', words: t('common.french') },
]
</script>

<template>
  <div class="body">
    <h2>
      <I18nT keypath="brands.withKindPurposeInLanguage" scope="global"
        ><template #kind
          ><WordPicker
            :label="t('common.kind')"
            :words="kindWords(kind, 'many')"
            :choices="kinds"
            :value="kind"
            @pick="emit('kind', $event as DocumentKind)" /></template
        ><template #purpose
          ><WordPicker
            :label="t('brands.purpose')"
            :choices="purposes"
            :value="purpose"
            @pick="turnTo({ purpose: $event as EmailPurpose })" /></template
        ><template #language
          ><WordPicker
            :label="t('common.language')"
            :choices="languages"
            :value="language"
            @pick="turnTo({ language: $event as Language })" /></template
        ><template #span
          ><EmailVersions
            :brand-id="brand.id"
            :kind="kind"
            :purpose="purpose"
            :language="language"
            :variant-id="own ? variantId : null"
            :changes="`${note?.id} ${tries}`"
            :disabled="disabled"
            @take="takeUp"
          /><button
            v-if="!disabled && !supplied"
            type="button"
            class="word small back"
            data-test="as-supplied"
            @click="takeUp(asSupplied)"
          >
            {{ t('brands.asSupplied') }}
          </button></template
        ></I18nT
      >
    </h2>
    <VariantPick
      what="text"
      :variant-id="variantId"
      :own="own?.madeAt"
      :brands-own="brandsOwn?.madeAt"
      :disabled="disabled"
      :give-up="giveUp"
      @pick="turnTo({ variant: $event })"
    />
    <p class="small">
      <I18nT keypath="brands.whileTried" scope="global"
        ><template #address
          ><WordPanel
            :label="t('brands.whereTriedEmailsGo')"
            :words="rehearseTo || t('brands.whomTheyAreFor')"
            :open-end="!rehearseTo"
            :disabled="disabled"
            ><label
              >{{ t('brands.insteadTo') }}
              <TakenField
                :value="rehearseTo"
                :placeholder="t('common.nameHouseExample')"
                :aria-label="t('brands.whereTriedEmailsGo')"
                data-test="text-rehearsal"
                @take="tryAt($event)" /></label></WordPanel></template
      ></I18nT>
      <span v-if="rehearseTo" class="tag wait">{{ t('brands.rehearsed') }}</span>
    </p>
    <p v-if="note?.waiting" class="soft small" data-test="touches">
      {{ t('brands.waitWithThisText', { documents: plural(note.waiting, 'document') }) }}
    </p>
    <EmailEditor
      v-model="form.subject"
      single
      :label="t('common.subject')"
      :values="values"
      :disabled="disabled"
      data-test="email-subject"
    />
    <EmailEditor
      v-model="form.text"
      :label="t('common.text')"
      :values="values"
      :disabled="disabled"
      data-test="email-text"
    />
    <h2>{{ t('brands.everyEmailOfBrand', { brand: brand.name }) }}</h2>
    <EmailLookSentence v-model="form.look" :disabled="disabled" />
    <FormField
      v-model="form.look.closing"
      :label="t('brands.closingWordsInAllLanguages')"
      :lines="2"
      :disabled="disabled"
    />
    <EmailBanner v-model="form.look.banner" :disabled="disabled" />
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
    <Teleport v-else-if="filled" defer to="#email-preview"
      ><p class="subject">
        <span class="soft">{{ t('common.subject') }}</span> <strong>{{ filled.subject }}</strong>
      </p>
      <iframe :srcdoc="filled.html" sandbox="" :title="t('brands.theEmailAsItWould')"
    /></Teleport>
  </div>
  <footer v-if="!disabled" class="foot-bar">
    <span v-if="dirty" class="tag wait">{{ t('common.notSavedYet') }}</span><span class="push" /><VBtn
      variant="flat"
      class="go"
      :disabled="!dirty || busy || !!wrong"
      @click="keep"
      >{{ t('common.save') }}</VBtn
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
.back {
  margin-left: 14px;
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
