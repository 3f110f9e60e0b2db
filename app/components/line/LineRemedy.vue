<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { said } from '../../words/speech'
import Ask from '../frame/Ask.vue'
import ContactsDialog from '../customers/ContactsDialog.vue'
import FormField from '../fields/FormField.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { attempt } from '../../composables/api'
import { longDay, money, plural } from '../../composables/format'
import { fetchStuckByAddress, sendAgain } from '../../calls/dispatches'
import { correctAddress } from '../../calls/customers'
import type { StuckCause } from '../../../core/dispatch/states'
import type { LineRow, StuckByAddress } from '../../contract'

/**
 * Why the dispatch in hand is stuck, in plain words with the mail server's own answer behind it, and the
 * remedy in place.
 */
const props = defineProps<{ row: LineRow }>()
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

const mends: StuckCause[] = ['refused', 'bounced', 'mailbox full', 'left']
const canCorrect = computed(() => !!props.row.badAddress && mends.includes(props.row.cause!))
/** All that is stuck because of the same address; what is paid or old is not ticked. */
const alike = shallowRef<StuckByAddress[]>([])
const ticked = ref(new Set<number>())
const askToCorrect = () =>
  attempt(async () => {
    const { rows } = await fetchStuckByAddress({ address: props.row.badAddress })
    alike.value = rows
    ticked.value = new Set(rows.filter((one) => one.suggested).map((one) => one.id))
    correct.value = true
  })
function tick(id: number) {
  if (!ticked.value.delete(id)) ticked.value.add(id)
}
const whyNot = (one: StuckByAddress) =>
  ({ paid: 'paid', old: t('line.daysDaysOld', { days: one.days }), '': '' })[one.why]
const again = (ids: number[], to?: string) => sendAgain({ ids, ...(to ? { to } : {}) })

async function act(done: () => Promise<void>) {
  busy.value = true
  if (await attempt(done)) once.value = correct.value = false
  busy.value = false
}
const sendOnce = () =>
  act(async () => {
    await again([props.row.id], address.value.trim())
    toasts.say(t('line.numberGoesToAddressThis', { number: props.row.number, address: address.value.trim() }))
  })
const correctIt = () =>
  act(async () => {
    const { customers, copies, ids } = await correctAddress({
      from: props.row.badAddress!,
      to: address.value.trim(),
      again: [...ticked.value],
    })
    const where = [...customers.map((one) => one.name), ...(copies ? [plural(copies, 'copy')] : [])].join(
      ', ',
    )
    toasts.say(t('line.correctedAtWhereEmailsSent', { where, emails: plural(ids.length, 'email') }))
  })
</script>

<template>
  <div class="notice stuck remedy" data-test="remedy">
    <span class="words"
      ><strong>{{ row.number }}, {{ said(`cause/${row.cause!}`) }}.</strong>
      {{ said(`remedy/${row.cause!}`) }}
      <span v-if="row.reply" class="mono reply">{{ row.reply }}</span></span
    >
    <span v-if="session.may('clerk')" class="acts">
      <VBtn v-if="canCorrect" height="28" data-test="correct" @click="askToCorrect">{{
        t('line.correctTheAddress')
      }}</VBtn>
      <VBtn height="28" data-test="contacts" @click="contacts = true">{{
        row.cause === 'no address' ? t('line.addAContact') : t('line.contacts')
      }}</VBtn>
      <VBtn v-if="row.cause !== 'not drawn'" height="28" data-test="once" @click="once = true">{{
        t('line.toSomeoneElse')
      }}</VBtn>
    </span>
  </div>
  <ContactsDialog v-if="contacts" v-model="contacts" :customer-id="row.customerId" />
  <Ask
    v-model="once"
    :title="t('line.sendNumberToSomeoneElse', { number: row.number })"
    :go="t('common.sendIt')"
    :busy="busy"
    :disabled="!address.trim()"
    @go="sendOnce"
    ><FormField v-model="address" :label="t('common.address')" :hint="t('line.theCustomersContactsStayAs')"
  /></Ask>
  <Ask
    v-model="correct"
    wide
    :title="t('line.correctTheAddressEverywhere')"
    :go="
      ticked.size ? t('line.correctItAndSendSize', { size: ticked.size }) : t('line.correctItAndSendNothing')
    "
    :busy="busy"
    :disabled="!address.trim() || address.trim() === row.badAddress"
    @go="correctIt"
  >
    <p>
      <I18nT keypath="line.atEveryCustomerThatHas" scope="global"
        ><template #badAddress
          ><strong>{{ row.badAddress }}</strong></template
        ></I18nT
      >
    </p>
    <FormField v-model="address" :label="t('common.theRightAddress')" />
    <p class="strong">{{ t('common.sendAgain') }}</p>
    <ul class="alike" data-test="alike">
      <li v-for="one in alike" :key="one.id">
        <label
          ><VCheckboxBtn :model-value="ticked.has(one.id)" @update:model-value="tick(one.id)" />
          <span class="mono number">{{ one.number }}</span>
          <span class="name cut">{{ one.customerName }}{{ one.isCopy ? t('line.aCopy') : '' }}</span>
          <span class="soft day">{{ longDay(one.date) }}</span>
          <span class="amount">{{ money(one.total, one.currency) }}</span>
          <span class="why"
            ><span v-if="one.why" class="tag wait">{{ whyNot(one) }}</span></span
          ></label
        >
      </li>
    </ul>
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
  font-size: var(--small);
}
.acts {
  display: flex;
  gap: 6px;
  flex-wrap: wrap;
  justify-content: flex-end;
  max-width: 300px;
}
.alike {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
  max-height: 230px;
  overflow: auto;
}
.alike label {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 30px;
  border-bottom: 1px solid var(--rule);
}
.number {
  flex: 0 0 130px;
}
.name {
  flex: 1;
}
.day {
  flex: 0 0 92px;
}
.alike .amount {
  flex: 0 0 90px;
}
.why {
  flex: 0 0 92px;
}
p {
  margin: 0 0 8px;
}
@media (max-width: 700px) {
  .remedy {
    flex-direction: column;
  }
  .acts {
    max-width: none;
    justify-content: flex-start;
  }
}
</style>
