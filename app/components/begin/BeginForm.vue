<script setup lang="ts">
/** A step of the first visit: heading, a sentence, its fields, and what goes on. Enter in a field is the button. */
defineProps<{ title: string; says: string; go: string; busy: boolean; wrong: string }>()
const emit = defineEmits<{ go: [] }>()
</script>

<template>
  <form novalidate @submit.prevent="emit('go')">
    <h1>{{ title }}</h1>
    <p class="soft">{{ says }}</p>
    <slot />
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
    <div class="buttons">
      <slot name="beside" />
      <VBtn type="submit" variant="flat" class="go" height="36" :loading="busy" data-test="begin-go">{{
        go
      }}</VBtn>
    </div>
  </form>
</template>

<style scoped>
h1 {
  font-size: var(--large);
}
form > p {
  margin: 2px 0 16px;
}
.buttons {
  display: flex;
  justify-content: flex-end;
  gap: 10px;
  margin-top: 20px;
}
form :deep(.fields) {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px 18px;
  align-items: start;
}
form :deep(.whole) {
  grid-column: 1 / -1;
}
@media (max-width: 560px) {
  form :deep(.fields) {
    grid-template-columns: 1fr;
  }
}
</style>
