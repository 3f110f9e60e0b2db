<script setup lang="ts">
import { t } from '../../words'
import DocumentPane from './DocumentPane.vue'
import type { Leaf } from './LeafTabs.vue'

/** The document in hand at the right of a list, or what would stand there. */
defineProps<{ id: number | null; empty: string; words: string }>()
const leaf = defineModel<Leaf>('leaf', { default: 'Document' })
</script>

<template>
  <aside class="right" :aria-label="t('common.theDocumentInHand')">
    <DocumentPane v-if="id" :id="id" v-model:leaf="leaf" />
    <div v-else class="empty">
      <strong>{{ empty }}</strong>{{ words }}
    </div>
  </aside>
</template>
