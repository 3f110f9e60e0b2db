<script setup lang="ts">
/** A search field above a list; tells what was typed a moment after the typing. */
const props = defineProps<{ value: string, label: string }>()
const emit = defineEmits<{ search: [text: string] }>()
const typed = ref(props.value)
let timer: ReturnType<typeof setTimeout> | undefined

watch(() => props.value, (now) => {
  typed.value = now
})

function later() {
  clearTimeout(timer)
  timer = setTimeout(() => emit('search', typed.value.trim()), 180)
}
</script>

<template>
  <input v-model="typed" type="search" class="search" :placeholder="label" :aria-label="label" @input="later" @keydown.esc="typed = ''; emit('search', '')">
</template>

<style scoped>
.search { border: 1px solid var(--rule); border-radius: 4px; padding: 5px 10px; min-width: 190px; font: inherit; background: var(--paper); }
</style>
