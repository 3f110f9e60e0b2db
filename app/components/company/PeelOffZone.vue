<script setup lang="ts">
import { t } from '../../words'
import FormField from '../fields/FormField.vue'
import type { ZoneTexts } from './zone'

/** Where on a sheet its peel-off label is, with a sheet of crosses to try the printer. */
const zone = defineModel<ZoneTexts>({ required: true })
defineProps<{ sample: string; disabled: boolean }>()
const fields = [
  { name: 'x', words: t('brands.fromTheLeft') },
  { name: 'y', words: t('brands.fromTheTop') },
  { name: 'width', words: t('brands.labelWidth') },
  { name: 'height', words: t('brands.labelHeight') },
] as const
const set = (name: keyof ZoneTexts, text: string) => {
  zone.value = { ...zone.value, [name]: text }
}
</script>

<template>
  <div class="zone">
    <FormField
      v-for="field in fields"
      :key="field.name"
      :model-value="zone[field.name]"
      :label="field.words"
      mono
      :disabled="disabled"
      :data-test="`zone-${field.name}`"
      @update:model-value="set(field.name, $event)"
    />
    <a :href="sample" target="_blank" rel="noopener">{{ t('carriers.testPrint') }}</a>
  </div>
</template>

<style scoped>
.zone {
  display: grid;
  grid-template-columns: repeat(4, 96px) auto;
  gap: 12px;
  align-items: end;
  margin: 4px 0 8px;
}
</style>
