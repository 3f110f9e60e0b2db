<script setup lang="ts">
import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import { toldPause } from '../../../core/house/pauses'
import { saidWords } from '../../words/speech'
import { I18nT } from 'vue-i18n'
import Ask from './Ask.vue'
import { useSession } from '../../stores/session'
import { useHouseState } from '../../stores/house'
import { attempt } from '../../composables/api'
import { agreeing, fullTime, plural, shortTime } from '../../composables/format'
import { fetchConfirmation, confirmHouse, resumeHouse, setRehearsal } from '../../calls/house'
import type { Confirmation } from '../../contract'

/**
 * What every screen says when the house does not run as usual: paused, a rehearsal, no worker, the mail
 * server away.
 */
const session = useSession()
const house = useHouseState()
onMounted(() => void attempt(house.refresh))
const asking = ref(false)
const confirming = ref(false)
const found = shallowRef<Confirmation>()
const look = () =>
  attempt(async () => {
    found.value = await fetchConfirmation()
    confirming.value = true
  })
const confirm = () =>
  attempt(async () => {
    await confirmHouse()
    confirming.value = false
    await house.refresh()
  })

const resume = () =>
  attempt(async () => {
    await resumeHouse()
    await house.refresh()
  })
const end = () =>
  attempt(async () => {
    await setRehearsal({ on: false })
    asking.value = false
    await house.refresh()
  })
</script>

<template>
  <div v-if="house.state" class="bands">
    <div v-if="house.state.paused" class="band paused" role="status" data-test="paused">
      <span
        ><I18nT keypath="frame.everythingIsByPausedBySincePausedAt" scope="global"
          ><template #everythingIs
            ><strong>{{ t('frame.everythingIsPaused') }}</strong></template
          ><template #pausedBy>{{ house.state.pausedBy }}</template
          ><template #pausedAt>{{ shortTime(house.state.pausedAt!) }}</template
          ><template #pauseReason>{{ saidWords(toldPause(house.state.pauseReason)) }}</template></I18nT
        ></span
      >
      <button
        v-if="session.may('supervisor') && house.state.confirmNeeded"
        type="button"
        class="push"
        data-test="confirm"
        @click="look"
      >
        {{ t('frame.lookAndConfirm') }}
      </button>
      <button
        v-else-if="session.may('supervisor')"
        type="button"
        class="push"
        data-test="resume"
        @click="resume"
      >
        {{ t('frame.letItGoOn') }}
      </button>
    </div>
    <div v-if="house.state.rehearsalSince" class="band rehearsal" role="status" data-test="rehearsal">
      <span
        ><strong>{{ t('frame.rehearsal') }}</strong>
        {{
          t('frame.nothingLeavesTheHouseEverything', { rehearsalAddress: house.state.rehearsalAddress })
        }}</span
      >
      <button
        v-if="session.may('supervisor')"
        type="button"
        class="push"
        data-test="end-rehearsal"
        @click="asking = true"
      >
        {{ t('frame.endTheRehearsal') }}
      </button>
    </div>
    <div
      v-for="trouble in house.state.troubles"
      :key="trouble.words"
      class="band trouble"
      role="status"
      data-test="trouble"
    >
      {{ saidWords(trouble) }}
    </div>
    <Ask
      v-model="confirming"
      :title="t('frame.isThisTheDatabaseThat')"
      :go="t('frame.yesTheseAreTheLast')"
      @go="confirm"
    >
      <p>
        {{ t('frame.itWasCopiedOrRestored') }}
      </p>
      <ul>
        <li v-for="one in found?.series" :key="one.last">
          {{ one.brand }}, {{ kindWords(one.kind) }}: <strong class="mono">{{ one.last }}</strong>
          <span class="soft">{{ fullTime(one.issuedAt) }}</span>
        </li>
      </ul>
      <p>
        {{
          t('frame.waitingToGoWhenSending', {
            emails: plural(found?.emails ?? 0, 'email'),
            documents: plural(found?.papers ?? 0, 'document'),
            found: agreeing(found?.papers ?? 0, 'goes'),
          })
        }}
      </p>
    </Ask>
    <Ask v-model="asking" :title="t('frame.endTheRehearsal2')" :go="t('frame.endTheRehearsal3')" @go="end"
      ><p>
        {{ t('frame.fromNowOnDocumentsGo') }}
      </p></Ask
    >
  </div>
</template>

<style scoped>
.band {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 6px 14px;
  font-size: var(--body);
}
.paused {
  background: var(--peg-ground);
  color: var(--peg-words);
}
.rehearsal {
  background: var(--plum-pale);
  color: var(--plum);
}
.trouble {
  background: var(--brick-pale);
  color: var(--brick);
}
button {
  border: 0;
  background: none;
  font: inherit;
  font-weight: 650;
  text-decoration: underline;
  cursor: pointer;
  color: inherit;
  white-space: nowrap;
}
</style>
