<script setup lang="ts">
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import { useSession } from '../../stores/session'
import { attempt } from '../../composables/api'
import { markSeen } from '../../calls/prepared'
import type { PreparedView } from '../../contract'

/** What changed of a prepared document since somebody looked. */
const props = defineProps<{ view: PreparedView; changes: NonNullable<PreparedView['changes']> }>()
const emit = defineEmits<{ seen: [] }>()
const session = useSession()
const seen = () =>
  attempt(async () => {
    await markSeen(props.view.id, { revision: props.view.revision })
    emit('seen')
  })
</script>

<template>
  <div class="changes" data-test="changes">
    <div class="title">
      <strong>{{ t('paper.changedSinceYouLooked') }}</strong><VBtn
        v-if="session.may('clerk')"
        height="28"
        data-test="seen"
        @click="seen"
        >{{ t('paper.iHaveSeenIt') }}</VBtn
      >
    </div>
    <ul>
      <li v-for="change in changes.slice(0, 6)" :key="change.what.words">
        <strong>{{ saidWords(change.what) }}</strong>: <s>{{ saidWords(change.before) }}</s> →
        {{ saidWords(change.now) }}
      </li>
    </ul>
    <p v-if="changes.length > 6" class="soft">
      {{ t('paper.andViewMore', { view: changes.length - 6 }) }}
    </p>
  </div>
</template>

<style scoped>
.changes {
  background: var(--peg-pale);
  border-bottom: 1px solid var(--peg);
  padding: 8px 14px;
  font-size: var(--small);
  max-height: 170px;
  overflow: auto;
  flex: none;
}
.title {
  display: flex;
  align-items: center;
  justify-content: space-between;
}
ul {
  margin: 4px 0 0;
  padding-left: 18px;
}
s {
  color: var(--soft-ink);
}
</style>
