<script setup lang="ts">
import { trustWords } from '../../composables/trust'
import type { RoutineView } from '../../contract'

/** The routines by name, each with how far it goes alone and what it did this month. */
defineProps<{ routines: RoutineView[]; here?: number; may: boolean; wrong: string; first: boolean }>()
const emit = defineEmits<{ turn: [id: number]; add: [] }>()
</script>

<template>
  <section class="list" aria-label="Routines">
    <div class="bar">
      <h1 class="title">Routines</h1>
      <VBtn
        class="push"
        height="28"
        href="/api/routines/csv"
        title="Save as CSV, each with its sentence"
        data-test="csv"
        >CSV</VBtn
      ><VBtn v-if="may" height="28" data-test="new-routine" @click="emit('add')">New</VBtn>
    </div>
    <div v-if="wrong" class="notice stuck">{{ wrong }}</div>
    <div v-if="!first && routines.length === 0" class="empty">
      <strong>No routine yet</strong>A routine says what goes out when, in one sentence.
    </div>
    <button
      v-for="one in routines"
      :key="one.id"
      type="button"
      class="routine"
      :data-routine="one.name"
      :class="{ here: one.id === here }"
      :aria-current="one.id === here"
      @click="emit('turn', one.id)"
    >
      <strong>{{ one.name }}</strong>
      <span
        ><span class="tag" :class="one.isOn ? trustWords[one.trust].tone : ''">{{
          one.isOn ? trustWords[one.trust].words : 'Off'
        }}</span>
        <span class="soft">{{ one.thisMonth }} this month</span></span
      >
    </button>
  </section>
</template>

<style scoped>
.title {
  font-size: var(--title);
}
.list {
  flex: 0 0 248px;
  background: var(--paper);
  border-right: 1px solid var(--rule);
  overflow: auto;
}
.routine {
  display: flex;
  flex-direction: column;
  gap: 4px;
  width: 100%;
  text-align: left;
  padding: 11px 14px;
  border: 0;
  border-bottom: 1px solid var(--rule);
  border-left: 3px solid transparent;
  background: none;
  font: inherit;
  cursor: pointer;
  color: inherit;
  outline-offset: -3px;
}
.routine .tag {
  margin-right: 6px;
}
.routine.here {
  background: var(--ledger);
  border-left-color: var(--peg);
}
</style>
