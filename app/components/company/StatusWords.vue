<script setup lang="ts">
import { t } from '../../words'
import { languageChoices } from '../../composables/languages'
import type { HouseLists } from '../../contract'

/** What customers read of each status, in each language; an empty field says what the house calls it. */
defineProps<{ statuses: readonly string[]; disabled: boolean }>()
const words = defineModel<HouseLists['words']>({ required: true })
function write(status: string, language: 'en' | 'de' | 'fr', text: string) {
  const { [language]: _before, ...others } = words.value[status] ?? {}
  const own = text.trim() ? { ...others, [language]: text } : others
  const { [status]: _own, ...rest } = words.value
  words.value = Object.keys(own).length > 0 ? { ...rest, [status]: own } : rest
}
</script>

<template>
  <table data-test="status-words">
    <thead>
      <tr>
        <th>{{ t('company.statusHeading') }}</th>
        <th v-for="language in languageChoices" :key="language.value">{{ language.words }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="status in statuses" :key="status">
        <th scope="row">{{ status }}</th>
        <td v-for="language in languageChoices" :key="language.value">
          <input
            :value="words[status]?.[language.value] ?? ''"
            :placeholder="status"
            :aria-label="t('company.statusInLanguage', { status, language: language.words })"
            :data-test="`status-${status}-${language.value}`"
            :disabled="disabled"
            maxlength="80"
            @input="write(status, language.value, ($event.target as HTMLInputElement).value)"
          />
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  text-align: left;
  font-weight: 600;
  padding: 3px 8px 3px 0;
}
thead th {
  font-size: var(--small);
  color: var(--soft-ink);
}
td {
  padding: 2px 8px 2px 0;
}
input {
  width: 100%;
  min-height: 30px;
  padding: 2px 8px;
  font: inherit;
  color: var(--ink);
  background: var(--paper);
  border: 1px solid var(--rule);
  border-radius: 4px;
}
</style>
