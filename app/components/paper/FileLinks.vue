<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import { useActing } from '../../composables/useActing'
import { longDay, shortTime } from '../../composables/format'
import { useSession } from '../../stores/session'
import { changeLinks } from '../../calls/documents'
import type { DocumentView } from '../../contract'

/** The files that a document's emails lead to: whether anybody opened them, until when they are good; ended here. */
const props = defineProps<{ documentId: number; links: DocumentView['fileLinks'] }>()
const session = useSession()
const { busy, wrong, acting } = useActing()
const ending = ref<number>()
const asking = computed({
  get: () => ending.value !== undefined,
  set: (open) => {
    if (!open) ending.value = undefined
  },
})
const change = (id: number, act: 'end' | 'lengthen') =>
  acting(async () => void (await changeLinks(props.documentId, { links: [id], act })))
async function end() {
  if (await change(ending.value!, 'end')) ending.value = undefined
}
type Link = DocumentView['fileLinks'][number]
const openedWords = ({ opened, mostOpened, lastOpenedAt }: Link) => {
  if (mostOpened !== null)
    return t(opened < mostOpened ? 'paper.linkOpenedOf' : 'paper.linkUsedUp', { opened, mostOpened })
  return opened === 0
    ? t('paper.linkNotOpened')
    : t(opened === 1 ? 'paper.linkOpenedOnce' : 'paper.linkOpened', { opened, at: shortTime(lastOpenedAt!) })
}
</script>

<template>
  <ul :aria-label="t('paper.links')">
    <li v-for="link in links" :key="link.id" data-test="file-link">
      <span
        >{{ link.name }} <span class="soft">{{ link.sentTo }}</span></span
      >
      <span class="facts-of">
        <span class="tag" :class="{ go: link.opened > 0 }">{{ openedWords(link) }}</span>
        <span v-if="link.ended" class="soft">{{
          t('paper.linkEnded', { at: shortTime(link.ended.at), by: link.ended.by })
        }}</span>
        <template v-else>
          <span class="soft">{{ t('paper.linkGoodUntil', { day: longDay(link.until) }) }}</span>
          <template v-if="session.may('clerk')">
            <button
              type="button"
              class="word"
              :disabled="busy"
              data-test="lengthen-link"
              @click="change(link.id, 'lengthen')"
            >
              {{ t('paper.lengthenLink') }}
            </button>
            <button type="button" class="word" data-test="end-link" @click="ending = link.id">
              {{ t('paper.endLink') }}
            </button>
          </template>
        </template>
      </span>
    </li>
  </ul>
  <p v-if="wrong && !asking" class="notice stuck" role="alert">{{ wrong }}</p>
  <Ask
    v-model="asking"
    :title="t('paper.endThisLink')"
    :go="t('paper.endTheLink')"
    :busy="busy"
    danger
    @go="end"
    ><p>{{ t('paper.endThisLinkMeans') }}</p>
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p></Ask
  >
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li + li {
  margin-top: 6px;
}
.facts-of {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  align-items: baseline;
}
</style>
