<script setup lang="ts">
import type { NuxtError } from '#app'
import { t } from './words'

/** An address that leads nowhere, or a page that broke: what happened, and the way back. */
const props = defineProps<{ error: NuxtError }>()
const isMissing = computed(() => props.error.status === 404)
const back = () => clearError({ redirect: '/' })
</script>

<template>
  <main>
    <h1>{{ isMissing ? t('common.noSuchPage') : t('common.pageBroke') }}</h1>
    <p>{{ isMissing ? t('common.noSuchPageWords') : t('common.pageBrokeWords') }}</p>
    <button type="button" data-test="go-back" @click="back">{{ t('common.toTheLine') }}</button>
  </main>
</template>

<style scoped>
main {
  max-width: 460px;
  margin: 18vh auto 0;
  padding: 0 20px;
}
button {
  padding: 8px 16px;
  border: 0;
  border-radius: 4px;
  background: var(--spruce);
  color: #fff;
  font: inherit;
  font-weight: 600;
  cursor: pointer;
}
</style>
