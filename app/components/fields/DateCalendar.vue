<script setup lang="ts">
/** A month to choose a day from; loaded when it is first opened. */
defineProps<{ chosen: Date | null }>()
const emit = defineEmits<{ choose: [day: unknown] }>()
</script>

<template>
  <VDatePicker
    :model-value="chosen"
    hide-header
    first-day-of-week="1"
    elevation="3"
    @update:model-value="emit('choose', $event)"
  />
</template>
