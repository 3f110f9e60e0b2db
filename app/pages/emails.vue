<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../words'
import { toldSendTo } from '../../core/dispatch/send-to'
import { saidWords } from '../words/speech'
import { kindWords } from '../composables/kinds'
import DateField from '../components/fields/DateField.vue'
import DocumentPane from '../components/paper/DocumentPane.vue'
import ListPane from '../components/list/ListPane.vue'
import SearchField from '../components/list/SearchField.vue'
import WordPanel from '../components/list/WordPanel.vue'
import WordPicker from '../components/list/WordPicker.vue'
import { useFilters } from '../composables/useFilters'
import { useList } from '../composables/useList'
import { api } from '../composables/api'
import { useHand } from '../composables/useHand'
import { useLive } from '../composables/useLive'
import { fullTime, longDay, shortTime } from '../composables/format'
import { documentKinds } from '../../core/documents/kinds'
import { dispatchStages } from '../../core/dispatch/states'
import type { DispatchRow } from '../contract'
import type { Leaf } from '../components/paper/LeafTabs.vue'
import type { PageOf } from '../composables/useList'
import type { ListColumn } from '../components/list/ColumnHeads.vue'

/** Every email and print job there ever was; the one in hand with its exact words and files beside it. */
const { filters, set } = useFilters({ address: '', state: '', kind: '', text: '', from: '', to: '' })
const list = useList<DispatchRow, PageOf<DispatchRow>>((place) =>
  api.get('/api/dispatches', { query: { ...filters.value, ...place } }),
)
const { active, row } = useHand(list.rows)
const leaf = ref<Leaf>('Email')
watch(filters, () => void list.restart(), { immediate: true })
useLive(['line'], () => void list.reload(), 600)

const states = [
  { value: '', words: t('common.inAnyState') },
  ...dispatchStages.map((value) => ({ value: value as string, words: value as string })),
]
const kinds = [
  { value: '', words: t('dispatches.documentsOfAnyKind') },
  ...documentKinds.map((value) => ({ value: value as string, words: kindWords(value, 'many') })),
]
const tone: Record<string, string> = { arrived: 'go', 'on the way': 'way', stuck: 'stuck', waiting: 'queue' }
const stateOf = (one: DispatchRow) =>
  ['claimed', 'handing over'].includes(one.state) ? 'waiting' : one.state
function turn(step: 1 | -1) {
  const leaves: Leaf[] = ['Document', 'Email', 'History']
  leaf.value = leaves[Math.min(2, Math.max(0, leaves.indexOf(leaf.value) + step))]!
}
const columns: ListColumn[] = [
  { words: t('common.when'), width: 76 },
  { words: t('common.number'), width: 128 },
  { words: t('common.to'), width: '3fr' },
  { words: t('common.subject'), width: '4fr' },
  { words: t('common.state'), width: 86 },
]
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" :aria-label="t('common.emails')">
        <div class="bar">
          <h1 class="title">{{ t('common.emails') }}</h1>
          <span class="sentence soft"
            ><I18nT keypath="dispatches.withKindStateDays" scope="global"
              ><template #kind
                ><WordPicker
                  :label="t('common.kind')"
                  :choices="kinds"
                  :value="filters.kind"
                  @pick="set({ kind: $event })" /></template
              ><template #state
                ><WordPicker
                  :label="t('common.state')"
                  :choices="states"
                  :value="filters.state"
                  @pick="set({ state: $event })" /></template
              ><template #days
                ><WordPanel
                  :label="t('common.days')"
                  :words="
                    filters.from || filters.to
                      ? t('dispatches.filtersToFilters2', {
                          filters: filters.from ? longDay(filters.from) : t('dispatches.theFirst'),
                          filters2: filters.to ? longDay(filters.to) : t('bank.today'),
                        })
                      : t('dispatches.ofAnyDay')
                  "
                  ><label
                    ><I18nT keypath="dispatches.fromDateField" scope="global"
                      ><template #dateField
                        ><DateField
                          :model-value="filters.from"
                          @update:model-value="set({ from: $event ?? '' })" /></template></I18nT></label
                  ><label
                    ><I18nT keypath="dispatches.toDateField" scope="global"
                      ><template #dateField
                        ><DateField
                          :model-value="filters.to"
                          @update:model-value="
                            set({ to: $event ?? '' })
                          " /></template></I18nT></label></WordPanel></template
            ></I18nT>
          </span>
          <NuxtLink class="push" to="/figures" data-test="figures">{{ t('dispatches.figures') }}</NuxtLink>
          <SearchField
            :value="filters.address"
            :label="t('common.address')"
            @search="set({ address: $event })"
          />
          <SearchField
            :value="filters.text"
            :label="t('dispatches.wordsInIt')"
            @search="set({ text: $event })"
          />
        </div>
        <ListPane
          v-model:active="active"
          :list="list"
          :columns="columns"
          :label="t('common.emails')"
          @leaf="turn"
        >
          <template #row="{ row: one }">
            <span class="soft" :title="fullTime(one.createdAt)">{{ shortTime(one.createdAt) }}</span>
            <span class="mono cut">{{ one.number }}</span>
            <span class="cut" :title="saidWords(toldSendTo(one.sendTo))"
              ><span v-if="one.part" class="tag">{{ t('dispatches.partOf', one.part) }}</span
              ><span v-else-if="one.isCopy" class="tag">{{ t('dispatches.copy') }}</span>
              {{ saidWords(toldSendTo(one.sendTo)) || one.customerName }}</span
            >
            <span class="cut">{{
              one.subject ||
              (one.channel === 'email'
                ? kindWords(one.kind, 'one')
                : one.state === 'arrived'
                  ? t('common.printed')
                  : t('dispatches.toPrint'))
            }}</span>
            <span
              ><span class="tag" :class="tone[stateOf(one)] ?? ''">{{ stateOf(one) }}</span></span
            >
          </template>
          <template #empty
            ><div class="empty">
              <strong>{{ t('dispatches.noEmailOfThatKind') }}</strong>{{
                t('dispatches.everyEmailIsListedHere')
              }}
            </div></template
          >
        </ListPane>
      </section>
      <aside class="right" :aria-label="t('common.theEmail')">
        <DocumentPane v-if="row" :id="row.documentId" v-model:leaf="leaf" :dispatch="row.id" />
        <div v-else class="empty">
          <strong>{{ t('dispatches.noEmailSelected') }}</strong>{{ t('dispatches.chooseOneToReadIt') }}
        </div>
      </aside>
    </div>
  </div>
</template>

<style scoped>
.title {
  font-size: var(--title);
}
.bar :deep(.search) {
  min-width: 0;
  width: 132px;
}
</style>
