<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import { saidWords } from '../../words/speech'
import AddressDialog from './AddressDialog.vue'
import ContactsDialog from './ContactsDialog.vue'
import CustomerSentence from './CustomerSentence.vue'
import DeliveryTable from './DeliveryTable.vue'
import EditCustomer from './EditCustomer.vue'
import HungFiles from '../enclosures/HungFiles.vue'
import { useSession } from '../../stores/session'
import { useNewest } from '../../composables/useNewest'
import { useLive } from '../../composables/useLive'
import { attempt } from '../../composables/api'
import { useToasts } from '../../stores/toasts'
import { money, shortDay } from '../../composables/format'
import { needsWords, type Beneath } from './delivery'
import { fetchCustomer, changeCustomer } from '../../calls/customers'
import { countryName } from '../../../core/countries'
import { type DocumentKind } from '../../../core/documents/kinds'
import { needsTaxNumber } from '../../../core/documents/treatment'
import type { AddressMail, Preference, Preferences } from '../../../core/preferences/recipients'
import { toldPreference } from '../../../core/preferences/recipients'
import type { CustomerView } from '../../contract'

const CompareDialog = defineAsyncComponent(() => import('./CompareDialog.vue'))

/**
 * How papers reach one customer: preferences as sentences, contacts, address; where one cannot go, the reason and
 * the remedy stand there.
 */
const props = defineProps<{ id: number }>()
const session = useSession()
const may = computed(() => session.may('clerk'))
const view = shallowRef<CustomerView>()
const wrong = ref('')
const contacts = ref(false)
const address = ref<'postal' | 'new' | number>()
const editing = ref(false)
const comparing = ref(false)

const newest = useNewest()
async function load() {
  try {
    const found = await newest(() => fetchCustomer(props.id))
    if (!found) return
    view.value = found
    wrong.value = ''
  } catch (error) {
    wrong.value = (error as Error).message
  }
}
watch(() => props.id, load, { immediate: true })
useLive(['customer', 'register'], () => void load(), 300)

const keep = (change: object, said: string) =>
  attempt(async () => {
    const before = view.value!
    await changeCustomer(props.id, { version: before.version, ...change })
    await load()
    useToasts().say(said, {
      undo: async () => {
        await changeCustomer(props.id, {
          version: view.value!.version,
          preferences: before.preferences,
          language: before.language,
          treatment: before.treatment,
          terms: before.terms,
          pricesIncludeTax: before.pricesIncludeTax,
        })
        await load()
      },
    })
  })

const beneath = computed<Beneath[]>(() => [
  { level: t('customers.theCompany'), preferences: view.value!.beneath.house },
  ...(view.value!.beneath.group
    ? [
        {
          level: t('customers.theGroupGroupName', { groupName: view.value!.groupName }),
          preferences: view.value!.beneath.group,
        },
      ]
    : []),
])
function setPreference(kind: DocumentKind, preference: Preference) {
  const { [kind]: _before, ...others } = view.value!.preferences
  const preferences: Preferences =
    Object.keys(preference).length > 0 ? { ...others, [kind]: preference } : others
  void keep(
    { preferences },
    t('customers.nameKindsPreferenceWordsFromThe', {
      name: view.value!.name,
      kinds: kindWords(kind, 'many'),
      preferenceWords: saidWords(toldPreference(preference)) || t('customers.asUsual'),
    }),
  )
}

const ownWords = computed(() =>
  session
    .house!.ownFields.filter((field) => field.of === 'customer' && view.value?.fields[field.name])
    .map((field) => `${field.name}: ${view.value!.fields[field.name]}`)
    .join(' · '),
)

const printed = (of: { name: string; attention?: string; lines: string[]; country: string }) =>
  [of.name, of.attention, ...of.lines, countryName(of.country)].filter(Boolean).join('\n')
const mailWords = (mail: AddressMail) =>
  (['to', 'cc', 'bcc'] as const)
    .filter((part) => mail[part]?.length)
    .map((part) => `${t(`common.${part}`)} ${mail[part]!.join(', ')}`)
    .join('; ')
const stateTone: Record<string, string> = {
  arrived: 'go',
  'on the way': 'way',
  waiting: 'queue',
  stuck: 'stuck',
}
</script>

<template>
  <div v-if="wrong" class="empty">
    <strong>{{ t('common.notToBeSeen') }}</strong>{{ wrong }}
  </div>
  <template v-else-if="view">
    <div class="bar">
      <strong class="cut">{{ view.name }}</strong><span class="soft mono">{{ view.number }}</span
      ><span v-if="view.groupName" class="soft cut">{{ view.groupName }}</span>
      <VBtn class="push" height="28" data-test="compare-customer" @click="comparing = true">{{
        t('customers.compare')
      }}</VBtn>
      <VBtn v-if="may" height="28" data-test="edit-customer" @click="editing = true">{{
        t('customers.edit')
      }}</VBtn>
    </div>
    <div class="body">
      <CustomerSentence :customer="view" :disabled="!may" @change="keep" />
      <p v-if="ownWords" class="soft">{{ ownWords }}</p>
      <p v-if="needsWords(view.needs)" class="soft" data-test="needs">
        {{ t('customers.invoicesWaitFor', { what: needsWords(view.needs) }) }}
      </p>
      <p v-if="view.linkCode" class="soft" data-test="link-code">
        {{ t('customers.linksAskFor', { code: view.linkCode }) }}
      </p>
      <p v-if="needsTaxNumber(view.treatment) && !view.taxNumber" class="notice stuck">
        {{ t('customers.thatNeedsTheCustomersVAT') }}
      </p>
      <h2>{{ t('customers.howDocumentsGo') }}</h2>
      <DeliveryTable
        :own="view.preferences"
        level="this customer"
        :beneath="beneath"
        :ways="view.ways"
        :may="may"
        @change="setPreference"
        @address="address = 'postal'"
        @contacts="contacts = true"
      />
      <h2>
        <I18nT keypath="customers.contactsChange" scope="global"
          ><template #change
            ><button v-if="may" type="button" class="word" data-test="contacts" @click="contacts = true">
              {{ t('customers.change') }}
            </button></template
          ></I18nT
        >
      </h2>
      <ul>
        <li v-for="contact in view.contacts" :key="contact.email + contact.role">
          <span>{{ contact.name }}</span> <span class="soft">{{ contact.email }}</span>
          <span class="tag">{{ contact.role === 'anyone' ? t('customers.anything') : contact.role }}</span>
        </li>
        <li v-if="view.contacts.length === 0" class="soft">{{ t('customers.nobodyYet') }}</li>
      </ul>
      <h2>{{ t('customers.addresses') }}</h2>
      <ul class="addresses">
        <li>
          <span class="lines">{{
            view.billing ? printed({ ...view.billing, name: view.name }) : t('common.noneYet')
          }}</span>
          <span class="tag">{{ t('customers.postal') }}</span>
          <span v-if="mailWords(view.billingMail)" class="soft">{{ mailWords(view.billingMail) }}</span>
          <button v-if="may" type="button" class="word" data-test="address" @click="address = 'postal'">
            {{ t('customers.change') }}
          </button>
        </li>
        <li v-for="one in view.addresses" :key="one.id">
          <span class="lines"
            ><strong>{{ one.label }}</strong
            >{{ `\n${printed(one.address)}` }}</span
          >
          <span class="tag">{{ one.purpose }}</span>
          <span v-if="mailWords(one.mail)" class="soft">{{ mailWords(one.mail) }}</span>
          <button v-if="may" type="button" class="word" @click="address = one.id">
            {{ t('customers.change') }}
          </button>
        </li>
      </ul>
      <button v-if="may" type="button" class="word open-end" data-test="add-address" @click="address = 'new'">
        {{ t('customers.address') }}
      </button>
      <h2>{{ t('customers.newestDocuments') }}</h2>
      <ul>
        <li v-for="one in view.documents" :key="one.id">
          <NuxtLink class="mono" :to="`/register?search=${one.number}&in=${one.id}`">{{
            one.number
          }}</NuxtLink>
          <span class="soft">{{ shortDay(one.date) }}</span>
          <span class="tag" :class="stateTone[one.state ?? ''] ?? ''">{{
            one.state ?? t('customers.notSent')
          }}</span>
          <span v-if="one.offerFollowed" class="tag go" data-test="offer-followed">{{
            t('customers.followedTheOffer')
          }}</span>
          <span class="amount push">{{ money(one.total, one.currency) }}</span>
        </li>
        <li v-if="view.documents.length === 0" class="soft">{{ t('common.noneYet') }}</li>
      </ul>
      <HungFiles :on="{ customer: view.id }" />
    </div>
    <ContactsDialog v-if="contacts" v-model="contacts" :customer-id="view.id" @kept="load" />
    <AddressDialog
      v-if="address"
      :key="address"
      :customer="view"
      :which="address"
      @leave="address = undefined"
      @kept="load"
    />
    <CompareDialog v-if="comparing" :customer="view" :may="may" @leave="comparing = false" @kept="load" />
    <EditCustomer v-if="editing" :customer="view" @leave="editing = false" @kept="load" />
  </template>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  background: var(--paper);
  padding: 12px 16px 20px;
}
h2 {
  margin: 14px 0 4px;
  border-top: 1px solid var(--rule);
  padding-top: 12px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
li {
  display: flex;
  gap: 8px;
  align-items: baseline;
  padding: 2px 0;
}
.lines {
  white-space: pre-line;
  flex: 1;
}
.addresses li {
  border-bottom: 1px solid var(--rule);
  padding: 5px 0;
}
</style>
