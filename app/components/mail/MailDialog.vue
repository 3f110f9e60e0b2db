<script setup lang="ts">
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
  useToasts().say('The mail account is saved.')
  emit('kept')
  emit('leave')
}
</script>

<template>
  <Ask
    :model-value="true"
    wide
    :title="account ? account.name : 'Add a mail account'"
    go="Save"
    :busy="busy"
    @update:model-value="emit('leave')"
    @go="keep"
  >
    <div class="form">
      <MailFields v-model="form" :id="account?.id" :has-password="account?.hasPassword" :wrongs="wrongs" />
      <fieldset class="limits">
        <legend>It takes at most so many emails; empty is no limit. What is more waits its turn.</legend>
        <FormField
          v-model="form.perMinute"
          label="In a minute"
          inputmode="numeric"
          data-test="mail-per-minute"
          :wrong="wrongs.perMinute"
        />
        <FormField v-model="form.perHour" label="In an hour" inputmode="numeric" :wrong="wrongs.perHour" />
        <FormField v-model="form.perDay" label="In a day" inputmode="numeric" :wrong="wrongs.perDay" />
      </fieldset>
      <fieldset v-if="brands.length > 1">
        <legend>Brands that send through it</legend>
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
