<script setup lang="ts">
import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import RecordList from '../list/RecordList.vue'
import StandingTextDialog from './StandingTextDialog.vue'
import { placeWords, audienceWords } from './words'
import { useSession } from '../../stores/session'
import { attempt } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { longDay, listed } from '../../composables/format'
import { fetchStandingTexts } from '../../calls/standing-texts'
import type { StandingTextView } from '../../contract'

/** Texts of the house that stand on documents: what, on which, where and from when to when. */
const session = useSession()
const may = computed(() => session.may('supervisor'))
const texts = shallowRef<StandingTextView[]>()
const load = () =>
  attempt(async () => {
    texts.value = (await fetchStandingTexts()).texts
  })
onMounted(load)
useLive(['house'], () => void load())
const editing = shallowRef<StandingTextView | 'new'>()
const brandOf = (id: number | null) => session.house!.brands.find((one) => one.id === id)?.name
const onWhat = (text: StandingTextView) =>
  [
    text.kinds.length === 0
      ? t('texts.allDocuments')
      : listed(text.kinds.map((kind) => kindWords(kind, 'many'))),
    text.brandId === null
      ? ''
      : t('texts.ofBrandOf', { brandOf: brandOf(text.brandId) ?? t('texts.anotherBrand') }),
    text.customers === 'all'
      ? ''
      : t('texts.forAudienceWords', { audienceWords: audienceWords[text.customers] }),
  ]
    .filter(Boolean)
    .join(' ')
const wordsOf = ({ texts }: StandingTextView) =>
  texts[session.house!.company.language] || Object.values(texts).find(Boolean)
const when = (text: StandingTextView) =>
  [
    text.from && t('common.fromFrom', { from: longDay(text.from) }),
    text.until && t('texts.untilUntil', { until: longDay(text.until) }),
  ]
    .filter(Boolean)
    .join(' ')
</script>

<template>
  <div class="body">
    <RecordList
      :rows="texts"
      :add="may ? t('texts.addText') : ''"
      add-test="add-text"
      columns="minmax(0, 1.3fr) minmax(0, 1fr) 190px 80px"
      @add="editing = 'new'"
    >
      <template #intro>
        {{ t('texts.termsAFooterARemark') }}
      </template>
      <template #row="{ row: text }">
        <span class="what"
          ><strong>{{ text.name }}</strong
          ><span class="soft cut">{{ wordsOf(text) }}</span></span
        >
        <span>{{ onWhat(text) }}, {{ placeWords[text.place] }}</span>
        <span class="soft">{{ when(text) }}</span>
        <VBtn v-if="may" height="30" :data-test="`text-${text.name}`" @click="editing = text">{{
          t('common.open')
        }}</VBtn>
      </template>
      <template #empty>
        <strong>{{ t('texts.noStandingTextsYet') }}</strong>{{ t('texts.addYourTermsOfSale') }}
      </template>
    </RecordList>
    <StandingTextDialog
      v-if="editing"
      :text="editing === 'new' ? undefined : editing"
      @leave="editing = undefined"
      @kept="load"
    />
  </div>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  padding: 14px 16px;
}
</style>
