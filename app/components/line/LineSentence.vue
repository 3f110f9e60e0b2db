<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import AmountPicker from '../list/AmountPicker.vue'
import WordPicker from '../list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { brandChoices } from '../../composables/brands'
import { documentKinds } from '../../../core/documents/kinds'
import type { Stage } from '../../../core/dispatch/states'

/** The filter above a stage, written as a sentence. */
defineProps<{ filters: { kind: string; brand: string; over: string }; stage: Stage }>()
const emit = defineEmits<{ set: [change: { kind?: string; brand?: string; over?: string }] }>()
const session = useSession()
const choices = computed(() => brandChoices(session.house!.brands))
const kinds = [
  { value: '', words: t('line.anyKind') },
  ...documentKinds.map((kind) => ({ value: kind, words: kindWords(kind, 'many') })),
]
</script>

<template>
  <span class="sentence soft"
    ><I18nT keypath="line.ofKindOfBrandOf" scope="global"
      ><template #kind
        ><WordPicker
          :label="t('common.kind')"
          :choices="kinds"
          :value="filters.kind"
          @pick="emit('set', { kind: $event })" /></template
      ><template #brand
        ><WordPicker
          :label="t('common.brand')"
          :choices="choices"
          :value="filters.brand"
          @pick="emit('set', { brand: $event })" /></template
      ><template #amountPicker
        ><AmountPicker :value="filters.over" @pick="emit('set', { over: $event })" /></template></I18nT
  ></span>
</template>
