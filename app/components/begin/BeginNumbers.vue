<script setup lang="ts">
import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import BeginForm from './BeginForm.vue'
import FormField from '../fields/FormField.vue'
import { useSession } from '../../stores/session'
import { useWrongs } from '../../composables/useWrongs'
import { attempt } from '../../composables/api'
import { fetchBrands } from '../../calls/brands'
import { changeSeries } from '../../calls/series'
import { dayInZone } from '../../../core/documents/days'
import { documentKinds, type DocumentKind } from '../../../core/documents/kinds'
import { formatNumber } from '../../../core/numbering/series'
import type { BrandView } from '../../contract'

/** With which number each kind of document goes on: the old program's next one, or 1. */
const emit = defineEmits<{ done: [] }>()
const session = useSession()
interface Row {
  kind: DocumentKind
  brand: BrandView
  prefix: string
  start: string
}
const rows = ref<Row[]>([])
const { busy, wrong, acting } = useWrongs([])
onMounted(() =>
  attempt(async () => {
    rows.value = await Promise.all(
      documentKinds.map(async (kind): Promise<Row> => {
        const brand = (await fetchBrands({ kind }))[0]!
        return { kind, brand, prefix: brand.series!.prefix, start: String(brand.series!.start) }
      }),
    )
  }),
)
const today = dayInZone(new Date(), session.house!.company.timeZone)
const preview = ({ brand, prefix, start }: Row) => {
  const counter = Number(start)
  if (!Number.isInteger(counter) || counter < 1) return ''
  return formatNumber({ ...brand.series!, prefix }, counter, { date: today, brand: brand.code, order: '' })
}
const go = () =>
  acting(async () => {
    for (const row of rows.value) {
      const { id, version, ...series } = row.brand.series!
      if (row.prefix === series.prefix && Number(row.start) === series.start) continue
      await changeSeries(id, {
        prefix: row.prefix,
        suffix: series.suffix,
        length: series.length,
        start: Number(row.start),
        restart: series.restart,
        businessYearStart: series.businessYearStart,
        source: series.source ?? 'own',
        version,
        skipReason: '',
      })
      row.brand = (await fetchBrands({ kind: row.kind })).find((one) => one.id === row.brand.id)!
    }
    emit('done')
  })
</script>

<template>
  <BeginForm
    :title="t('common.numbers')"
    :says="t('begin.ifAnotherProgramNumberedYour')"
    :go="t('begin.saveAndGoOn')"
    :busy="busy"
    :wrong="wrong"
    @go="go"
  >
    <table>
      <thead>
        <tr>
          <th>{{ t('common.kind') }}</th>
          <th>{{ t('common.beginsWith') }}</th>
          <th>{{ t('begin.nextNumber') }}</th>
          <th>{{ t('begin.itWillRead') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.kind">
          <td>{{ kindWords(row.kind, 'many') }}</td>
          <td>
            <FormField
              v-model="row.prefix"
              mono
              :aria-label="t('begin.kindBeginsWith', { kind: kindWords(row.kind) })"
            />
          </td>
          <td>
            <FormField
              v-model="row.start"
              mono
              inputmode="numeric"
              :aria-label="t('begin.kindNextNumber', { kind: kindWords(row.kind) })"
              :data-test="`start-${row.kind}`"
            />
          </td>
          <td class="mono">{{ preview(row) }}</td>
        </tr>
      </tbody>
    </table>
    <p class="soft">
      {{ t('begin.yearIsTheYearOf') }}
    </p>
  </BeginForm>
</template>

<style scoped>
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  text-align: left;
  font-size: var(--small);
  color: var(--soft-ink);
  font-weight: 600;
  padding: 0 10px 4px 0;
}
td {
  padding: 5px 10px 5px 0;
}
td:first-child::first-letter {
  text-transform: uppercase;
}
td:nth-child(1) {
  width: 140px;
}
td:nth-child(3) {
  width: 96px;
}
td:nth-child(4) {
  width: 150px;
}
</style>
