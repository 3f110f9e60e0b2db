<script setup lang="ts">
/**
 * A field whose text is taken when it is left. What is being typed outlives whatever the page loads meanwhile:
 * only a value that really became another one is taken over.
 */
const props = defineProps<{ value: string }>()
const emit = defineEmits<{ take: [value: string] }>()
const text = ref(props.value)
watch(
  () => props.value,
  (value) => {
    text.value = value
  },
)
</script>

<template>
  <VTextField v-model="text" @change="emit('take', text.trim())" />
</template>
