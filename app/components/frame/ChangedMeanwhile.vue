<script setup lang="ts">
import { t } from '../../words'
import type { ChangedField } from '../../composables/useMeanwhile'

/** What somebody else saved while this form was open, beside what is written in it, and the choice between them. */
defineProps<{ fields: ChangedField[] }>()
const emit = defineEmits<{ theirs: []; mine: [] }>()
</script>

<template>
  <section class="notice wait meanwhile" role="alert" data-test="meanwhile">
    <strong>{{ t('frame.somebodySavedThisWhileYou') }}</strong>
    <table v-if="fields.length">
      <thead>
        <tr>
          <th />
          <th>{{ t('frame.savedNow') }}</th>
          <th>{{ t('frame.yours') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in fields" :key="one.label">
          <th scope="row">{{ one.label }}</th>
          <td>{{ one.theirs || t('common.nothing') }}</td>
          <td>{{ one.mine || t('common.nothing') }}</td>
        </tr>
      </tbody>
    </table>
    <p v-else>{{ t('frame.whatTheyChangedDoesNot') }}</p>
    <div class="buttons">
      <VBtn height="30" data-test="take-theirs" @click="emit('theirs')">{{
        t('frame.takeWhatIsSaved')
      }}</VBtn>
      <VBtn height="30" data-test="keep-mine" @click="emit('mine')">{{ t('frame.keepMine') }}</VBtn>
    </div>
  </section>
</template>

<style scoped>
.meanwhile {
  display: block;
  margin: 0 0 12px;
}
table {
  margin: 6px 0;
  border-collapse: collapse;
}
th {
  text-align: left;
  font-weight: 600;
  font-size: var(--small);
}
th,
td {
  padding: 2px 14px 2px 0;
  vertical-align: baseline;
  white-space: pre-line;
  overflow-wrap: anywhere;
}
.buttons {
  display: flex;
  gap: 10px;
  margin-top: 6px;
}
p {
  margin: 4px 0;
}
</style>
