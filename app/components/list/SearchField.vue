<script setup lang="ts">
/** A search field above a list; tells what was typed a moment after the typing. */
const props = defineProps<{ value: string; label: string }>()
const emit = defineEmits<{ search: [text: string] }>()
const typed = ref(props.value)
let timer: ReturnType<typeof setTimeout> | undefined

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

function later() {
  clearTimeout(timer)
  timer = setTimeout(tell, 180)
}
</script>

<template>
  <input
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
  border: 1px solid var(--rule);
  border-radius: 4px;
  padding: 5px 10px;
  min-width: 190px;
  font: inherit;
  background: var(--paper);
}
</style>
