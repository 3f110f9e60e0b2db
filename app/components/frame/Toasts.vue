<script setup lang="ts">
import { useToasts } from '../../stores/toasts'
import { attempt } from '../../composables/api'
const store = useToasts()

async function undo(id: number, act: () => Promise<void>) {
  store.remove(id)
  await attempt(act)
}
</script>

<template>
  <div class="toasts" role="status" aria-live="polite">
    <div v-for="toast in store.toasts" :key="toast.id" class="toast" :class="{ wrong: toast.wrong }">
      <span>{{ toast.words }}</span>
      <button v-if="toast.undo" type="button" @click="undo(toast.id, toast.undo)">Undo</button>
      <button type="button" aria-label="Take this note away" @click="store.remove(toast.id)">Close</button>
    </div>
  </div>
</template>

<style scoped>
.toasts {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 8px;
  max-width: 560px;
}
.toast {
  background: var(--ink);
  color: var(--paper);
  border-radius: 4px;
  padding: 10px 14px;
  display: flex;
  gap: 14px;
  align-items: baseline;
}
.toast.wrong {
  background: var(--brick);
}
button {
  color: inherit;
  font-weight: 650;
  background: none;
  border: 0;
  text-decoration: underline;
  cursor: pointer;
}
</style>
