<script setup lang="ts">
import { t } from '../../words'
import { dayTime, plural } from '../../composables/format'
import { attempt } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { outcomeWords } from '../../composables/outcomes'
import { fetchTurns } from '../../calls/routines'
import type { RoutineView, Turn } from '../../contract'

/** When a routine of the clock has its next turn, and what came of those that it had. */
const props = defineProps<{ routine: RoutineView }>()
const turns = shallowRef<Turn[]>()
const load = () =>
  attempt(async () => {
    turns.value = (await fetchTurns(props.routine.id)).turns
  })
watch(() => [props.routine.id, props.routine.version], load, { immediate: true })
useLive(['routine', 'order'], () => void load(), 500)

const accounts = (one: Turn) => Object.values(one.outcomes).reduce((sum, count) => sum + count, 0)
</script>

<template>
  <p data-test="next-turn">
    {{
      routine.nextTurn
        ? t('routines.nextTurnAt', { at: dayTime(routine.nextTurn) })
        : t('routines.noNextTurn')
    }}
  </p>
  <p v-if="turns?.length === 0" class="soft">{{ t('routines.noTurnYet') }}</p>
  <ol>
    <li v-for="one in turns" :key="String(one.at)">
      <strong>{{ dayTime(one.at) }}</strong>
      <span class="soft each">{{
        t('routines.shownAccounts', { accounts: plural(accounts(one), 'account') })
      }}</span>
      <span v-for="(count, outcome) in one.outcomes" :key="outcome" class="each"
        ><strong>{{ count }}</strong> {{ outcomeWords(String(outcome)) }}</span
      >
      <span v-if="one.passed" class="each notice wait">{{
        t('routines.takenLate', { at: dayTime(one.takenAt), turns: plural(one.passed, 'turn') })
      }}</span>
    </li>
  </ol>
</template>

<style scoped>
p {
  margin: 0 0 8px;
}
ol {
  list-style: none;
  padding: 0;
  margin: 8px 0;
}
li {
  padding: 10px 0;
  border-bottom: 1px solid var(--rule);
}
.each {
  display: block;
  font-size: var(--small);
}
</style>
