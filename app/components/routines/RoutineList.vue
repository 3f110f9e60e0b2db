<script setup lang="ts">
import { t } from '../../words'
import { trustWords } from '../../composables/trust'
import type { RoutineView } from '../../contract'

/** The routines by name, each with how far it goes alone and what it did this month. */
defineProps<{ routines: RoutineView[]; here?: number; may: boolean; wrong: string; first: boolean }>()
const emit = defineEmits<{ turn: [id: number]; add: [] }>()
</script>

<template>
  <section class="list" :aria-label="t('common.routines')">
    <div class="bar">
      <h1 class="title">{{ t('common.routines') }}</h1>
      <VBtn
        class="push"
        height="28"
        href="/api/routines/csv"
        :title="t('routines.saveAsCSVEachWith')"
        data-test="csv"
        >{{ t('common.csv') }}</VBtn><VBtn
        v-if="may"
        height="28"
        data-test="new-routine"
        @click="emit('add')"
        >{{ t('routines.new') }}</VBtn
      >
    </div>
    <div v-if="wrong" class="notice stuck">{{ wrong }}</div>
    <div v-if="!first && routines.length === 0" class="empty">
      <strong>{{ t('routines.noRoutineYet') }}</strong>{{ t('routines.aRoutineSaysWhatGoes') }}
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
          one.isOn ? trustWords[one.trust].words : t('common.off')
        }}</span>
        <span v-if="one.sentence.rehearseTo" class="tag wait">{{ t('routines.rehearses') }}</span>
        <span class="soft">{{ t('routines.thisMonthThisMonth', { thisMonth: one.thisMonth }) }}</span></span
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
