<script setup lang="ts">
import { t } from '../words'
import { said } from '../words/speech'
import DocumentPane from '../components/paper/DocumentPane.vue'
import LineActions from '../components/line/LineActions.vue'
import LineEmpty from '../components/line/LineEmpty.vue'
import LineListRow from '../components/line/LineListRow.vue'
import LineRemedy from '../components/line/LineRemedy.vue'
import LineRope from '../components/line/LineRope.vue'
import LineSentence from '../components/line/LineSentence.vue'
import PreparedPane from '../components/paper/PreparedPane.vue'
import RowList from '../components/list/RowList.vue'
import SearchField from '../components/list/SearchField.vue'
import { useSession } from '../stores/session'
import { useLine } from '../stores/line'
import { useFilters } from '../composables/useFilters'
import { useList } from '../composables/useList'
import { api } from '../composables/api'
import { usePicks } from '../composables/usePicks'
import { useLive } from '../composables/useLive'
import { screenOf } from '../../core/documents/sources'
import { stages, type Stage } from '../../core/dispatch/states'
import type { LineGroup, LineRow } from '../contract'
import type { Leaf } from '../components/paper/LeafTabs.vue'
import type { PageOf } from '../composables/useList'

interface LinePage extends PageOf<LineRow> {
  groups: LineGroup[]
  sendable: number
  sums: { currency: string; sum: string }[]
}

const session = useSession()
const line = useLine()
const { filters, set } = useFilters({ stage: 'to check', kind: '', brand: '', over: '', search: '' })
const stage = computed<Stage>(() => stages.find((one) => one === filters.value.stage) ?? 'to check')
const leaf = ref<Leaf>('Document')
const active = ref<number | null>(null)
const listElement = ref<{ focus: () => void }>()

const list = useList<LineRow, LinePage>((place) =>
  api.get('/api/line', { query: { ...filters.value, stage: stage.value, ...place } }),
)
const picks = usePicks(list.rows)
const row = computed(() => list.rows.value.find((one) => one.id === active.value) ?? null)

watch(
  filters,
  async (now, before) => {
    if (now.stage !== before?.stage) {
      active.value = null
      picks.clear()
      list.first.value = true
      list.rows.value = []
    }
    await list.restart()
  },
  { immediate: true },
)
watch(list.rows, (rows) => {
  if (rows.length > 0 && !rows.some((one) => one.id === active.value)) active.value = rows[0]!.id
})
onMounted(() => line.refresh())
useLive(['line'], () => {
  void line.refresh()
  void list.reload()
})

const goTo = (to: Stage) => set({ stage: to })

function turn(step: 1 | -1) {
  const leaves: Leaf[] = ['Document', 'Email', 'History']
  leaf.value = leaves[Math.min(2, Math.max(0, leaves.indexOf(leaf.value) + step))]!
}

const groupOf = computed(() =>
  stage.value === 'to check'
    ? (one: LineRow) => one.routineName ?? t('common.preparedByHand')
    : stage.value === 'stuck'
      ? (one: LineRow) => (one.cause ? said(`cause/${one.cause}`) : '')
      : undefined,
)
const groupCount = (name: string) =>
  list.extra.value?.groups.find((group) => (group.name ?? t('common.preparedByHand')) === name)?.count ?? 0

async function open(id: number) {
  const one = list.rows.value.find((found) => found.id === id)
  if (one) await navigateTo(screenOf(one))
}
</script>

<template>
  <div class="page">
    <LineRope :counts="line.counts" :stage="stage" @update:stage="goTo" @enter="listElement?.focus()" />
    <div class="split">
      <section class="left" :aria-label="stage">
        <div class="bar">
          <h2 class="stage-name">{{ stage.charAt(0).toUpperCase() + stage.slice(1) }}</h2>
          <LineSentence :filters="filters" :stage="stage" @set="set" />
          <SearchField
            class="push"
            :value="filters.search"
            :label="t('line.searchThisStage')"
            @search="set({ search: $event })"
          />
        </div>
        <div v-if="list.wrong.value" class="notice stuck">
          {{ list.wrong.value }} <VBtn height="28" @click="list.reload()">{{ t('common.tryAgain') }}</VBtn>
        </div>
        <LineRemedy v-if="stage === 'stuck' && row" :key="row.id" :row="row" />
        <RowList
          ref="listElement"
          v-model:active="active"
          :rows="list.rows.value"
          :label="t('line.papersStage', { stage })"
          :picked="picks.picked.value"
          :loading="list.first.value"
          :group-of="groupOf"
          :pickable="session.may('clerk') && stage !== 'on the way' && stage !== 'arrived'"
          @update:picked="picks.set"
          @leaf="turn"
          @open="open"
          @more="list.loadMore()"
          @toggle-group="
            picks.toggleAll(list.rows.value.filter((one) => groupOf?.(one) === $event).map((one) => one.id))
          "
        >
          <template #group="{ group }"
            ><strong>{{ group }}</strong
            ><span class="soft push">{{ groupCount(group) }}</span></template
          >
          <template #row="{ row: one }"><LineListRow :row="one" :stage="stage" /></template>
          <template #empty
            ><LineEmpty
              :stage="stage"
              :filtered="!!(filters.kind || filters.brand || filters.over || filters.search)"
          /></template>
        </RowList>
        <LineActions
          :stage="stage"
          :chosen="picks.chosen.value"
          :row="row"
          :matching="list.extra.value?.matching ?? 0"
          :all-sendable="list.extra.value?.sendable ?? 0"
          :filters="filters"
          :sums="list.extra.value?.sums ?? []"
          @done="picks.clear()"
        />
      </section>
      <aside class="right" :aria-label="t('common.theDocumentInHand')">
        <template v-if="row">
          <PreparedPane v-if="row.of === 'paper'" :id="row.id" v-model:leaf="leaf" :changed="list.reload" />
          <DocumentPane
            v-else
            :id="row.documentId!"
            v-model:leaf="leaf"
            :dispatch="row.of === 'dispatch' ? row.id : null"
          />
        </template>
        <div v-else class="empty">
          <strong>{{ t('line.noDocumentSelected') }}</strong>{{ t('line.selectOneItsPDFAppears') }}
        </div>
      </aside>
    </div>
  </div>
</template>

<style scoped>
.stage-name {
  white-space: nowrap;
}
.right {
  background: var(--ledger-deep);
}
</style>
