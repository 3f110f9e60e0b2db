<script setup lang="ts">
import { kindTitle } from '../../composables/kinds'
import CheckField from './CheckField.vue'
import { documentKinds, type DocumentKind } from '../../../core/documents/kinds'

/** Kinds of document of which some are meant; none is all of them. Its words are the legend. */
const kinds = defineModel<DocumentKind[]>({ required: true })
const toggle = (kind: DocumentKind) => {
  kinds.value = documentKinds.filter((one) =>
    one === kind ? !kinds.value.includes(one) : kinds.value.includes(one),
  )
}
</script>

<template>
  <fieldset>
    <legend class="soft"><slot /></legend>
    <CheckField
      v-for="kind in documentKinds"
      :key="kind"
      :model-value="kinds.includes(kind)"
      @update:model-value="toggle(kind)"
      >{{ kindTitle(kind, 'many') }}</CheckField
    >
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 12px 0;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
}
legend {
  font-size: var(--small);
  padding: 0;
}
</style>
