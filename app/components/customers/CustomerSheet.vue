<script setup lang="ts">
import AddressDialog from './AddressDialog.vue'
import ContactsDialog from './ContactsDialog.vue'
import PreferenceSentence from './PreferenceSentence.vue'
import TermsWord from './TermsWord.vue'
import WordPicker from '../list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { useNewest } from '../../composables/useNewest'
import { useLive } from '../../composables/useLive'
import { attempt } from '../../composables/api'
import { useToasts } from '../../stores/toasts'
import { money, shortDay } from '../../composables/format'
import { fetchCustomer, changeCustomer } from '../../calls/customers'
import { countryName } from '../../../core/countries'
import { documentKinds, kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import { needsTaxNumber, treatments } from '../../../core/documents/treatment'
import { termsWords } from '../../../core/documents/terms'
import { languages } from '../../../core/money/format'
import type { Preference, Preferences } from '../../../core/preferences/recipients'
import { preferenceWords } from '../../../core/preferences/recipients'
import type { CustomerView } from '../../contract'

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
const address = ref(false)

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

function setPreference(kind: DocumentKind, change: Preference) {
  const preference = Object.fromEntries(
    Object.entries({ ...view.value!.preferences[kind], ...change }).filter(
      ([, value]) => value !== undefined && !(Array.isArray(value) && value.length === 0),
    ),
  )
  const preferences: Preferences = { ...view.value!.preferences, [kind]: preference }
  void keep(
    { preferences },
    `${view.value!.name}: ${kindFacts[kind].many} ` +
      `${preferenceWords(preference as Preference) || 'as usual'}, from the next one on.`,
  )
}

const taxWords = {
  domestic: 'a domestic supply',
  'reverse charge': 'a reverse charge',
  'intra-Community supply': 'an intra-Community supply',
  export: 'an export',
  exempt: 'an exempt supply',
}
const taxChoices = treatments.map((value) => ({ value, words: taxWords[value] }))
const priceChoices = [
  { value: 'null', words: 'as the brand says them' },
  { value: 'false', words: 'without VAT' },
  { value: 'true', words: 'with VAT' },
]
const priceWords = computed(
  () => priceChoices.find((one) => one.value === String(view.value?.pricesIncludeTax))?.words ?? '',
)
const languageWords = { en: 'English', de: 'German', fr: 'French' }
const languageChoices = languages.map((value) => ({ value, words: languageWords[value] }))
const stateTone: Record<string, string> = {
  arrived: 'go',
  'on the way': 'way',
  waiting: 'queue',
  stuck: 'stuck',
}
</script>

<template>
  <div v-if="wrong" class="empty"><strong>Not to be seen</strong>{{ wrong }}</div>
  <template v-else-if="view">
    <div class="bar">
      <strong class="cut">{{ view.name }}</strong><span class="soft push mono">{{ view.number }}</span>
    </div>
    <div class="body">
      <p class="sentence">
        Papers are written in
        <WordPicker
          label="Language"
          :words="languageWords[view.language]"
          :choices="languageChoices"
          :value="view.language"
          :disabled="!may"
          @pick="
            keep({ language: $event }, `${view.name} is now written to in ${languageWords[$event as 'en']}.`)
          "
        />, prices in <strong>{{ view.currency }}</strong>
        <WordPicker
          label="Prices"
          :words="priceWords"
          :choices="priceChoices"
          :value="String(view.pricesIncludeTax)"
          :disabled="!may"
          @pick="
            keep(
              { pricesIncludeTax: $event === 'null' ? null : $event === 'true' },
              `Prices for ${view!.name} are set, for new drafts.`,
            )
          "
        />, taxed as
        <WordPicker
          label="Tax"
          :words="taxWords[view.treatment]"
          :choices="taxChoices"
          :value="view.treatment"
          :disabled="!may"
          @pick="
            keep(
              { treatment: $event },
              `${view.name} is taxed as ${taxWords[$event as 'domestic']}, from the next paper on.`,
            )
          "
        />. Invoices are due
        <TermsWord
          :terms="view.terms"
          :disabled="!may"
          @keep="
            keep({ terms: $event }, `${view!.name} pays ${termsWords($event)}, from the next invoice on.`)
          "
        />.
      </p>
      <p v-if="needsTaxNumber(view.treatment) && !view.taxNumber" class="notice stuck">
        That needs the customer's VAT number, and there is none.
      </p>
      <PreferenceSentence
        v-for="kind in documentKinds"
        :key="kind"
        :kind="kind"
        :view="view"
        :may="may"
        @change="setPreference(kind, $event)"
        @address="address = true"
        @contacts="contacts = true"
      />
      <h2>
        Contacts
        <button v-if="may" type="button" class="word" data-test="contacts" @click="contacts = true">
          change
        </button>
      </h2>
      <ul>
        <li v-for="contact in view.contacts" :key="contact.email + contact.role">
          <span>{{ contact.name }}</span> <span class="soft">{{ contact.email }}</span>
          <span class="tag">{{ contact.role === 'anyone' ? 'anything' : contact.role }}</span>
        </li>
        <li v-if="view.contacts.length === 0" class="soft">Nobody yet.</li>
      </ul>
      <h2>
        Postal address
        <button v-if="may" type="button" class="word" data-test="address" @click="address = true">
          change
        </button>
      </h2>
      <p class="lines">
        {{
          view.billing
            ? [view.name, view.billing.attention, ...view.billing.lines, countryName(view.billing.country)]
                .filter(Boolean)
                .join('\n')
            : 'None yet.'
        }}
      </p>
      <h2>Newest documents</h2>
      <ul>
        <li v-for="one in view.documents" :key="one.id">
          <NuxtLink class="mono" :to="`/register?search=${one.number}&in=${one.id}`">{{
            one.number
          }}</NuxtLink>
          <span class="soft">{{ shortDay(one.date) }}</span>
          <span class="tag" :class="stateTone[one.state ?? ''] ?? ''">{{ one.state ?? 'not sent' }}</span>
          <span class="amount push">{{ money(one.total, one.currency) }}</span>
        </li>
        <li v-if="view.documents.length === 0" class="soft">None yet.</li>
      </ul>
    </div>
    <ContactsDialog v-if="contacts" v-model="contacts" :customer-id="view.id" @kept="load" />
    <AddressDialog v-if="address" v-model="address" :customer="view" @kept="load" />
  </template>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  background: var(--paper);
  padding: 12px 16px 20px;
}
.sentence {
  white-space: normal;
  margin: 0;
  line-height: 2;
  font-size: 15px;
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
  margin: 0;
}
</style>
