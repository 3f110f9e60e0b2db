<script setup lang="ts">
import { t } from '../../words'
import BeginBrand from './BeginBrand.vue'
import BeginCompany from './BeginCompany.vue'
import BeginMail from './BeginMail.vue'
import BeginNumbers from './BeginNumbers.vue'
import BeginPerson from './BeginPerson.vue'
import PegMark from '../frame/PegMark.vue'
import { useSession } from '../../stores/session'

/**
 * The first visit of an empty house, step by step. What is saved stays: it can be left, and is taken up again where
 * it was left. The last two steps can be done later, from Settings.
 */
const session = useSession()
const steps = [
  { key: 'person', words: t('begin.you') },
  { key: 'company', words: t('begin.yourCompany') },
  { key: 'brand', words: t('begin.howYouTrade') },
  { key: 'numbers', words: t('common.numbers') },
  { key: 'mail', words: t('begin.email') },
] as const
type Step = (typeof steps)[number]['key']
const later = ref<'numbers' | 'mail'>('numbers')
const step = computed<Step>(() => {
  if (!session.user) return 'person'
  if (session.begun === 'no company') return 'company'
  return session.begun === 'no brand' ? 'brand' : later.value
})
const place = computed(() => steps.findIndex((one) => one.key === step.value))
function finish() {
  session.welcome = false
  void navigateTo('/company?part=Guide')
}
</script>

<template>
  <main class="first">
    <aside>
      <p class="name"><PegMark class="peg" />{{ t('common.clothespin') }}</p>
      <ol>
        <li
          v-for="(one, index) in steps"
          :key="one.key"
          :class="{ here: one.key === step, done: index < place }"
          :aria-current="one.key === step ? 'step' : undefined"
        >
          <span class="mono" aria-hidden="true">{{ index + 1 }}</span>
          <span
            >{{ one.words }}<span v-if="index < place" class="soft"> {{ t('begin.saved') }}</span></span
          >
        </li>
      </ol>
      <p class="soft">{{ t('begin.youCanStopAfterEach') }}</p>
      <button v-if="session.user" type="button" class="word" @click="session.signOut()">
        {{ t('common.signOut') }}
      </button>
    </aside>
    <section>
      <p v-if="session.user && !session.may('supervisor')" class="empty">
        <strong>{{ t('begin.theSetUpIsNot') }}</strong>{{ t('begin.aSupervisorHasToFinish') }}
      </p>
      <BeginPerson v-else-if="step === 'person'" />
      <BeginCompany v-else-if="step === 'company'" />
      <BeginBrand v-else-if="step === 'brand'" />
      <BeginNumbers v-else-if="step === 'numbers'" @done="later = 'mail'" />
      <BeginMail v-else @done="finish" />
    </section>
  </main>
</template>

<style scoped>
.first {
  min-height: 100vh;
  background: var(--ledger);
  display: grid;
  grid-template-columns: 270px minmax(0, 640px);
  justify-content: center;
  gap: 28px;
  padding: 56px 20px 40px;
}
aside {
  padding-top: 6px;
}
.name {
  display: flex;
  align-items: center;
  gap: 10px;
  font-weight: 700;
  font-size: var(--large);
  margin: 0 0 18px;
}
.peg {
  width: 15px;
  height: 30px;
}
ol {
  list-style: none;
  padding: 0;
  margin: 0 0 18px;
}
li {
  display: flex;
  gap: 12px;
  padding: 9px 12px;
  color: var(--soft-ink);
  border-left: 3px solid var(--rule);
}
li.done {
  border-color: var(--spruce);
  color: var(--ink);
}
li.here {
  border-color: var(--peg);
  background: var(--paper);
  color: var(--ink);
  font-weight: 650;
}
section {
  background: var(--paper);
  border: 1px solid var(--rule);
  padding: 26px 30px 30px;
  align-self: start;
}
@media (max-width: 820px) {
  .first {
    grid-template-columns: minmax(0, 1fr);
    padding-top: 20px;
  }
}
</style>
