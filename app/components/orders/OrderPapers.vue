<script setup lang="ts">
import { t } from '../../words'
import { kindTitle, kindWords } from '../../composables/kinds'
import KindTabs from '../paper/KindTabs.vue'
import { kindFacts, orderKinds, type DocumentKind } from '../../../core/documents/kinds'
import { useSession } from '../../stores/session'
import type { OrderView } from '../../contract'

/** One order's papers together, each leading to its sheet, and what can be made next. */
const props = defineProps<{
  orderId: number
  papers: OrderView['papers']
  kind: DocumentKind
  part: number | null
  canMake: (kind: DocumentKind) => boolean
}>()
const emit = defineEmits<{
  pick: [kind: DocumentKind]
  part: [preparedId: number]
  make: [kind: DocumentKind]
}>()
const states: Record<string, string> = {
  due: t('orders.paperDue'),
  prepared: t('orders.paperToCheck'),
  'put back': t('orders.paperReturned'),
  dropped: t('orders.paperNotWanted'),
}

/** Part and deposit invoices, credit notes, and what shipments have, beside the order's own papers. */
const parts = computed(() =>
  props.papers
    .filter(
      (paper) => paper.sourceId !== props.orderId && ['prepared', 'put back', 'issued'].includes(paper.state),
    )
    .reverse(),
)
const own = computed(() => props.papers.filter((paper) => paper.sourceId === props.orderId && !paper.voided))
/** What a shipment has is prepared; a part's invoice is still being written. */
const draftWords = (kind: DocumentKind) =>
  kindFacts[kind].content === 'shipment'
    ? t('orders.kindToCheck', { kind: kindWords(kind) })
    : t('orders.kindDraft', { kind: kindWords(kind) })
const { kindsOff } = useSession().house!.company
const tabs = computed(() =>
  orderKinds
    .filter((kind) => !kindsOff.includes(kind) || own.value.some((one) => one.kind === kind))
    .map((kind) => {
      const paper =
        own.value.find((one) => one.kind === kind && one.state !== 'dropped') ??
        own.value.find((one) => one.kind === kind)
      return {
        kind,
        words: paper?.number ?? (paper ? (states[paper.state] ?? '') : t('orders.notMade')),
        tone: paper?.number ? 'go' : paper?.state === 'prepared' ? 'wait' : '',
      }
    }),
)
</script>

<template>
  <KindTabs
    short
    :tabs="tabs"
    :here="part ? null : kind"
    :label="t('orders.theOrdersPapers')"
    @pick="emit('pick', $event)"
  >
    <button
      v-for="one in parts"
      :key="one.id"
      type="button"
      role="tab"
      :aria-selected="one.id === part"
      :aria-label="`${kindTitle(one.kind)} ${one.number ?? t('orders.paperDraft')}`"
      @click="emit('part', one.id)"
    >
      <span class="tag" :class="one.voided ? 'stuck' : one.number ? 'go' : 'wait'">{{
        one.number ?? draftWords(one.kind)
      }}</span>
    </button>
    <VBtn
      v-if="!part && canMake(kind)"
      class="push"
      height="30"
      data-test="prepare-paper"
      @click="emit('make', kind)"
      >{{ t('orders.prepareIt') }}</VBtn
    >
  </KindTabs>
</template>
