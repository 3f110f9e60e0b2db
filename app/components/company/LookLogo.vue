<script setup lang="ts">
import { t } from '../../words'
import FormField from '../fields/FormField.vue'

/** The logo of a design: another picture, how wide it is, or none. Its picture is kept at once. */
const width = defineModel<string>({ required: true })
defineProps<{ hasLogo: boolean; disabled: boolean; busy: boolean }>()
const emit = defineEmits<{ picture: [base64: string]; takeOff: [] }>()

/** So many bytes become text at once: more would not fit as arguments. */
const atOnce = 8192
async function upload(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  const bytes = new Uint8Array(await file.arrayBuffer())
  let text = ''
  for (let at = 0; at < bytes.length; at += atOnce)
    text += String.fromCharCode(...bytes.subarray(at, at + atOnce))
  emit('picture', btoa(text))
  input.value = ''
}
</script>

<template>
  <div class="logo">
    <label class="file"
      ><span>{{
        t('brands.logoSVGPNGOrJPEG', {
          logo: hasLogo ? t('brands.anotherPicture') : t('brands.aPicture'),
        })
      }}</span
      ><input
        type="file"
        accept="image/png,image/jpeg,image/svg+xml"
        :disabled="disabled || busy"
        data-test="logo"
        @change="upload"
    /></label>
    <FormField
      v-if="hasLogo"
      v-model="width"
      class="width"
      :label="t('brands.widthInMm')"
      mono
      :disabled="disabled"
    />
    <VBtn v-if="hasLogo && !disabled" :disabled="busy" @click="emit('takeOff')">{{
      t('brands.takeTheLogoOff')
    }}</VBtn>
  </div>
</template>

<style scoped>
.logo {
  display: flex;
  flex-wrap: wrap;
  gap: 14px 20px;
  align-items: end;
}
.file span {
  display: block;
  font-size: var(--small);
  color: var(--soft-ink);
}
.file input {
  font: inherit;
  max-width: 300px;
}
.file input::file-selector-button {
  font: inherit;
  font-weight: 600;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--paper);
  padding: 6px 12px;
  margin-right: 10px;
  color: var(--ink);
  cursor: pointer;
}
.width {
  width: 110px;
}
</style>
