<script setup lang="ts">
import { t } from '../../words'
import { I18nT } from 'vue-i18n'
/** Which statuses may follow each status; a status of which nothing is said may be followed by any. */
const steps = defineModel<Record<string, string[]>>({ required: true })
defineProps<{ statuses: readonly string[]; disabled: boolean }>()
function choose(status: string, after: string[]) {
  const { [status]: _before, ...others } = steps.value
  steps.value = after.length ? { ...others, [status]: after } : others
}
</script>

<template>
  <ul>
    <li v-for="status in statuses" :key="status">
      <span :id="`after-${status}`"
        ><I18nT keypath="company.afterStatus" scope="global"
          ><template #status
            ><strong>{{ status }}</strong></template
          ></I18nT
        ></span
      >
      <VSelect
        :model-value="steps[status] ?? []"
        :items="statuses.filter((one) => one !== status)"
        multiple
        :placeholder="t('common.anyStatus')"
        persistent-placeholder
        :disabled="disabled"
        :aria-labelledby="`after-${status}`"
        :data-test="`after-${status}`"
        @update:model-value="choose(status, $event)"
      />
    </li>
  </ul>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 170px 1fr;
  gap: 12px;
  align-items: center;
  padding: 3px 0;
}
</style>
