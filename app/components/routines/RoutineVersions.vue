<script setup lang="ts">
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import { fullTime } from '../../composables/format'
import { toldSentence } from '../../../core/routines/sentence'
import type { RoutineChoices, RoutineVersion } from '../../contract'
import { nameIn } from '../../composables/routineWords'
import { trustWords } from '../../composables/trust'

/** Every version with who and when; an older one can be taken up again. */
const props = defineProps<{ versions: RoutineVersion[]; choices: RoutineChoices; may: boolean }>()
const emit = defineEmits<{ take: [version: RoutineVersion] }>()
const name = computed(() => nameIn(props.choices))
</script>

<template>
  <ol>
    <li v-for="(one, index) in versions" :key="one.version">
      <strong>{{ t('routines.versionVersion', { version: one.version }) }}</strong>
      <span class="tag" :class="one.isOn ? trustWords[one.trust].tone : ''">{{
        one.isOn ? trustWords[one.trust].words : t('common.off')
      }}</span>
      <span class="soft when">{{ fullTime(one.madeAt) }} · {{ one.madeBy }}</span>
      <span
        v-if="index === 0 || JSON.stringify(one.sentence) !== JSON.stringify(versions[index - 1]!.sentence)"
        class="words"
        >{{ saidWords(toldSentence(one.sentence, name)) }}</span
      >
      <button
        v-if="may && index > 0 && JSON.stringify(one.sentence) !== JSON.stringify(versions[0]!.sentence)"
        type="button"
        class="word"
        @click="emit('take', one)"
      >
        {{ t('routines.editAgain') }}
      </button>
    </li>
  </ol>
</template>

<style scoped>
ol {
  list-style: none;
  padding: 0;
  margin: 8px 0;
}
li {
  padding: 10px 0;
  border-bottom: 1px solid var(--rule);
}
.when,
.words {
  display: block;
  font-size: var(--small);
}
.words {
  margin: 4px 0;
}
</style>
