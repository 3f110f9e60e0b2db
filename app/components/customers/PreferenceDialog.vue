<script setup lang="ts">
import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import { saidWords } from '../../words/speech'
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import SelectField from '../fields/SelectField.vue'
import { attachWords, channelWords, copiesWords, listOf, toWords } from './delivery'
import { variantChoices } from '../variants/words'
import { useSession } from '../../stores/session'
import { copiesWays, type Copies } from '../../../core/enclosures/copies'
import { carriagesOf, type Carriage } from '../../../core/enclosures/carriage'
import { fileForms, mayBeEdited, type FileForm } from '../../../core/documents/editable'
import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import {
  anyone,
  channels,
  isAddress,
  type Channel,
  type Preference,
  toldRole,
} from '../../../core/preferences/recipients'

/** Changes how one kind of document goes; whatever is left as it is beneath stays unsaid here, and follows it. */
const props = defineProps<{
  kind: DocumentKind
  own: Preference
  beneath: Preference
  /** Who says what holds beneath; empty where nothing lies beneath. */
  beneathLevel: string
}>()
const emit = defineEmits<{ leave: []; keep: [preference: Preference] }>()
const {
  company: { contactRoles, linksLead, editableFiles },
  variants,
} = useSession().house!
const asBeneath = ''
const these = t('customers.theseAddresses')
const form = reactive({
  channel: props.own.channel ?? asBeneath,
  to: props.own.addresses?.length ? these : (props.own.to ?? asBeneath),
  addresses: props.own.addresses?.join(', ') ?? '',
  cc: props.own.cc?.join(', ') ?? '',
  bcc: props.own.bcc?.join(', ') ?? '',
  gathered: props.own.gathered === undefined ? asBeneath : String(props.own.gathered),
  unreachable: props.own.unreachable ?? asBeneath,
  attach: props.own.attach ?? asBeneath,
  copies: props.own.copies ?? asBeneath,
  text: String(props.own.text ?? asBeneath),
  design: String(props.own.design ?? asBeneath),
  form: props.own.form ?? asBeneath,
})
const said =
  props.beneathLevel && props.beneathLevel !== t('customers.asUsual')
    ? t('customers.asBeneathLevelSays', { beneathLevel: props.beneathLevel })
    : t('customers.asUsual')
const left = (words: string) => ({ value: asBeneath, words: `${said}: ${words}` })
const ways = [
  left(channelWords[props.beneath.channel ?? 'email']),
  ...channels.map((value) => ({ value, words: channelWords[value] })),
]
const whom = [
  left(toWords(props.beneath, props.kind)),
  ...[...contactRoles, anyone].map((value) => ({ value, words: saidWords(toldRole(value)) })),
  { value: these, words: t('customers.addressesThatIWriteHere') },
]
const gathers = [
  left(props.beneath.gathered ? t('customers.oneEmailASend2') : t('customers.oneEmailEach')),
  { value: 'false', words: t('customers.oneEmailEach') },
  { value: 'true', words: t('customers.oneEmailWithAllDocuments') },
]
const unreachables = [
  left(props.beneath.unreachable === 'print' ? t('customers.printIt') : t('customers.waitUntilThereIsOne')),
  { value: 'wait', words: t('customers.waitUntilThereIsOne') },
  { value: 'print', words: t('customers.printIt') },
]
const attaches = [
  left(attachWords[props.beneath.attach ?? 'attached']),
  ...carriagesOf(props.kind).map((value) => ({ value, words: attachWords[value] })),
]
const copies = [
  left(copiesWords[props.beneath.copies ?? 'none']),
  ...copiesWays.map((value) => ({ value, words: copiesWords[value] })),
]
/** Variants that can be given; those that are retired only where they stand already. */
const nameOf = (id: number | undefined) =>
  variants.find((one) => one.id === id)?.name ?? t('variants.theBrandsOwn')
const variantsFor = (now: string, beneath: number | undefined) => [
  left(nameOf(beneath)),
  ...variantChoices(variants.filter((one) => !one.retired || String(one.id) === now)),
]
const formWords: Record<FileForm, string> = {
  pdf: t('customers.asAPDF'),
  odt: t('customers.toBeEdited'),
}
const forms = [
  left(formWords[props.beneath.form ?? 'pdf']),
  ...fileForms.map((value) => ({ value, words: formWords[value] })),
]
const byEmail = computed(() => ['email', 'both'].includes(form.channel || (props.beneath.channel ?? 'email')))
const wrongIn = (text: string) => {
  const odd = listOf(text).find((one) => !isAddress(one))
  return odd ? t('customers.oddIsNotAnEmail', { odd }) : ''
}
const wrongs = computed(() => ({
  addresses:
    form.to === these && listOf(form.addresses).length === 0
      ? t('customers.writeAtLeastOneAddress')
      : wrongIn(form.addresses),
  cc: wrongIn(form.cc),
  bcc: wrongIn(form.bcc),
}))
const asked = ref(false)
const shown = (words: string) => (asked.value ? words : '')
function keep() {
  asked.value = true
  if (byEmail.value && Object.values(wrongs.value).some(Boolean)) return
  emit('keep', {
    ...(form.channel ? { channel: form.channel as Channel } : {}),
    ...(form.to === these ? { addresses: listOf(form.addresses) } : form.to ? { to: form.to } : {}),
    ...(listOf(form.cc).length ? { cc: listOf(form.cc) } : {}),
    ...(listOf(form.bcc).length ? { bcc: listOf(form.bcc) } : {}),
    ...(form.gathered ? { gathered: form.gathered === 'true' } : {}),
    ...(form.unreachable ? { unreachable: form.unreachable as 'wait' | 'print' } : {}),
    ...(form.attach ? { attach: form.attach as Carriage } : {}),
    ...(form.copies ? { copies: form.copies as Copies } : {}),
    ...(form.text === asBeneath ? {} : { text: Number(form.text) }),
    ...(form.design === asBeneath ? {} : { design: Number(form.design) }),
    ...(form.form ? { form: form.form as FileForm } : {}),
  })
  emit('leave')
}
</script>

<template>
  <Ask
    :model-value="true"
    :title="t('customers.howKindsGo', { kinds: kindWords(kind, 'many') })"
    :go="t('common.save')"
    @update:model-value="emit('leave')"
    @go="keep"
  >
    <div class="fields">
      <SelectField v-model="form.channel" :label="t('common.how')" :choices="ways" data-test="wish-channel" />
      <template v-if="byEmail">
        <SelectField v-model="form.to" :label="t('common.to')" :choices="whom" data-test="wish-to" />
        <FormField
          v-if="form.to === these"
          v-model="form.addresses"
          :label="t('customers.addresses')"
          :hint="t('customers.severalWithCommasBetween')"
          data-test="wish-addresses"
          :wrong="shown(wrongs.addresses)"
        />
        <FormField
          v-model="form.cc"
          :label="t('customers.copiesToCC')"
          :placeholder="
            beneath.cc?.length ? t('customers.alsoBeneath', { beneath: beneath.cc.join(', ') }) : 'nobody'
          "
          data-test="wish-cc"
          :wrong="shown(wrongs.cc)"
        />
        <FormField
          v-model="form.bcc"
          :label="t('customers.hiddenCopiesToBCC')"
          :placeholder="
            beneath.bcc?.length ? t('customers.alsoBeneath', { beneath: beneath.bcc.join(', ') }) : 'nobody'
          "
          :wrong="shown(wrongs.bcc)"
        />
        <SelectField
          v-if="carriagesOf(kind).length"
          v-model="form.attach"
          :label="t('customers.filesInIt')"
          :choices="attaches"
          :hint="linksLead ? '' : t('customers.linksLeadNowhere')"
          data-test="wish-attach"
        />
        <SelectField
          v-if="kindFacts[kind].content === 'account'"
          v-model="form.copies"
          :label="t('customers.copiesOfWhatItLists')"
          :choices="copies"
          :hint="t('customers.copiesHelp')"
          data-test="wish-copies"
        />
        <SelectField
          v-model="form.gathered"
          :label="t('customers.severalDocumentsOfOneSend')"
          :choices="gathers"
        />
        <SelectField
          v-model="form.unreachable"
          :label="t('customers.withoutAnEmailAddress')"
          :choices="unreachables"
          data-test="wish-unreachable"
        />
        <SelectField
          v-if="editableFiles && mayBeEdited(kind)"
          v-model="form.form"
          :label="t('customers.formOfItsFile')"
          :choices="forms"
          data-test="wish-form"
        />
        <SelectField
          v-if="variants.length"
          v-model="form.text"
          :label="t('customers.emailText')"
          :choices="variantsFor(form.text, beneath.text)"
          data-test="wish-text"
        />
      </template>
      <SelectField
        v-if="variants.length"
        v-model="form.design"
        :label="t('customers.designWord')"
        :choices="variantsFor(form.design, beneath.design)"
        data-test="wish-design"
      />
    </div>
  </Ask>
</template>

<style scoped>
.fields {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
</style>
