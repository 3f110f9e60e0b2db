<script setup lang="ts">
import type { StuckCause } from '../../../core/dispatch/states'
import type { LineRow } from '../../../server/services/line/list'

/** Why the dispatch in hand is stuck, in plain words with the mail server's own answer behind it, and the remedy in place. */
const props = defineProps<{ row: LineRow; rows: LineRow[] }>()
const session = useSession()
const toasts = useToasts()
const contacts = ref(false)
const once = ref(false)
const correct = ref(false)
const address = ref('')
const busy = ref(false)
watch([once, correct], () => {
  address.value = correct.value ? (props.row.badAddress ?? '') : ''
})

const mends: StuckCause[] = ['refused', 'bounced', 'mailbox full']
const canCorrect = computed(() => !!props.row.badAddress && mends.includes(props.row.causeKey!))
const alike = computed(() =>
  props.rows.filter(
    (one) => one.badAddress === props.row.badAddress && one.causeKey && mends.includes(one.causeKey),
  ),
)
const again = (ids: number[], to?: string) =>
  callApi<{ ids: number[] }>('/api/dispatches/send-again', {
    method: 'POST',
    body: { ids, ...(to ? { to } : {}) },
  })

async function act(done: () => Promise<void>) {
  busy.value = true
  if (await attempt(done)) once.value = correct.value = false
  busy.value = false
}
const sendOnce = () =>
  act(async () => {
    await again([props.row.id], address.value.trim())
    toasts.say(`${props.row.number} goes to ${address.value.trim()}, this once.`)
  })
const correctIt = () =>
  act(async () => {
    const { customers } = await callApi<{ customers: { name: string }[] }>('/api/customers/correct-address', {
      method: 'POST',
      body: { from: props.row.badAddress, to: address.value.trim() },
    })
    const { ids } = await again(alike.value.map((one) => one.id))
    toasts.say(
      `Corrected at ${customers.map((one) => one.name).join(', ')}; ${plural(ids.length, 'email')} ${ids.length === 1 ? 'goes' : 'go'} again.`,
    )
  })
</script>

<template>
  <div class="notice stuck remedy" data-test="remedy">
    <span class="words"
      ><strong>{{ row.number }}, {{ row.cause }}.</strong> {{ row.remedy }}
      <span v-if="row.reply" class="mono reply">{{ row.reply }}</span></span
    >
    <span v-if="session.may('clerk')" class="acts">
      <VBtn v-if="canCorrect" height="28" data-test="correct" @click="correct = true"
        >Correct the address…</VBtn
      >
      <VBtn height="28" data-test="contacts" @click="contacts = true">{{
        row.causeKey === 'no address' ? 'Add a contact…' : 'Contacts…'
      }}</VBtn>
      <VBtn v-if="row.causeKey !== 'not drawn'" height="28" data-test="once" @click="once = true"
        >To someone else…</VBtn
      >
    </span>
  </div>
  <ContactsDialog v-if="contacts" v-model="contacts" :customer-id="row.customerId" />
  <Ask
    v-model="once"
    :title="`Send ${row.number} to someone else, this once`"
    go="Send it"
    :busy="busy"
    :disabled="!address.trim()"
    @go="sendOnce"
    ><FormField v-model="address" label="Address" hint="The customer's contacts stay as they are."
  /></Ask>
  <Ask
    v-model="correct"
    title="Correct the address everywhere"
    :go="alike.length > 1 ? `Correct it and send ${alike.length} again` : 'Correct it and send again'"
    :busy="busy"
    :disabled="!address.trim() || address.trim() === row.badAddress"
    @go="correctIt"
  >
    <p>
      At every customer that has <strong>{{ row.badAddress }}</strong>, as a contact or for copies.
      {{ alike.length > 1 ? `${alike.length} emails are stuck because of it.` : '' }}
    </p>
    <FormField v-model="address" label="The right address" />
  </Ask>
</template>

<style scoped>
.remedy {
  min-height: 62px;
  flex: none;
  align-items: flex-start;
}
.words {
  flex: 1;
}
.reply {
  font-size: 12.5px;
}
.acts {
  display: flex;
  gap: 6px;
  flex-wrap: wrap;
  justify-content: flex-end;
  max-width: 300px;
}
</style>
