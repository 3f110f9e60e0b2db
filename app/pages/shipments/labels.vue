<script setup lang="ts">
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import ListPane from '../../components/list/ListPane.vue'
import ShippingHead from '../../components/shipping/ShippingHead.vue'
import { carrierWords, labelState, labelTrouble } from '../../components/shipping/label-words'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useFilters } from '../../composables/useFilters'
import { useList, type PageOf } from '../../composables/useList'
import { usePicks } from '../../composables/usePicks'
import { attempt, csvHref } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { moneyWithSign, plural, shortTime } from '../../composables/format'
import { countLabels, giveLabelsBack, listLabels, makeLabelsOfMany } from '../../calls/labels'
import type { LabelRow } from '../../contract'
import type { Cost } from '../../../core/shipping/labels'
import type { ListColumn } from '../../components/list/ColumnHeads.vue'

/** Labels that need somebody, and what labels cost. */
const session = useSession()
const toasts = useToasts()
const { filters, set } = useFilters({ what: 'problem', search: '', brand: '', from: '' })
const asked = computed(() => ({
  what: filters.value.what,
  search: filters.value.search,
  brand: filters.value.brand,
  from: filters.value.from,
}))
const list = useList<LabelRow, PageOf<LabelRow> & { cost: Cost[] }>((place) =>
  listLabels({ ...asked.value, ...place }),
)
const counts = shallowRef({ problem: 0, unused: 0, late: 0 })
const load = () =>
  attempt(async () => {
    counts.value = await countLabels()
  })
onMounted(load)
const active = ref<number | null>(null)
const picks = usePicks(list.rows)
const whats = computed(() => [
  { value: 'problem', words: t('shipping.labelsWithProblem', { n: counts.value.problem }) },
  { value: 'unused', words: t('shipping.labelsUnused', { n: counts.value.unused }) },
  { value: 'late', words: t('shipping.labelsLate', { n: counts.value.late }) },
  { value: 'all', words: t('shipping.labelsAll') },
])
watch(filters, () => void list.restart(), { immediate: true })
useLive(['order'], () => {
  void list.reload()
  void load()
})
const placeOf = ({ sourceId, isReturn }: LabelRow) =>
  isReturn ? `/shipments/returns/${sourceId}` : `/shipments/${sourceId}`
function open(id: number) {
  const row = list.rows.value.find((one) => one.id === id)
  if (row) void navigateTo(placeOf(row))
}
const columns: ListColumn[] = [
  { words: t('shipping.shipment'), width: 120 },
  { words: t('shipping.parcel'), width: 64 },
  { words: t('common.customer'), width: '2fr' },
  { words: t('shipping.service'), width: '1fr' },
  { words: t('shipping.state'), width: '3fr' },
  { words: t('shipping.askedWhen'), width: 96 },
  { words: t('shipping.price'), width: 80, right: true },
]
const troubleOf = (row: LabelRow) => [labelTrouble(row), carrierWords(row)].filter(Boolean).join(' ')
const empties = computed(
  () =>
    ({
      problem: [t('shipping.noLabelTrouble'), t('shipping.whatTroubleShows')],
      unused: [t('shipping.noUnusedLabels'), t('shipping.whatUnusedShows')],
      late: [t('shipping.noLateParcels'), t('shipping.whatLateShows')],
      all: [t('shipping.noLabelsYet'), t('shipping.howALabelBegins')],
    })[filters.value.what]!,
)

const busy = ref(false)
async function act(work: () => Promise<string>) {
  busy.value = true
  await attempt(async () => {
    toasts.say(await work())
    picks.clear()
    await Promise.all([list.reload(), load()])
  })
  busy.value = false
}
const again = () =>
  act(async () => {
    const results = await makeLabelsOfMany([...new Set(picks.chosen.value.map((row) => row.sourceId))])
    const bought = results.reduce((sum, { asked = 0 }) => sum + asked, 0)
    const why = results.find(({ reason }) => reason)?.reason
    return bought > 0
      ? t('shipping.labelsAreBought', { labels: plural(bought, 'label') })
      : saidWords(why) || t('shipping.stillRefused')
  })
const giveBack = () =>
  act(async () => {
    const ids = picks.chosen.value.map(({ id }) => id)
    await giveLabelsBack(ids)
    return t('shipping.labelsAreGivenBack', { labels: plural(ids.length, 'label') })
  })
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" :aria-label="t('shipping.labels')">
        <ShippingHead
          is-below
          :title="t('shipping.labels')"
          :which-label="t('shipping.whichLabels')"
          :which="filters.what"
          :choices="whats"
          :filters="filters"
          :search-label="t('shipping.searchLabels')"
          @which="set({ what: $event })"
          @set="set"
        />
        <ListPane
          v-model:active="active"
          :list="list"
          :columns="columns"
          :label="t('shipping.labels')"
          :picks="session.may('clerk') && ['problem', 'unused'].includes(filters.what) ? picks : null"
          @open="open"
        >
          <template #row="{ row }">
            <NuxtLink class="mono" :to="placeOf(row)" @click.stop>{{ row.shipment }}</NuxtLink>
            <span>{{ t('shipping.nOfM', { n: row.parcel, of: row.parcels }) }}</span>
            <span class="cut">{{ row.customerName }}</span>
            <span class="cut soft">{{ row.service }}</span>
            <span class="how"
              ><span class="tag" :class="labelState(row).tone">{{ labelState(row).words }}</span>
              <a
                v-if="row.trackingUrl"
                class="mono"
                :href="row.trackingUrl"
                target="_blank"
                rel="noopener"
                @click.stop
                >{{ row.tracking }}</a><span
                v-if="troubleOf(row)"
                class="cut"
                :class="{ trouble: row.state !== 'asked' }"
                :title="troubleOf(row)"
                >{{ troubleOf(row) }}</span
              ></span
            >
            <span>{{ shortTime(row.askedAt) }}</span>
            <span class="amount">{{ row.price ? moneyWithSign(row.price, row.currency!) : '' }}</span>
          </template>
          <template #empty
            ><div class="empty">
              <strong>{{ empties[0] }}</strong>{{ empties[1] }}
            </div></template
          >
        </ListPane>
        <footer class="foot-bar">
          <span class="soft"
            >{{ plural(list.extra.value?.matching ?? 0, 'label')
            }}<template v-for="one in list.extra.value?.cost ?? []" :key="one.currency"
              >, {{ moneyWithSign(one.amount, one.currency) }}</template
            ></span
          >
          <span class="push" />
          <template v-if="session.may('clerk')">
            <VBtn
              v-if="filters.what === 'problem'"
              :disabled="picks.picked.value.size === 0 || busy"
              data-test="make-again"
              @click="again"
              >{{ t('shipping.makeAgain', { n: picks.picked.value.size }) }}</VBtn
            >
            <VBtn
              v-if="filters.what === 'unused'"
              :disabled="picks.picked.value.size === 0 || busy"
              data-test="give-back"
              @click="giveBack"
              >{{ t('shipping.giveBackN', { n: picks.picked.value.size }) }}</VBtn
            >
          </template>
          <VBtn :href="csvHref('/api/labels/csv', asked)" data-test="csv">{{ t('common.saveAsCSV') }}</VBtn>
        </footer>
      </section>
    </div>
  </div>
</template>

<style scoped>
.trouble {
  color: var(--brick);
}
.how {
  display: flex;
  align-items: center;
  gap: 8px;
  white-space: nowrap;
  min-width: 0;
}
</style>
