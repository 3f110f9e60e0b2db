<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import CheckField from '../fields/CheckField.vue'
import FormField from '../fields/FormField.vue'
import MailFields from './MailFields.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useWrongs } from '../../composables/useWrongs'
import { addMailAccount, changeMailAccount } from '../../calls/mail-accounts'
import { mailFormOf, writtenMail } from './mail-form'
import type { MailAccountView } from '../../contract'

/** Adds a mail account, or changes one. */
const props = defineProps<{ account: MailAccountView | undefined }>()
const emit = defineEmits<{ leave: []; kept: [] }>()
const session = useSession()
const form = ref(mailFormOf(props.account))
const { busy, wrong, wrongs, acting } = useWrongs(Object.keys(form.value))
const brands = computed(() => session.house!.brands)
const toggle = (id: number, on: boolean) => {
  form.value.brandIds = on ? [...form.value.brandIds, id] : form.value.brandIds.filter((one) => one !== id)
}
async function keep() {
  const done = await acting(async () => {
    const body = writtenMail(form.value)
    if (props.account) await changeMailAccount(props.account.id, { ...body, version: props.account.version })
    else await addMailAccount(body)
  })
  if (!done) return
  useToasts().say(t('mail.theMailAccountIsSaved'))
  emit('kept')
  emit('leave')
}
</script>

<template>
  <Ask
    :model-value="true"
    wide
    :title="account ? account.name : t('mail.addAMailAccount')"
    :go="t('common.save')"
    :busy="busy"
    @update:model-value="emit('leave')"
    @go="keep"
  >
    <div class="form">
      <MailFields v-model="form" :id="account?.id" :has-password="account?.hasPassword" :wrongs="wrongs" />
      <fieldset class="limits">
        <legend>{{ t('mail.itTakesAtMostSo') }}</legend>
        <FormField
          v-model="form.perMinute"
          :label="t('mail.inAMinute')"
          inputmode="numeric"
          data-test="mail-per-minute"
          :wrong="wrongs.perMinute"
        />
        <FormField
          v-model="form.perHour"
          :label="t('mail.inAnHour')"
          inputmode="numeric"
          :wrong="wrongs.perHour"
        />
        <FormField
          v-model="form.perDay"
          :label="t('mail.inADay')"
          inputmode="numeric"
          :wrong="wrongs.perDay"
        />
      </fieldset>
      <FormField
        v-model="form.mostMegabytes"
        class="largest"
        :label="t('mail.largestEmail')"
        :hint="t('mail.largestEmailHelp')"
        inputmode="numeric"
        data-test="mail-largest"
        :wrong="wrongs.mostMegabytes"
      />
      <fieldset v-if="brands.length > 1">
        <legend>{{ t('mail.brandsThatSendThroughIt') }}</legend>
        <CheckField
          v-for="brand in brands"
          :key="brand.id"
          :model-value="form.brandIds.includes(brand.id)"
          @update:model-value="toggle(brand.id, $event)"
          >{{ brand.name }}</CheckField
        >
      </fieldset>
      <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
    </div>
  </Ask>
</template>

<style scoped>
.form :deep(.fields) {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px 18px;
  align-items: start;
}
.form :deep(.whole) {
  grid-column: 1 / -1;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 14px 0 0;
}
.largest {
  margin-top: 14px;
}
.limits {
  display: grid;
  grid-template-columns: repeat(3, 120px);
  gap: 6px 18px;
}
.limits legend {
  margin-bottom: 6px;
}
legend {
  font-size: var(--small);
  color: var(--soft-ink);
  padding: 0;
}
</style>
