<script setup lang="ts">
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import PegMark from '../frame/PegMark.vue'
import { useNow } from '../../composables/useNow'
import { shortTime, locale } from '../../composables/format'
import type { Stage } from '../../../core/dispatch/states'
import type { StageCount } from '../../contract'

/** The six stages as cloths on a rope: a tab list with arrows, each with its count and the one fact that matters. */
const props = defineProps<{ counts: StageCount[]; stage: Stage }>()
const emit = defineEmits<{ 'update:stage': [stage: Stage]; enter: [] }>()

const now = useNow()
const words: Record<Stage, string> = {
  'to send': t('common.toSend'),
  'to check': t('common.toCheck'),
  waiting: t('line.waiting'),
  'on the way': t('line.onTheWay'),
  arrived: t('common.arrived'),
  stuck: t('common.stuck'),
}
const tabs = ref<HTMLButtonElement[]>([])

function fact(one: StageCount): string {
  const told = one.facts.map(saidWords)
  const facts = told.join(' · ')
  switch (one.stage) {
    case 'to send':
      return one.count === 0 ? t('line.nothingIsDue2') : told.join(', ')
    case 'to check':
      return one.count === 0
        ? t('line.nothingToLookAt2')
        : // what needs somebody first: the end of a narrow one is cut
          [
            facts,
            one.at
              ? facts
                ? t('line.sinceAt', { at: shortTime(one.at) })
                : t('line.oldestSinceAt', { at: shortTime(one.at) })
              : '',
          ]
            .filter(Boolean)
            .join(' · ')
    case 'waiting':
      return one.count === 0
        ? t('line.nothingWaits2')
        : [
            one.at
              ? new Date(one.at).getTime() <= now.value
                ? t('line.goingNow')
                : t('line.nextGoAtAt', { at: shortTime(one.at) })
              : '',
            facts,
          ]
            .filter(Boolean)
            .join(' · ')
    case 'on the way':
      return one.count === 0 ? t('line.allHaveAnswered2') : t('line.handedOverNoWordYet')
    case 'arrived':
      return facts
    case 'stuck':
      return one.count === 0 ? t('line.nothingIsStuck2') : facts
  }
}

function key(event: KeyboardEvent, index: number) {
  const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key]
  const last = props.counts.length - 1
  const to = step
    ? Math.min(last, Math.max(0, index + step))
    : event.key === 'Home'
      ? 0
      : event.key === 'End'
        ? last
        : undefined
  if (to !== undefined) {
    event.preventDefault()
    emit('update:stage', props.counts[to]!.stage)
    tabs.value[to]?.focus()
  } else if (event.key === 'ArrowDown' || event.key === 'Enter') {
    event.preventDefault()
    emit('update:stage', props.counts[index]!.stage)
    emit('enter')
  }
}
</script>

<template>
  <div class="line">
    <svg class="rope" viewBox="0 0 1280 60" preserveAspectRatio="none" aria-hidden="true">
      <path
        d="M0 13 H 1280"
        fill="none"
        stroke="var(--rope)"
        stroke-width="2"
        vector-effect="non-scaling-stroke"
      />
    </svg>
    <div class="cloths" role="tablist" :aria-label="t('line.stagesOfTheLine')">
      <button
        v-for="(one, index) in counts"
        :key="one.stage"
        ref="tabs"
        type="button"
        role="tab"
        class="cloth"
        :class="[one.stage.replaceAll(' ', '-'), { here: one.stage === stage }]"
        :aria-selected="one.stage === stage"
        :tabindex="one.stage === stage ? 0 : -1"
        :data-stage="one.stage"
        @click="emit('update:stage', one.stage)"
        @keydown="key($event, index)"
      >
        <PegMark class="peg" />
        <span class="top"
          ><span class="count mono">{{ one.count.toLocaleString(locale()) }}</span>
          <span class="name">{{ words[one.stage] }}</span></span
        >
        <span class="fact cut" :title="fact(one)">{{ fact(one) }}</span>
      </button>
    </div>
  </div>
</template>

<style scoped>
.line {
  position: relative;
  height: 96px;
  background: var(--ledger);
  border-bottom: 1px solid var(--rule);
  flex: none;
  overflow: hidden;
}
.rope {
  position: absolute;
  inset: 0 0 auto;
  width: 100%;
  height: 60px;
}
.cloths {
  position: absolute;
  inset: 0;
  display: grid;
  grid-template-columns: repeat(6, 1fr);
  gap: 32px;
  padding: 15px 28px 0;
}
.cloth {
  position: relative;
  height: 68px;
  text-align: left;
  background: var(--paper);
  border: 1px solid var(--rule);
  border-top: 3px solid var(--faint-ink);
  box-shadow: 0 2px 5px rgb(22 38 43 / 8%);
  padding: 9px 12px 0;
  cursor: pointer;
  font: inherit;
  color: inherit;
  display: flex;
  flex-direction: column;
  min-width: 0;
  align-self: start;
  border-radius: 2px;
}
.cloth.here {
  border-left-color: var(--ink);
  border-right-color: var(--ink);
  border-bottom-color: var(--ink);
  box-shadow: 0 5px 12px rgb(22 38 43 / 16%);
}
.peg {
  position: absolute;
  top: -14px;
  left: 50%;
  width: 9px;
  height: 24px;
  margin-left: -4px;
}
.top {
  display: flex;
  gap: 8px;
  align-items: baseline;
  white-space: nowrap;
}
.count {
  font-size: var(--large);
  font-weight: 650;
  line-height: 1.1;
}
.name {
  font-weight: 650;
  font-size: var(--body);
}
.fact {
  font-size: var(--small);
  color: var(--soft-ink);
  margin-top: 3px;
}
.to-check {
  border-top-color: var(--peg);
}
.waiting {
  border-top-color: var(--plum);
}
.on-the-way {
  border-top-color: var(--blue);
}
.arrived {
  border-top-color: var(--spruce);
}
.stuck {
  border-top-color: var(--brick);
}
.stuck .count {
  color: var(--brick);
}
@media (max-width: 1200px) {
  .cloths {
    gap: 14px;
    padding: 15px 14px 0;
  }
}
@media (max-width: 700px) {
  .line {
    height: auto;
  }
  .cloths {
    position: static;
    grid-template-columns: repeat(3, 1fr);
    gap: 14px 8px;
    padding: 15px 8px 8px;
  }
  .cloth {
    height: 52px;
    padding: 6px 8px 0;
  }
  .count {
    font-size: var(--title);
  }
  .name {
    font-size: var(--small);
  }
  .fact {
    display: none;
  }
}
</style>
