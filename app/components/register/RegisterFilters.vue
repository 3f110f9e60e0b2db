<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import WordPicker from '../list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { brandChoices } from '../../composables/brands'
import { timeChoices } from '../../composables/times'
import { documentKinds } from '../../../core/documents/kinds'

/** Which documents the Register shows, as a sentence. */
interface Filters {
  kind: string
  brand: string
  state: string
  from: string
}
defineProps<{ filters: Filters }>()
const emit = defineEmits<{ set: [change: Partial<Filters>] }>()
const session = useSession()
const states = [
  { value: '', words: t('common.inAnyState') },
  { value: 'open', words: t('register.stillOpen') },
  { value: 'overdue', words: t('common.overdue') },
  { value: 'not sent', words: t('common.notSent') },
  { value: 'taken over', words: t('register.takenOverFromTheEarlier') },
  { value: 'void', words: t('common.voidWord') },
  { value: 'withdrawn', words: t('register.ofWithdrawnOrders') },
  { value: 'earlier date', words: t('register.datedBeforeAnEarlierNumber') },
]
const ofBrands = computed(() => brandChoices(session.house!.brands))
const kinds = [
  { value: '', words: t('register.documents') },
  ...documentKinds.map((kind) => ({ value: kind, words: kindWords(kind, 'many') })),
]
const { times, timeWords } = timeChoices()
</script>

<template>
  <span class="sentence soft"
    ><I18nT keypath="register.kindOfBrandStateOf" scope="global"
      ><template #kind
        ><WordPicker
          :label="t('common.kind')"
          :choices="kinds"
          :value="filters.kind"
          @pick="emit('set', { kind: $event })" /></template
      ><template #brand
        ><WordPicker
          :label="t('common.brand')"
          :choices="ofBrands"
          :value="filters.brand"
          @pick="emit('set', { brand: $event })" /></template
      ><template #state
        ><WordPicker
          :label="t('common.state')"
          :choices="states"
          :value="filters.state"
          @pick="emit('set', { state: $event })" /></template
      ><template #time
        ><WordPicker
          :label="t('common.time')"
          :words="timeWords(filters.from)"
          :choices="times"
          :value="filters.from"
          @pick="emit('set', { from: $event })" /></template></I18nT
  ></span>
</template>
