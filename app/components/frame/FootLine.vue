<script setup lang="ts">
import { t } from '../../words'
import { I18nT } from 'vue-i18n'
import { shortTime } from '../../composables/format'
import { useToasts, type Toast } from '../../stores/toasts'
import { attempt } from '../../composables/api'

/**
 * The foot of every page: what was just done, with its undo, the list of all that was done before it, and help.
 */
const emit = defineEmits<{ help: [] }>()
const store = useToasts()
const before = computed(() => store.toasts.toReversed())

async function go(toast: Toast, act: () => Promise<void>) {
  store.settle(toast.id)
  await attempt(act)
}
onUnmounted(store.forget)
</script>

<template>
  <footer class="foot">
    <div role="status" aria-live="polite" class="now">
      <div
        v-if="store.fresh"
        :key="store.fresh.id"
        class="toast"
        :class="{ wrong: store.fresh.wrong }"
        data-test="toast"
      >
        <span>{{ store.fresh.words }}</span>
        <button v-if="store.fresh.undo" type="button" @click="go(store.fresh, store.fresh.undo)">
          {{ t('frame.undo') }}
        </button>
        <button
          v-if="store.fresh.offer"
          type="button"
          data-test="offer"
          @click="go(store.fresh, store.fresh.offer.go)"
        >
          {{ store.fresh.offer.words }}
        </button>
      </div>
    </div>
    <VMenu v-if="before.length > 0" location="top end">
      <template #activator="{ props: activator }">
        <button type="button" class="list" data-test="happened" v-bind="activator">
          <I18nT keypath="frame.whatHappenedCount" scope="global"
            ><template #count
              ><span class="mono">{{ before.length }}</span></template
            ></I18nT
          >
        </button>
      </template>
      <ol class="happened" :aria-label="t('frame.whatHappenedNewestFirst')">
        <li v-for="toast in before" :key="toast.id" :class="{ wrong: toast.wrong }">
          <span class="mono soft">{{ shortTime(toast.at) }}</span> {{ toast.words }}
        </li>
      </ol>
    </VMenu>
    <button type="button" class="list" data-test="help-button" @click="emit('help')">
      <I18nT keypath="frame.helpF1" scope="global"
        ><template #f1><kbd>F1</kbd></template></I18nT
      >
    </button>
  </footer>
</template>

<style scoped>
.foot {
  flex: none;
  min-height: 30px;
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 0 14px 0 0;
  background: var(--ledger-deep);
  border-top: 1px solid var(--rule);
  position: relative;
  /* above what a dialog dims: it says what a dialog did */
  z-index: 2500;
}
.now {
  flex: 1;
  min-width: 0;
  align-self: stretch;
  display: flex;
}
.toast {
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 4px 14px;
  background: var(--ink);
  color: var(--paper);
}
.toast.wrong {
  background: var(--brick);
}
.toast button {
  color: inherit;
  font-weight: 650;
  background: none;
  border: 0;
  text-decoration: underline;
  cursor: pointer;
}
.list {
  flex: none;
  background: none;
  border: 0;
  font: inherit;
  font-size: var(--small);
  color: var(--soft-ink);
  cursor: pointer;
}
.list:hover {
  color: var(--ink);
}
.happened {
  list-style: none;
  margin: 0;
  padding: 6px 0;
  max-height: 50vh;
  max-width: 560px;
  overflow: auto;
  background: var(--paper);
  border: 1px solid var(--rule);
  border-radius: 4px;
}
.happened li {
  padding: 5px 14px;
}
.happened .wrong {
  color: var(--brick);
}
</style>
