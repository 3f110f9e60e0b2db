<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import WordPicker from '../list/WordPicker.vue'
import { attempt } from '../../composables/api'
import { useSession } from '../../stores/session'
import { fetchHolidayRegions } from '../../calls/house'
import { countryName } from '../../../core/countries'
import type { HouseSettings } from '../../contract'

/** Whose public holidays are no working days; nothing at all where the country's are the same everywhere. */
const props = defineProps<{ settings: HouseSettings; disabled: boolean }>()
const emit = defineEmits<{ keep: [change: Partial<HouseSettings>, said: string] }>()
const country = computed(() => countryName(useSession().house!.company.country))
const regions = shallowRef<{ code: string; name: string }[]>([])
onMounted(() =>
  attempt(async () => {
    regions.value = (await fetchHolidayRegions()).regions
  }),
)
const choices = computed(() => [
  { value: '', words: t('reminders.allOfTheCountry', { country: country.value }) },
  ...regions.value.map(({ code, name }) => ({ value: code, words: name })),
])
const words = computed(
  () => choices.value.find((one) => one.value === props.settings.holidayRegion)?.words ?? '',
)
</script>

<template>
  <p v-if="regions.length">
    <I18nT keypath="reminders.holidaysAreOf" scope="global"
      ><template #region
        ><WordPicker
          :label="t('reminders.holidayRegion')"
          :words="words"
          :choices="choices"
          :value="settings.holidayRegion"
          :disabled="disabled"
          @pick="emit('keep', { holidayRegion: $event }, t('reminders.holidaysAreSet'))" /></template
    ></I18nT>
  </p>
</template>
