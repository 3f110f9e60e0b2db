<script setup lang="ts">
import Ask from '../frame/Ask.vue'
import ChangedMeanwhile from '../frame/ChangedMeanwhile.vue'
import CheckField from '../fields/CheckField.vue'
import FormField from '../fields/FormField.vue'
import SelectField from '../fields/SelectField.vue'
import { useMeanwhile } from '../../composables/useMeanwhile'
import { useToasts } from '../../stores/toasts'
import { useWrongs } from '../../composables/useWrongs'
import { attempt } from '../../composables/api'
import { fetchMailAccounts } from '../../calls/mail-accounts'
import { fetchRoutines } from '../../calls/routines'
import { addSender, changeSender, dropSender, fetchSenders } from '../../calls/senders'
import { answersTo, answersToWords } from '../../../core/dispatch/sender'
import { documentKinds, kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import type { BrandView, SenderView } from '../../contract'

/** Whose emails another sender writes, who that is, where answers go and which account sends. */
const props = defineProps<{ brand: BrandView; sender: SenderView | undefined }>()
const emit = defineEmits<{ leave: []; kept: [] }>()
const none: Omit<SenderView, 'brandId' | 'routineName' | 'mailAccountName'> = {
  id: 0,
  kind: 'invoice',
  routineId: null,
  name: '',
  namesPerson: false,
  address: '',
  answersTo: 'brand',
  replyTo: '',
  mailAccountId: null,
  version: 1,
}
const opened = { ...none, brandId: props.brand.id, ...props.sender }
const ofBrand = "the brand's"
const formOf = (sender: typeof opened) => ({
  of: sender.kind ?? `routine ${sender.routineId}`,
  name: sender.name,
  namesPerson: sender.namesPerson,
  address: sender.address,
  answersTo: sender.answersTo,
  replyTo: sender.replyTo,
  account: sender.mailAccountId === null ? ofBrand : String(sender.mailAccountId),
})
const form = reactive(formOf(opened))
const { busy, wrong, wrongs, acting } = useWrongs(['kind', 'name', 'address', 'replyTo'])
const { base, changed, saving, takeTheirs, keepMine } = useMeanwhile({
  form,
  opened,
  formOf,
  read: async () => (await fetchSenders()).senders.find((one) => one.id === opened.id) ?? opened,
  labels: {
    of: 'Of which emails',
    name: 'Name',
    namesPerson: 'Name whoever sends it',
    address: 'Address',
    answersTo: 'Answers go to',
    replyTo: 'Address for answers',
    account: 'Mail account',
  },
})
const routines = shallowRef<{ id: number; name: string }[]>([])
const accounts = shallowRef<{ id: number; name: string }[]>([])
onMounted(() =>
  attempt(async () => {
    const [found, kept] = await Promise.all([fetchRoutines(), fetchMailAccounts()])
    routines.value = found
    accounts.value = kept
  }),
)
const subjects = computed(() => [
  ...documentKinds.map((kind) => ({ value: kind as string, words: `all ${kindFacts[kind].many}` })),
  ...routines.value.map(({ id, name }) => ({ value: `routine ${id}`, words: `what “${name}” makes` })),
])
const answerChoices = answersTo.map((value) => ({ value, words: answersToWords[value] }))
const accountChoices = computed(() => [
  { value: ofBrand, words: "the brand's" },
  ...accounts.value.map(({ id, name }) => ({ value: String(id), words: name })),
])
async function keep() {
  const done = await acting(async () => {
    const { of, account, ...written } = form
    const routineId = of.startsWith('routine ') ? Number(of.slice(8)) : null
    const body = {
      ...written,
      brandId: props.brand.id,
      kind: routineId === null ? (of as DocumentKind) : null,
      routineId,
      mailAccountId: account === ofBrand ? null : Number(account),
    }
    await saving(() =>
      props.sender ? changeSender(opened.id, { ...body, version: base.value.version }) : addSender(body),
    )
  })
  if (!done || changed.value.length > 0) return
  useToasts().say('The sender is saved, for every email that has not left yet.')
  emit('kept')
  emit('leave')
}
const drop = () =>
  acting(async () => {
    await dropSender(opened.id)
    useToasts().say(`These emails come from ${props.brand.senderName} again.`)
    emit('kept')
    emit('leave')
  })
</script>

<template>
  <Ask
    :model-value="true"
    wide
    :title="sender ? 'A sender' : 'Add a sender'"
    :go="sender ? 'Save' : 'Add sender'"
    :busy="busy"
    :disabled="changed.length > 0"
    @update:model-value="emit('leave')"
    @go="keep"
  >
    <ChangedMeanwhile v-if="changed.length" :fields="changed" @theirs="takeTheirs" @mine="keepMine" />
    <div class="fields">
      <SelectField v-model="form.of" class="whole" label="Of which emails" :choices="subjects" />
      <p v-if="wrongs.kind" class="notice stuck whole" role="alert">{{ wrongs.kind }}</p>
      <FormField
        v-model="form.name"
        label="Name"
        :placeholder="brand.senderName"
        hint="What the customer's mail program shows; empty is the brand's."
        :wrong="wrongs.name"
        data-test="sender-name"
      />
      <FormField
        v-model="form.address"
        label="Address"
        type="email"
        :placeholder="brand.senderAddress"
        hint="The mail account has to be allowed to send for it."
        :wrong="wrongs.address"
        data-test="sender-address"
      />
      <CheckField v-model="form.namesPerson" class="whole" data-test="names-person"
        >Name whoever sends it, before this name</CheckField
      >
      <SelectField
        v-model="form.answersTo"
        label="Answers go to"
        :choices="answerChoices"
        data-test="answers-to"
      />
      <FormField
        v-if="form.answersTo === 'address'"
        v-model="form.replyTo"
        label="Address for answers"
        type="email"
        :wrong="wrongs.replyTo"
        data-test="answer-address"
      />
      <p v-else-if="form.answersTo === 'salesperson' || form.answersTo === 'person'" class="soft beside">
        By the email address under Settings, People. Where nobody there has that name: {{ brand.replyTo }}
      </p>
      <SelectField
        v-model="form.account"
        class="whole"
        label="Sent through the mail account"
        :choices="accountChoices"
      />
    </div>
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
    <button v-if="sender" type="button" class="word" data-test="drop-sender" @click="drop">
      Delete: as the brand again
    </button>
  </Ask>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px 18px;
  align-items: start;
}
.whole {
  grid-column: 1 / -1;
}
.beside {
  margin: 18px 0 0;
  font-size: var(--small);
}
</style>
