<script setup lang="ts">
import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import { said } from '../../words/speech'
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
import { answersTo } from '../../../core/dispatch/sender'
import { documentKinds, type DocumentKind } from '../../../core/documents/kinds'
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
const ofBrand = t('mail.theBrands')
const formOf = (sender: typeof opened) => ({
  of: sender.kind ?? t('mail.routineRoutineId', { routineId: sender.routineId }),
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
    of: t('mail.ofWhichEmails'),
    name: t('common.name'),
    namesPerson: t('mail.nameWhoeverSendsIt'),
    address: t('common.address'),
    answersTo: t('common.answersGoTo'),
    replyTo: t('mail.addressForAnswers'),
    account: t('mail.mailAccount'),
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
  ...documentKinds.map((kind) => ({
    value: kind as string,
    words: t('mail.allKinds', { kinds: kindWords(kind, 'many') }),
  })),
  ...routines.value.map(({ id, name }) => ({
    value: t('mail.routineId', { id }),
    words: t('mail.whatNameMakes', { name }),
  })),
])
const answerChoices = answersTo.map((value) => ({ value, words: said(`answers/${value}`) }))
const accountChoices = computed(() => [
  { value: ofBrand, words: t('mail.theBrands') },
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
  useToasts().say(t('mail.theSenderIsSavedFor'))
  emit('kept')
  emit('leave')
}
const drop = () =>
  acting(async () => {
    await dropSender(opened.id)
    useToasts().say(t('mail.theseEmailsComeFromSenderName', { senderName: props.brand.senderName }))
    emit('kept')
    emit('leave')
  })
</script>

<template>
  <Ask
    :model-value="true"
    wide
    :title="sender ? t('mail.aSender') : t('mail.addASender')"
    :go="sender ? t('common.save') : t('mail.addSender')"
    :busy="busy"
    :disabled="changed.length > 0"
    @update:model-value="emit('leave')"
    @go="keep"
  >
    <ChangedMeanwhile v-if="changed.length" :fields="changed" @theirs="takeTheirs" @mine="keepMine" />
    <div class="fields">
      <SelectField v-model="form.of" class="whole" :label="t('mail.ofWhichEmails')" :choices="subjects" />
      <p v-if="wrongs.kind" class="notice stuck whole" role="alert">{{ wrongs.kind }}</p>
      <FormField
        v-model="form.name"
        :label="t('common.name')"
        :placeholder="brand.senderName"
        :hint="t('mail.whatTheCustomersMailProgram')"
        :wrong="wrongs.name"
        data-test="sender-name"
      />
      <FormField
        v-model="form.address"
        :label="t('common.address')"
        type="email"
        :placeholder="brand.senderAddress"
        :hint="t('mail.theMailAccountHasTo')"
        :wrong="wrongs.address"
        data-test="sender-address"
      />
      <CheckField v-model="form.namesPerson" class="whole" data-test="names-person">{{
        t('mail.nameWhoeverSendsItBefore')
      }}</CheckField>
      <SelectField
        v-model="form.answersTo"
        :label="t('common.answersGoTo')"
        :choices="answerChoices"
        data-test="answers-to"
      />
      <FormField
        v-if="form.answersTo === 'address'"
        v-model="form.replyTo"
        :label="t('mail.addressForAnswers')"
        type="email"
        :wrong="wrongs.replyTo"
        data-test="answer-address"
      />
      <p v-else-if="form.answersTo === 'salesperson' || form.answersTo === 'person'" class="soft beside">
        {{ t('mail.byTheEmailAddressUnder', { replyTo: brand.replyTo }) }}
      </p>
      <SelectField
        v-model="form.account"
        class="whole"
        :label="t('mail.sentThroughTheMailAccount')"
        :choices="accountChoices"
      />
    </div>
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
    <button v-if="sender" type="button" class="word" data-test="drop-sender" @click="drop">
      {{ t('mail.deleteAsTheBrandAgain') }}
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
