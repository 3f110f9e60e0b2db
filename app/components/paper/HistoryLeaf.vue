<script setup lang="ts">
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import { useSession } from '../../stores/session'
import { fullTime, shortTime } from '../../composables/format'
import type { HistoryEntry } from '../../contract'

/**
 * Everything that happened, by whom and when; newest first. Recipients lead to their stand-in mailboxes where
 * there are any.
 */
const props = defineProps<{ history: HistoryEntry[]; addresses?: string[] }>()
const session = useSession()
const newestFirst = computed(() => [...props.history].reverse())
const mailbox = (address: string) => `${session.house!.mailboxesUrl}/mailbox/${encodeURIComponent(address)}`
</script>

<template>
  <div class="trail">
    <p v-if="session.house?.mailboxesUrl && addresses?.length" class="boxes">
      <a
        v-for="address in addresses"
        :key="address"
        :href="mailbox(address)"
        target="_blank"
        rel="noopener"
        data-test="mailbox"
        >{{ t('paper.openTheMailboxOfAddress', { address }) }}</a
      >
    </p>
    <ol>
      <li v-for="(entry, index) in newestFirst" :key="index">
        <span class="when mono" :title="fullTime(entry.at)">{{ shortTime(entry.at) }}</span>
        <span
          ><span>{{ saidWords(entry) }}</span
          ><br /><span class="soft by">{{ entry.actor }}</span></span
        >
      </li>
    </ol>
    <p v-if="history.length === 0" class="empty">
      <strong>{{ t('paper.nothingYet') }}</strong>{{ t('paper.whatHappensToThisPaper') }}
    </p>
  </div>
</template>

<style scoped>
.trail {
  flex: 1;
  min-height: 0;
  overflow: auto;
  background: var(--paper);
}
.boxes {
  padding: 10px 14px;
  margin: 0;
  border-bottom: 1px solid var(--rule);
  display: flex;
  flex-direction: column;
  gap: 4px;
  background: var(--blue-pale);
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 92px 1fr;
  gap: 8px;
  padding: 8px 14px;
  border-bottom: 1px solid var(--rule);
  overflow-wrap: anywhere;
}
.when {
  font-size: var(--small);
  color: var(--soft-ink);
  padding-top: 1px;
}
.by {
  font-size: var(--small);
}
</style>
