<script setup lang="ts">
import { t } from '../../words'
import BeginForm from './BeginForm.vue'
import MailFields from '../mail/MailFields.vue'
import { useWrongs } from '../../composables/useWrongs'
import { addMailAccount } from '../../calls/mail-accounts'
import { mailFormOf, writtenMail } from '../mail/mail-form'

/** Where email is handed over. It can be added later; until then emails wait. */
const emit = defineEmits<{ done: [] }>()
const form = ref(mailFormOf())
const { busy, wrong, wrongs, acting } = useWrongs(Object.keys(form.value))
const go = () =>
  acting(async () => {
    await addMailAccount(writtenMail(form.value))
    emit('done')
  })
</script>

<template>
  <BeginForm
    :title="t('begin.email')"
    :says="t('begin.theAccountThroughWhichYour')"
    :go="t('begin.saveAndFinish')"
    :busy="busy"
    :wrong="wrong"
    @go="go"
  >
    <MailFields v-model="form" :wrongs="wrongs" />
    <template #beside
      ><VBtn height="36" data-test="later" @click="emit('done')">{{ t('begin.later') }}</VBtn></template
    >
  </BeginForm>
</template>
