<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
/** A search field above a list; tells what was typed a moment after the typing. */
const props = defineProps<{ value: string; label: string }>()
const emit = defineEmits<{ search: [text: string] }>()
const typed = ref(props.value)
let told = props.value

/**
 * Taken over only when somebody else changed it: what comes back from the URL must not overwrite what is
 * being typed.
 */
watch(
  () => props.value,
  (now) => {
    if (now !== told) typed.value = now
    told = now
  },
)

function tell() {
  told = typed.value.trim()
  emit('search', told)
}

function clear() {
  typed.value = ''
  tell()
}

const later = useDebounceFn(tell, 180)
</script>

<template>
  <VTextField
    v-model="typed"
    type="search"
    class="search"
    :placeholder="label"
    :aria-label="label"
    @input="later"
    @keydown.esc="clear"
  />
</template>

<style scoped>
.search {
  flex: 0 1 190px;
}
</style>
