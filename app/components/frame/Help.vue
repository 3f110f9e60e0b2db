<script setup lang="ts">
import { t } from '../../words'
import { helpTasks, tasksOf } from '../../help/tasks'
import HelpKeys from './HelpKeys.vue'

/** F1: how the tasks of this screen are done, and the keys. Opened from Ctrl+K at one task. */
const props = defineProps<{ path: string; task?: string }>()
const emit = defineEmits<{ leave: [] }>()
const everything = ref(false)
const here = computed(() => tasksOf(props.path))
const shown = computed(() => (everything.value || here.value.length === 0 ? helpTasks() : here.value))
const at = ref(props.task ?? here.value[0]?.id ?? 'keys')
if (!shown.value.some((task) => task.id === at.value) && at.value !== 'keys') everything.value = true
const shownTask = computed(() => helpTasks().find((one) => one.id === at.value))
const steps = computed(() => shownTask.value?.steps.filter((step) => !step.startsWith('-')) ?? [])
const remarks = computed(
  () => shownTask.value?.steps.filter((step) => step.startsWith('-')).map((step) => step.slice(2)) ?? [],
)
const list = ref<HTMLElement>()
onMounted(() =>
  setTimeout(() => list.value?.querySelector<HTMLElement>('[aria-current="true"]')?.focus(), 60),
)
</script>

<template>
  <VDialog
    :model-value="true"
    :aria-label="t('frame.help')"
    max-width="820"
    @update:model-value="emit('leave')"
  >
    <div class="help" data-test="help">
      <nav ref="list" :aria-label="t('frame.tasks')">
        <h2>{{ everything ? t('frame.allTasks') : t('frame.onThisScreen') }}</h2>
        <button
          v-for="one in shown"
          :key="one.id"
          type="button"
          :aria-current="one.id === at"
          @click="at = one.id"
        >
          {{ one.words }}
        </button>
        <button v-if="!everything" type="button" data-test="all-tasks" @click="everything = true">
          {{ t('frame.allTasks') }}
        </button>
        <button type="button" class="keys" :aria-current="at === 'keys'" @click="at = 'keys'">
          {{ t('frame.keys') }}
        </button>
      </nav>
      <section aria-live="polite">
        <template v-if="shownTask">
          <h1>{{ shownTask.words }}</h1>
          <ol>
            <li v-for="step in steps" :key="step">{{ step }}</li>
          </ol>
          <p v-for="remark in remarks" :key="remark" class="remark">{{ remark }}</p>
        </template>
        <template v-else>
          <h1>{{ t('frame.keys') }}</h1>
          <HelpKeys />
        </template>
        <div class="buttons">
          <VBtn
            v-if="shownTask?.to"
            :to="shownTask.to"
            :active="false"
            data-test="help-go"
            @click="emit('leave')"
            >{{ t('frame.goThere') }}</VBtn
          >
          <VBtn class="push" @click="emit('leave')">{{ t('common.close') }}</VBtn>
        </div>
      </section>
    </div>
  </VDialog>
</template>

<style scoped>
.help {
  display: grid;
  grid-template-columns: 270px 1fr;
  height: min(560px, calc(100vh - 100px));
  background: var(--paper);
  border-radius: 5px;
  overflow: hidden;
}
nav {
  background: var(--ledger);
  border-right: 1px solid var(--rule);
  overflow: auto;
  padding: 16px 0;
}
h2 {
  font-size: var(--small);
  color: var(--soft-ink);
  padding: 0 16px 6px;
}
nav button {
  display: block;
  width: 100%;
  text-align: left;
  padding: 7px 16px;
  border: 0;
  border-left: 3px solid transparent;
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
}
nav button:focus-visible {
  outline-offset: -2px;
}
nav button[aria-current='true'] {
  border-left-color: var(--peg);
  background: var(--paper);
  font-weight: 650;
}
nav .keys,
nav [data-test='all-tasks'] {
  color: var(--soft-ink);
}
section {
  padding: 22px 26px;
  overflow: auto;
  display: flex;
  flex-direction: column;
}
h1 {
  font-size: var(--title);
  margin-bottom: 14px;
}
ol {
  margin: 0;
  padding-left: 20px;
  display: grid;
  gap: 9px;
}
.remark {
  margin: 14px 0 0;
  padding-left: 12px;
  border-left: 3px solid var(--rule);
  color: var(--soft-ink);
}
.buttons {
  display: flex;
  margin-top: auto;
  padding-top: 18px;
}
@media (max-width: 700px) {
  .help {
    grid-template-columns: 1fr;
    grid-template-rows: auto 1fr;
  }
  nav {
    max-height: 180px;
  }
}
</style>
