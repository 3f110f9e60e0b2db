<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import SearchField from '../list/SearchField.vue'
import WordPicker, { type WordChoice } from '../list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { timeChoices } from '../../composables/times'
import { brandChoices } from '../../composables/brands'

/** What each of the lists can be narrowed by. */
interface Filters {
  brand: string
  from: string
  search: string
}

/** The head of the lists of shipments, returns and labels: which of them, of which brand, since when, and a search. */
defineProps<{
  title: string
  /** A list below that of shipments, to which it leads back. */
  isBelow?: boolean
  /** What the first word chooses, for readers of the screen. */
  whichLabel: string
  which: string
  choices: WordChoice[]
  filters: Filters
  searchLabel: string
}>()
const emit = defineEmits<{ which: [value: string]; set: [change: Partial<Filters>] }>()
const session = useSession()
const { times, timeWords } = timeChoices()
const ofBrands = computed(() => brandChoices(session.house!.brands))
</script>

<template>
  <div class="bar">
    <NuxtLink v-if="isBelow" to="/shipments" class="soft">{{ t('shipping.shipments') }}</NuxtLink>
    <h1 class="title">{{ title }}</h1>
    <span class="sentence soft"
      ><I18nT keypath="shipping.whatOfBrandOf" scope="global"
        ><template #what
          ><WordPicker
            :label="whichLabel"
            :choices="choices"
            :value="which"
            data-test="which"
            @pick="emit('which', $event)" /></template
        ><template #brand
          ><WordPicker
            :label="t('common.brand')"
            :choices="ofBrands"
            :value="filters.brand"
            @pick="emit('set', { brand: $event })" /></template
        ><template #time
          ><WordPicker
            :label="t('common.time')"
            :words="timeWords(filters.from)"
            :choices="times"
            :value="filters.from"
            @pick="emit('set', { from: $event })" /></template></I18nT
    ></span>
    <SearchField
      class="push search"
      :value="filters.search"
      :label="searchLabel"
      @search="emit('set', { search: $event })"
    />
  </div>
</template>

<style scoped>
.title {
  font-size: var(--title);
}
.bar .search {
  flex-basis: 290px;
}
</style>
