<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import { saidWords } from '../../words/speech'
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import SelectField from '../fields/SelectField.vue'
import SeriesFields from './SeriesFields.vue'
import WordPicker from '../list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { useBranches } from '../../composables/useBranches'
import { useForm } from '../../composables/useForm'
import { mayLeave } from '../../composables/useUnsaved'
import { useToasts } from '../../stores/toasts'
import { ApiRefusal, attempt } from '../../composables/api'
import { useMainKey } from '../../composables/useMainKey'
import { changeSeries, addSeries, removeSeries } from '../../calls/series'
import { countryNames } from '../../../core/countries'
import { toldScope, periodOf, type Restart } from '../../../core/numbering/series'
import { samplesOf } from '../../../core/numbering/samples'
import { dayInZone } from '../../../core/documents/days'
import { type DocumentKind } from '../../../core/documents/kinds'
import type { BrandView, SeriesView } from '../../contract'
import { freshSeries, seriesForm, seriesOf, wrongOf } from './series-form'

/**
 * How a kind of paper is numbered, with the first, next and after-restart number shown while one types.
 * Worked out by the same core that draws them.
 */
const props = defineProps<{
  brand: BrandView
  kind: DocumentKind
  kinds: { value: string; words: string }[]
}>()
const emit = defineEmits<{ kept: []; kind: [kind: DocumentKind] }>()
const session = useSession()
const disabled = computed(() => !session.may('supervisor'))
const busy = ref(false)

/** The series for all, or one for a country or a currency; 0 while a new one is written. */
const all = computed<SeriesView[]>(() => [
  ...(props.brand.series ? [props.brand.series] : []),
  ...props.brand.closerSeries,
])
const seriesId = ref(props.brand.series?.id ?? 0)
const series = computed(
  () =>
    all.value.find((one) => one.id === seriesId.value) ?? {
      ...freshSeries(props.kind, props.brand.id),
      prefix: all.value[0]?.prefix ?? '',
    },
)
const scope = ref({ country: '', currency: '', branch: '' })
const branches = useBranches(() => props.brand.id)
const branchChoices = computed(() => [
  { value: '', words: t('brands.allOfThem') },
  ...branches.value.filter((one) => !one.closed).map(({ name }) => ({ value: name, words: name })),
])
const seriesChoices = computed(() => [
  ...all.value.map((one) => ({
    value: String(one.id),
    words: saidWords(toldScope(one)) || t('brands.allOfThem'),
  })),
  ...(disabled.value ? [] : [{ value: '0', words: t('brands.anotherBranchCountryOrCurrency') }]),
])

const { form, base, dirty, save, take } = useForm(() => series.value, seriesForm, t('brands.theNumbers'))
async function turnTo(id: number) {
  if (id === seriesId.value || !(await mayLeave())) return
  seriesId.value = id
  await nextTick()
  take()
}
const typed = computed(() => seriesOf(form.value))
const wrong = computed(() => wrongOf(typed.value))

const today = dayInZone(new Date(), session.house!.company.timeZone)
const last = computed(
  () => series.value.counters.find((counter) => counter.period === periodOf(typed.value, today))?.last,
)
const nextPeriods: Record<Restart, string> = {
  never: '',
  year: t('brands.theFirstOfNextYear'),
  'business year': t('brands.theFirstOfTheNext'),
  month: t('brands.theFirstOfANew'),
}
const sampleWords = computed(() => ({
  next: t('brands.theNextOne'),
  first: t('brands.theFirstOfAll'),
  'first of the next period': nextPeriods[form.value.restart as Restart],
  'first of an order': t('brands.theFirstOfAnOrder'),
  'second of an order': t('brands.theSecondOfTheSame'),
}))
const samples = computed(() =>
  wrong.value.words
    ? []
    : samplesOf(typed.value, { date: today, brand: props.brand.code, order: 'SO-20931' }, last.value),
)
/** The server's question about numbers that a higher start leaves out, and why they are. */
const skipped = ref('')
const skipReason = ref('')
const asksToSkip = computed({
  get: () => skipped.value !== '',
  set: (open) => {
    if (!open) skipped.value = ''
  },
})

async function write() {
  if (series.value.id)
    await changeSeries(series.value.id, {
      ...typed.value,
      version: base.value.version,
      ...(skipped.value ? { skipReason: skipReason.value.trim() } : {}),
    })
  else
    seriesId.value = (
      await addSeries({ ...typed.value, ...scope.value, brandId: props.brand.id, kind: props.kind })
    ).id
}
async function keep() {
  if (!dirty.value || busy.value || wrong.value.words) return
  busy.value = true
  try {
    await save(write)
    useToasts().say(t('brands.theNumberSeriesIsSaved'))
    skipped.value = skipReason.value = ''
    emit('kept')
  } catch (error) {
    if (error instanceof ApiRefusal && error.code === 'numbers-skipped') skipped.value = error.message
    else useToasts().say((error as Error).message, { wrong: true })
  }
  busy.value = false
}
const takeAway = () =>
  attempt(async () => {
    await removeSeries(series.value.id)
    useToasts().say(t('brands.theSeriesIsTakenAway'))
    seriesId.value = props.brand.series?.id ?? 0
    emit('kept')
  })
useMainKey(() => void keep())
</script>

<template>
  <div class="body">
    <h2>
      <I18nT keypath="brands.numbersOfKindBrandFor" scope="global"
        ><template #kind
          ><WordPicker
            :label="t('common.kind')"
            :words="kindWords(kind, 'many')"
            :choices="kinds"
            :value="kind"
            @pick="emit('kind', $event as DocumentKind)" /></template
        ><template #brand>{{ brand.name }}</template
        ><template #seriesFor
          ><WordPicker
            :label="t('brands.seriesFor')"
            :words="
              seriesId
                ? saidWords(toldScope(series)) || t('brands.allOfThem')
                : t('brands.anotherBranchCountryOrCurrency2')
            "
            :choices="seriesChoices"
            :value="String(seriesId)"
            @pick="turnTo(Number($event))" /></template
      ></I18nT>
    </h2>
    <div v-if="!seriesId" class="grid">
      <SelectField
        v-if="branches.length"
        v-model="scope.branch"
        :label="t('brands.branch')"
        :choices="branchChoices"
      />
      <FormField
        v-model="scope.country"
        :label="t('brands.countryOfTheCustomerMay')"
        :suggest="countryNames"
      /><FormField v-model="scope.currency" :label="t('brands.currencyLikeGBPMayBe')" mono />
    </div>
    <SeriesFields v-model="form" :disabled="disabled" :wrong="wrong" />
    <p class="soft">
      {{ t('brands.partsOfTheDateOf') }}
      <code
        v-for="part in ['{year}', '{yy}', '{month}', '{day}', '{quarter}', '{brand}', '{order}']"
        :key="part"
        >{{ part }}</code
      >
    </p>
    <dl data-test="samples">
      <template v-for="one in samples" :key="one.what"
        ><dt>{{ sampleWords[one.what] }}</dt>
        <dd class="mono">{{ one.number }}</dd></template
      >
    </dl>
    <p v-if="series.counters.length" class="soft">
      {{ t('brands.issuedSoFar') }}
      <span v-for="counter in series.counters" :key="counter.period"
        >{{
          t('brands.counterUpToLast', {
            counter: counter.period || t('brands.allOfThem'),
            last: counter.last,
          })
        }} </span>{{ t('brands.numbersGoOnFromThere') }}
    </p>
  </div>
  <footer v-if="!disabled" class="foot-bar">
    <span v-if="dirty" class="tag wait">{{ t('common.notSavedYet') }}</span><span class="push" /><VBtn
      v-if="series.id && saidWords(toldScope(series))"
      :disabled="busy"
      @click="takeAway"
      >{{ t('brands.takeItAway') }}</VBtn
    ><VBtn
      variant="flat"
      class="go"
      :disabled="!dirty || busy || !!wrong.words"
      data-test="keep-series"
      @click="keep"
      >{{ t('common.save') }}</VBtn
    >
  </footer>
  <Ask
    v-model="asksToSkip"
    :title="skipped"
    :go="t('brands.leaveThemOut')"
    danger
    :busy="busy"
    :disabled="!skipReason.trim()"
    @go="keep"
  >
    <p>{{ t('brands.numbersThatAreLeftOut') }}</p>
    <FormField v-model="skipReason" :label="t('common.whyItIsKept')" :hint="t('brands.weGoOnFromThe')" />
  </Ask>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  padding: 14px 16px;
}
.grid {
  display: grid;
  grid-template-columns: 1.4fr 1fr;
  gap: 10px;
  margin: 8px 0;
}
code {
  font-family: var(--mono);
  background: var(--ledger);
  padding: 1px 5px;
  border-radius: 3px;
  margin-right: 5px;
  color: var(--ink);
}
dl {
  display: grid;
  grid-template-columns: 180px 1fr;
  gap: 8px;
  border-top: 1px solid var(--rule);
  border-bottom: 1px solid var(--rule);
  padding: 12px 0;
  margin: 14px 0;
}
dd {
  margin: 0;
  font-size: var(--title);
  font-weight: 600;
}
dt {
  color: var(--soft-ink);
}
</style>
