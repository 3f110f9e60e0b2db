<script setup lang="ts">
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import type { GuideStep } from '../../contract'

/** What must stand before anything goes out, step by step, with what is still missing and the way there. */
defineProps<{ steps: GuideStep[] }>()
const emit = defineEmits<{ part: [part: string] }>()
const stepWords: Record<GuideStep['key'], string> = {
  identity: t('company.guideIdentity'),
  bank: t('company.guideBank'),
  logo: t('company.guideLogo'),
  sender: t('company.guideSender'),
  mail: t('company.guideMail'),
  public: t('company.guidePublic'),
  numbers: t('company.guideNumbers'),
  notes: t('company.guideNotes'),
  data: t('company.guideData'),
  customers: t('company.guideCustomers'),
  routines: t('company.guideRoutines'),
  notices: t('company.guideNotices'),
}
const go = (to: string) => (to.startsWith('/') ? navigateTo(to) : emit('part', to))
</script>

<template>
  <div v-if="steps.length" class="body">
    <h2>
      {{
        steps.some((one) => one.needed && one.missing.length)
          ? t('company.beforeDocumentsCanGoOut')
          : t('company.readyToSend')
      }}
    </h2>
    <ol data-test="guide">
      <li v-for="(step, index) in steps" :key="step.key" :class="{ open: step.missing.length }">
        <span class="place mono" aria-hidden="true">{{ index + 1 }}</span>
        <span class="what"
          ><strong>{{ stepWords[step.key] }}</strong
          ><span v-for="one in step.missing.slice(0, 4)" :key="one.words" class="lack">{{
            saidWords(one)
          }}</span
          ><span v-if="step.missing.length > 4" class="lack">{{
            t('company.andStepMore', { step: step.missing.length - 4 })
          }}</span></span
        >
        <span class="tag" :class="step.missing.length ? (step.needed ? 'stuck' : 'wait') : 'go'">{{
          step.missing.length
            ? step.needed
              ? t('company.guideMissing')
              : t('company.guideRecommended')
            : t('company.guideDone')
        }}</span>
        <VBtn height="30" @click="go(step.to)">{{
          step.missing.length ? t('company.fix') : t('common.open')
        }}</VBtn>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  padding: 14px 16px;
}
ol {
  list-style: none;
  padding: 0;
  margin: 10px 0;
}
li {
  display: grid;
  grid-template-columns: 22px 1fr auto 74px;
  gap: 10px;
  align-items: start;
  padding: 9px 0;
  border-top: 1px solid var(--rule);
}
.place {
  color: var(--soft-ink);
  padding-top: 1px;
}
.what {
  display: flex;
  flex-direction: column;
}
.lack {
  color: var(--soft-ink);
  font-size: var(--small);
}
</style>
