<script setup lang="ts">
import { t } from '../../words'
import AccountPlaces from '../../components/accounts/AccountPlaces.vue'
import FormField from '../../components/fields/FormField.vue'
import TakenOverCustomers from '../../components/accounts/TakenOverCustomers.vue'
import TakenOverFiles from '../../components/accounts/TakenOverFiles.vue'
import SelectField from '../../components/fields/SelectField.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useForm } from '../../composables/useForm'
import { useLive } from '../../composables/useLive'
import { useMainKey } from '../../composables/useMainKey'
import { useWrongs } from '../../composables/useWrongs'
import { attempt, csvHref, sendFile } from '../../composables/api'
import { money, plural } from '../../composables/format'
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
  t('accounts.whatTheEarlierProgramSays'),
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
    useToasts().say(t('accounts.whatTheEarlierProgramSaysIs'))
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

const pdfs = shallowRef<TakenOverPdfs>()
const bringPdfs = (file: File) =>
  attempt(async () => {
    pdfs.value = await sendFile<TakenOverPdfs>('/api/open-items/pdfs', file, {})
    await load()
  })
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" :aria-label="t('accounts.takenOver')">
        <div class="bar">
          <AccountPlaces />
          <strong class="push">{{ t('accounts.openItemsOfTheEarlier') }}</strong>
        </div>
        <div class="body">
          <div v-if="view.comparison.length === 0" class="empty">
            <strong>{{ t('accounts.nothingIsTakenOverYet') }}</strong>{{ t('accounts.importTheOpenItemsOf') }}
            <NuxtLink to="/imports?of=open%20items">{{ t('accounts.importOpenItems') }}</NuxtLink>
          </div>
          <template v-else>
            <table class="plain-table" data-test="comparison">
              <thead>
                <tr>
                  <th />
                  <th colspan="2" class="right">{{ t('accounts.invoices') }}</th>
                  <th colspan="2" class="right">{{ t('common.credits') }}</th>
                  <th colspan="2" class="right">{{ t('accounts.onAccount') }}</th>
                  <th colspan="2" class="right">{{ t('accounts.inAll') }}</th>
                  <th>{{ t('accounts.theEarlierProgramItems') }}</th>
                  <th>{{ t('accounts.andTheirSum') }}</th>
                  <th>{{ t('common.difference') }}</th>
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
                  <td v-else colspan="8" class="soft">{{ t('accounts.nothingCameOver') }}</td>
                  <td>
                    <FormField
                      v-model="side.count"
                      :aria-label="t('accounts.currencyItemsInTheEarlier', { currency })"
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
                      :aria-label="t('accounts.currencyTheirSumInThe', { currency })"
                      inputmode="decimal"
                      mono
                      :disabled="!may"
                      :data-test="`sum-${currency}`"
                      :wrong="wrongs[`balance.${currency}.sum`]"
                    />
                  </td>
                  <td>
                    <span v-if="agrees(currency)" class="tag go" :data-test="`difference-${currency}`">{{
                      t('accounts.agrees')
                    }}</span>
                    <span
                      v-else-if="rowOf(currency)?.difference"
                      class="tag stuck"
                      :data-test="`difference-${currency}`"
                      >{{ plural(Math.abs(rowOf(currency)!.difference!.count), 'item') }},
                      {{ money(rowOf(currency)!.difference!.sum, currency) }}</span
                    >
                    <span v-else class="soft">{{ t('accounts.notEntered') }}</span>
                  </td>
                </tr>
              </tbody>
            </table>
            <p class="soft">
              {{ t('accounts.aDifferenceOverZeroIs') }}
            </p>
            <SelectField
              v-if="may"
              v-model="added"
              class="currency"
              :label="t('accounts.anotherCurrencyOfTheEarlier')"
              :choices="others"
            />
            <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
            <TakenOverFiles :view="view" :told="pdfs" :disabled="!may" @bring="bringPdfs" />
            <TakenOverCustomers :customers="view.customers" />
          </template>
        </div>
        <footer class="foot-bar">
          <span class="push" />
          <VBtn :href="csvHref('/api/open-items/taken-over-csv', {})">{{ t('common.saveAsCSV') }}</VBtn>
          <VBtn v-if="may" to="/imports?of=open%20items">{{ t('common.import') }}</VBtn>
          <VBtn v-if="may && dirty" @click="take">{{ t('common.discardChanges') }}</VBtn>
          <VBtn
            v-if="may"
            variant="flat"
            class="go"
            :disabled="!dirty || filled.length === 0"
            :loading="busy"
            data-test="keep-balance"
            @click="keep"
            >{{ t('common.save') }}</VBtn
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
.currency {
  max-width: 280px;
}
td {
  white-space: nowrap;
}
td .form-field {
  width: 130px;
}
</style>
