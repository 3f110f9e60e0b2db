<script setup lang="ts">
import { t } from '../../words'
import FormField from '../fields/FormField.vue'
import SelectField from '../fields/SelectField.vue'
import MailTried from './MailTried.vue'
import { useActing } from '../../composables/useActing'
import { tryMailAccount } from '../../calls/mail-accounts'
import { usualPort, writtenMail, type MailForm } from './mail-form'
import type { Tried } from '../../contract'

/** The fields of a mail account, and its trial: what the server says, step by step. */
const form = defineModel<MailForm>({ required: true })
const props = defineProps<{ wrongs: Record<string, string>; id?: number; hasPassword?: boolean }>()
const securities = [
  { value: 'starttls', words: 'STARTTLS' },
  { value: 'tls', words: t('mail.tlsFromTheStart') },
  { value: 'none', words: t('mail.noneOnlyOnThisComputer') },
] as const
watch(
  () => form.value.security,
  (security, before) => {
    if (form.value.port === usualPort[before]) form.value.port = usualPort[security]
  },
)
const tried = shallowRef<Tried>()
watch(form, () => (tried.value = undefined), { deep: true })
const { busy, wrong, acting } = useActing()
const tryIt = () =>
  acting(async () => {
    tried.value = undefined
    tried.value = await tryMailAccount({ ...writtenMail(form.value), ...(props.id ? { id: props.id } : {}) })
  })
</script>

<template>
  <div class="fields">
    <FormField
      v-model="form.host"
      :label="t('mail.server')"
      :placeholder="t('mail.mailHouseExample')"
      :hint="t('mail.yourMailProviderCallsIt')"
      data-test="mail-host"
      :wrong="wrongs.host"
    />
    <FormField
      v-model="form.name"
      :label="t('common.nameInClothespin')"
      data-test="mail-name"
      :wrong="wrongs.name"
    />
    <SelectField
      v-model="form.security"
      :label="t('mail.encryption')"
      :choices="securities"
      data-test="mail-security"
    />
    <FormField
      v-model="form.port"
      :label="t('mail.port')"
      mono
      inputmode="numeric"
      data-test="mail-port"
      :wrong="wrongs.port"
    />
    <FormField
      v-model="form.userName"
      :label="t('mail.user')"
      :hint="t('mail.oftenTheEmailAddressItself')"
      autocomplete="off"
      data-test="mail-user"
      :wrong="wrongs.userName"
    />
    <FormField
      v-model="form.password"
      :label="t('common.password')"
      type="password"
      autocomplete="new-password"
      :placeholder="hasPassword ? t('mail.staysAsItIs') : ''"
      :hint="t('mail.itIsKeptEncryptedAnd')"
      :wrong="wrongs.password"
    />
    <p v-if="wrongs.security" class="notice stuck whole" role="alert">{{ wrongs.security }}</p>
    <div class="whole try">
      <VBtn :loading="busy" :disabled="!form.host" data-test="mail-try" @click="tryIt">{{
        t('mail.tryIt')
      }}</VBtn>
      <span class="soft">{{ t('mail.connectsSignsInAndSends') }}</span>
    </div>
    <p v-if="wrong" class="notice stuck whole" role="alert">{{ wrong }}</p>
    <MailTried v-if="tried" class="whole" :tried="tried" />
  </div>
</template>

<style scoped>
.try {
  display: flex;
  gap: 12px;
  align-items: center;
}
</style>
