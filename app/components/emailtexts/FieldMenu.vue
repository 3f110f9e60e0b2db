<script setup lang="ts">
import { t } from '../../words'
import FieldList from './FieldList.vue'
import type { FieldName } from '../../../core/emailtexts/fields'

/** A button that opens the list of fields, with a place to narrow it. */
defineProps<{ values: Partial<Record<FieldName, string>> }>()
const emit = defineEmits<{ pick: [name: FieldName] }>()
const open = ref(false)
const narrow = ref('')
const field = ref<HTMLInputElement>()
const list = ref<InstanceType<typeof FieldList>>()

watch(open, (now) => {
  narrow.value = ''
  if (now) setTimeout(() => field.value?.focus(), 30)
})
function pick(name: FieldName) {
  open.value = false
  emit('pick', name)
}
function key(event: KeyboardEvent) {
  if (event.key !== 'Tab' && list.value?.key(event)) event.preventDefault()
}
</script>

<template>
  <VMenu v-model="open" :close-on-content-click="false">
    <template #activator="{ props: activator }">
      <button type="button" class="tool" data-test="tool-field" v-bind="activator">
        {{ t('emailtexts.field') }}
      </button>
    </template>
    <div class="menu">
      <input
        ref="field"
        v-model="narrow"
        type="text"
        :placeholder="t('emailtexts.whichField')"
        :aria-label="t('emailtexts.whichField')"
        @keydown="key"
      />
      <FieldList ref="list" :narrow="narrow" :values="values" @pick="pick" />
    </div>
  </VMenu>
</template>

<style scoped>
.menu {
  background: var(--paper);
  border: 1px solid var(--ink);
  border-radius: 4px;
  overflow: hidden;
  box-shadow: 0 6px 18px rgb(22 38 43 / 18%);
}
input {
  width: 100%;
  padding: 8px 12px;
  border: 0;
  border-bottom: 1px solid var(--rule);
  font: inherit;
  outline: none;
}
</style>
