<script setup lang="ts">
import AccountPlaces from '../../components/accounts/AccountPlaces.vue'
import FormField from '../../components/fields/FormField.vue'
import SelectField from '../../components/fields/SelectField.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useForm } from '../../composables/useForm'
import { useLive } from '../../composables/useLive'
import { useMainKey } from '../../composables/useMainKey'
import { useWrongs } from '../../composables/useWrongs'
import { attempt, csvHref, sendFile } from '../../composables/api'
import { money, moneyWithSign, plural } from '../../composables/format'
import { fetchTakenOver, keepTrialBalance } from '../../calls/accounts'
import type { TakenOverPdfs, TakenOverView } from '../../contract'

/** What came over from the program before this one, beside what that program says was open. */
const session = useSession()
const may = computed(() => session.may('clerk'))
const view = shallowRef<TakenOverView>({ comparison: [], customers: [], documents: 0, withPdf: 0 })
const load = () =>
  attempt(async () => {
    view.value = await fetchTakenOver()
  })
onMounted(load)
useLive(['payment', 'register', 'import'], () => void load(), 400)

/** Count and sum by currency, as they are typed. */
type Sides = Record<string, { count: string; sum: string }>
const { form, dirty, save, take } = useForm(
  () => view.value,
  ({ comparison }): { sides: Sides } => ({
    sides: Object.fromEntries(
      comparison.map(({ currency, earlier }) => [
        currency,
        { count: earlier ? String(earlier.count) : '', sum: earlier?.sum ?? '' },
      ]),
    ),
  }),
  'what the earlier program says',
)
const filled = computed(() =>
  Object.entries(form.value.sides).filter(([, side]) => side.count.trim() || side.sum.trim()),
)
const { busy, wrong, wrongs, acting } = useWrongs(
  view.value.comparison.flatMap(({ currency }) => [`balance.${currency}.count`, `balance.${currency}.sum`]),
)
const keep = () =>
  acting(async () => {
    const balance = Object.fromEntries(
      filled.value.map(([currency, { count, sum }]) => [
        currency,
        { count: Number(count.replaceAll(/[\s,]/g, '')), sum: sum.replaceAll(/[\s,]/g, '') },
      ]),
    )
    await save(() => keepTrialBalance({ balance }))
    await load()
    useToasts().say('What the earlier program says is saved.')
  })
useMainKey(() => dirty.value && !busy.value && void keep())

const others = computed(() =>
  ['EUR', 'GBP', 'USD', 'CHF', 'SEK', 'DKK', 'PLN', 'CZK'].filter((one) => !form.value.sides[one]),
)
const added = ref('')
watch(added, (currency) => {
  if (currency) form.value.sides = { ...form.value.sides, [currency]: { count: '', sum: '' } }
  added.value = ''
})
const rowOf = (currency: string) => view.value.comparison.find((one) => one.currency === currency)
const agrees = (currency: string) => {
  const difference = rowOf(currency)?.difference
  return difference && difference.count === 0 && Number(difference.sum) === 0
}

const search = ref('')
const most = 300
const customers = computed(() =>
  view.value.customers.filter((one) =>
    `${one.number} ${one.name}`.toLowerCase().includes(search.value.trim().toLowerCase()),
  ),
)
const zip = ref<HTMLInputElement>()
const pdfs = shallowRef<TakenOverPdfs>()
async function bringPdfs(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  await attempt(async () => {
    pdfs.value = await sendFile<TakenOverPdfs>('/api/open-items/pdfs', file, {})
    await load()
  })
  input.value = ''
}
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" aria-label="Taken over">
        <div class="bar">
          <AccountPlaces />
          <strong class="push">Open items of the earlier program</strong>
        </div>
        <div class="body">
          <div v-if="view.comparison.length === 0" class="empty">
            <strong>Nothing is taken over yet</strong>Import the open items of the earlier program; here they
            are compared with its trial balance.
            <NuxtLink to="/imports?of=open%20items">Import open items</NuxtLink>
          </div>
          <template v-else>
            <table data-test="comparison">
              <thead>
                <tr>
                  <th />
                  <th colspan="2" class="right">Invoices</th>
                  <th colspan="2" class="right">Credits</th>
                  <th colspan="2" class="right">On account</th>
                  <th colspan="2" class="right">In all</th>
                  <th>The earlier program: items</th>
                  <th>and their sum</th>
                  <th>Difference</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="(side, currency) in form.sides" :key="currency">
                  <th>{{ currency }}</th>
                  <template v-if="rowOf(currency)">
                    <template
                      v-for="part in [
                        rowOf(currency)!.invoices,
                        rowOf(currency)!.credits,
                        rowOf(currency)!.onAccount,
                        rowOf(currency)!,
                      ]"
                      :key="String(part.sum)"
                    >
                      <td class="right soft mono">{{ part.count }}</td>
                      <td class="right mono">{{ money(part.sum, currency) }}</td>
                    </template>
                  </template>
                  <td v-else colspan="8" class="soft">nothing came over</td>
                  <td>
                    <FormField
                      v-model="side.count"
                      :aria-label="`${currency}: items in the earlier program`"
                      inputmode="numeric"
                      mono
                      :disabled="!may"
                      :data-test="`count-${currency}`"
                      :wrong="wrongs[`balance.${currency}.count`]"
                    />
                  </td>
                  <td>
                    <FormField
                      v-model="side.sum"
                      :aria-label="`${currency}: their sum in the earlier program`"
                      inputmode="decimal"
                      mono
                      :disabled="!may"
                      :data-test="`sum-${currency}`"
                      :wrong="wrongs[`balance.${currency}.sum`]"
                    />
                  </td>
                  <td>
                    <span v-if="agrees(currency)" class="tag go" :data-test="`difference-${currency}`"
                      >agrees</span
                    >
                    <span
                      v-else-if="rowOf(currency)?.difference"
                      class="tag stuck"
                      :data-test="`difference-${currency}`"
                      >{{ plural(Math.abs(rowOf(currency)!.difference!.count), 'item') }},
                      {{ money(rowOf(currency)!.difference!.sum, currency) }}</span
                    >
                    <span v-else class="soft">not entered</span>
                  </td>
                </tr>
              </tbody>
            </table>
            <p class="soft">
              A difference over zero is missing here, one below zero is too much. What was paid since does not
              count.
            </p>
            <SelectField
              v-if="may"
              v-model="added"
              class="currency"
              label="Another currency of the earlier program"
              :choices="others"
            />
            <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
            <h2>Their PDFs</h2>
            <p class="soft">
              {{ view.withPdf }} of {{ plural(view.documents, 'document') }} came with a PDF. The others count
              as sent earlier.
            </p>
            <template v-if="may">
              <VBtn @click="zip?.click()">Add a ZIP of PDFs…</VBtn>
              <span class="soft beside">Each named by its number, like R-4711.pdf.</span>
              <input
                ref="zip"
                type="file"
                class="file"
                accept=".zip"
                aria-label="A ZIP of PDFs"
                data-test="pdfs"
                @change="bringPdfs"
              />
            </template>
            <p
              v-if="pdfs"
              class="notice"
              :class="{ wait: pdfs.unknown.length > 0 }"
              role="status"
              data-test="pdfs-told"
            >
              {{ plural(pdfs.added, 'PDF') }} added<template v-if="pdfs.before"
                >, {{ pdfs.before }} were there before</template
              >.
              <template v-if="pdfs.unknown.length"
                >No document of this number: {{ pdfs.unknown.slice(0, 12).join(', ')
                }}{{ pdfs.unknown.length > 12 ? ` and ${pdfs.unknown.length - 12} more` : '' }}.</template
              >
            </p>
            <h2>By customer</h2>
            <FormField v-model="search" aria-label="Customer" placeholder="Number or name" class="search" />
            <table data-test="by-customer">
              <thead>
                <tr>
                  <th>Number</th>
                  <th>Customer</th>
                  <th class="right">Items</th>
                  <th class="right">Sum</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="one in customers.slice(0, most)" :key="`${one.id} ${one.currency}`">
                  <td class="mono soft">{{ one.number }}</td>
                  <td>
                    <NuxtLink :to="`/accounts?customer=${one.id}`">{{ one.name }}</NuxtLink>
                  </td>
                  <td class="right mono">{{ one.count }}</td>
                  <td class="right mono">{{ moneyWithSign(one.sum, one.currency) }}</td>
                </tr>
              </tbody>
            </table>
            <p v-if="customers.length > most" class="soft">
              {{ most }} of {{ customers.length }} are shown; search for one, or save them all.
            </p>
          </template>
        </div>
        <footer class="foot-bar">
          <span class="push" />
          <VBtn :href="csvHref('/api/open-items/taken-over-csv', {})">Save as CSV</VBtn>
          <VBtn v-if="may" to="/imports?of=open%20items">Import…</VBtn>
          <VBtn v-if="may && dirty" @click="take">Discard changes</VBtn>
          <VBtn
            v-if="may"
            variant="flat"
            class="go"
            :disabled="!dirty || filled.length === 0"
            :loading="busy"
            data-test="keep-balance"
            @click="keep"
            >Save</VBtn
          >
        </footer>
      </section>
    </div>
  </div>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  padding: 14px 16px;
}
table {
  border-collapse: collapse;
}
th {
  text-align: left;
  font-size: var(--small);
  color: var(--soft-ink);
  font-weight: 600;
  padding: 2px 10px 4px;
  border-bottom: 1px solid var(--ink);
}
td,
tbody th {
  padding: 4px 10px;
  border-bottom: 1px solid var(--rule);
  white-space: nowrap;
}
.right {
  text-align: right;
}
h2 {
  margin: 20px 0 4px;
}
.currency,
.search {
  max-width: 280px;
}
.file {
  display: none;
}
.beside {
  margin-left: 12px;
}
td .form-field {
  width: 130px;
}
</style>
