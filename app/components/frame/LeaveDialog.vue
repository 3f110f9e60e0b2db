<script setup lang="ts">
import { t } from '../../words'
import { useLeaving } from '../../composables/useUnsaved'
/** Asks before changes that are not saved are left. */
const leaving = useLeaving()
const open = computed({
  get: () => leaving.what !== null,
  set: (now) => {
    if (!now) leaving.answer(false)
  },
})
</script>

<template>
  <VDialog v-model="open" :aria-label="t('frame.leaveWithoutSaving')">
    <div class="ask" role="document">
      <h2>{{ t('frame.leaveWithoutSaving') }}</h2>
      <p>{{ t('frame.yourChangesToWhatAre', { what: leaving.what }) }}</p>
      <div class="buttons">
        <VBtn data-test="discard" @click="leaving.answer(true)">{{ t('common.discardChanges') }}</VBtn>
        <VBtn variant="flat" class="go" data-test="stay" autofocus @click="leaving.answer(false)">{{
          t('frame.keepEditing')
        }}</VBtn>
      </div>
    </div>
  </VDialog>
</template>

<style scoped>
.ask {
  background: var(--paper);
  border-radius: 5px;
  padding: 20px 22px;
  border-top: 4px solid var(--peg);
}
.buttons {
  display: flex;
  justify-content: flex-end;
  gap: 10px;
  margin-top: 18px;
}
</style>
