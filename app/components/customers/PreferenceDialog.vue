<script setup lang="ts">
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import SelectField from '../fields/SelectField.vue'
import { channelWords, listOf, toWords } from './delivery'
import { useSession } from '../../stores/session'
import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import {
  anyone,
  channels,
  isAddress,
  type Channel,
  type Preference,
  roleWords,
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
const { contactRoles } = useSession().house!.company
const asBeneath = ''
const these = 'these addresses'
const form = reactive({
  channel: props.own.channel ?? asBeneath,
  to: props.own.addresses?.length ? these : (props.own.to ?? asBeneath),
  addresses: props.own.addresses?.join(', ') ?? '',
  cc: props.own.cc?.join(', ') ?? '',
  bcc: props.own.bcc?.join(', ') ?? '',
  gathered: props.own.gathered === undefined ? asBeneath : String(props.own.gathered),
  unreachable: props.own.unreachable ?? asBeneath,
})
const said =
  props.beneathLevel && props.beneathLevel !== 'as usual' ? `as ${props.beneathLevel} says` : 'as usual'
const left = (words: string) => ({ value: asBeneath, words: `${said}: ${words}` })
const ways = [
  left(channelWords[props.beneath.channel ?? 'email']),
  ...channels.map((value) => ({ value, words: channelWords[value] })),
]
const whom = [
  left(toWords(props.beneath, props.kind)),
  ...[...contactRoles, anyone].map((value) => ({ value, words: roleWords(value) })),
  { value: these, words: 'addresses that I write here' },
]
const gathers = [
  left(props.beneath.gathered ? 'one email a Send' : 'one email each'),
  { value: 'false', words: 'one email each' },
  { value: 'true', words: 'one email with all documents of a Send' },
]
const unreachables = [
  left(props.beneath.unreachable === 'print' ? 'print it' : 'wait until there is one'),
  { value: 'wait', words: 'wait until there is one' },
  { value: 'print', words: 'print it' },
]
const byEmail = computed(() => ['email', 'both'].includes(form.channel || (props.beneath.channel ?? 'email')))
const wrongIn = (text: string) => {
  const odd = listOf(text).find((one) => !isAddress(one))
  return odd ? `“${odd}” is not an email address. Write one like name@house.example.` : ''
}
const wrongs = computed(() => ({
  addresses:
    form.to === these && listOf(form.addresses).length === 0
      ? 'Write at least one address.'
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
  })
  emit('leave')
}
</script>

<template>
  <Ask
    :model-value="true"
    :title="`How ${kindFacts[kind].many} go`"
    go="Save"
    @update:model-value="emit('leave')"
    @go="keep"
  >
    <div class="fields">
      <SelectField v-model="form.channel" label="How" :choices="ways" data-test="wish-channel" />
      <template v-if="byEmail">
        <SelectField v-model="form.to" label="To" :choices="whom" data-test="wish-to" />
        <FormField
          v-if="form.to === these"
          v-model="form.addresses"
          label="Addresses"
          hint="Several, with commas between."
          data-test="wish-addresses"
          :wrong="shown(wrongs.addresses)"
        />
        <FormField
          v-model="form.cc"
          label="Copies to (CC)"
          :placeholder="beneath.cc?.length ? `also ${beneath.cc.join(', ')}` : 'nobody'"
          data-test="wish-cc"
          :wrong="shown(wrongs.cc)"
        />
        <FormField
          v-model="form.bcc"
          label="Hidden copies to (BCC)"
          :placeholder="beneath.bcc?.length ? `also ${beneath.bcc.join(', ')}` : 'nobody'"
          :wrong="shown(wrongs.bcc)"
        />
        <SelectField v-model="form.gathered" label="Several documents of one Send" :choices="gathers" />
        <SelectField
          v-model="form.unreachable"
          label="Without an email address"
          :choices="unreachables"
          data-test="wish-unreachable"
        />
      </template>
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
