<script setup lang="ts">
/** Something that is so or not; its words are the slot. */
defineOptions({ inheritAttrs: false })
const value = defineModel<boolean>({ required: true })
withDefaults(defineProps<{ disabled?: boolean }>(), { disabled: false })
</script>

<template>
  <VCheckbox v-bind="$attrs" v-model="value" :disabled="disabled">
    <template #label><slot /></template>
  </VCheckbox>
</template>
