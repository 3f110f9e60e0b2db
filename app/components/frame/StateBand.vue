<script setup lang="ts">
import Ask from './Ask.vue'
import { useSession } from '../../stores/session'
import { useHouseState } from '../../stores/house'
import { attempt } from '../../composables/api'
import { fullTime, plural, shortTime } from '../../composables/format'
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
        ><strong>Everything is paused</strong> by {{ house.state.pausedBy }} since
        {{ shortTime(house.state.pausedAt!) }}. {{ house.state.pauseReason }} Nothing is issued or sent.</span
      >
      <button
        v-if="session.may('supervisor') && house.state.confirmNeeded"
        type="button"
        class="push"
        data-test="confirm"
        @click="look"
      >
        Look and confirm…
      </button>
      <button
        v-else-if="session.may('supervisor')"
        type="button"
        class="push"
        data-test="resume"
        @click="resume"
      >
        Let it go on
      </button>
    </div>
    <div v-if="house.state.rehearsalSince" class="band rehearsal" role="status" data-test="rehearsal">
      <span
        ><strong>Rehearsal.</strong> Nothing leaves the house: everything goes to
        {{ house.state.rehearsalAddress }} instead, marked.</span
      >
      <button
        v-if="session.may('supervisor')"
        type="button"
        class="push"
        data-test="end-rehearsal"
        @click="asking = true"
      >
        End the rehearsal…
      </button>
    </div>
    <div
      v-for="words in house.state.troubles"
      :key="words"
      class="band trouble"
      role="status"
      data-test="trouble"
    >
      {{ words }}
    </div>
    <Ask
      v-model="confirming"
      title="Is this the database that shall speak?"
      go="Yes, these are the last numbers"
      @go="confirm"
    >
      <p>
        It was copied or restored. If a newer one has issued numbers after these, they would come twice.
        Compare with the last documents that left the house:
      </p>
      <ul>
        <li v-for="one in found?.series" :key="one.last">
          {{ one.brand }}, {{ one.kind }}: <strong class="mono">{{ one.last }}</strong>
          <span class="soft">{{ fullTime(one.issuedAt) }}</span>
        </li>
      </ul>
      <p>
        Waiting to go when sending goes on: {{ plural(found?.emails ?? 0, 'email') }} and
        {{ plural(found?.papers ?? 0, 'document') }} that {{ found?.papers === 1 ? 'goes' : 'go' }} by itself.
        It stays paused until you let it go on.
      </p>
    </Ask>
    <Ask v-model="asking" title="End the rehearsal?" go="End the rehearsal" @go="end"
      ><p>
        From now on documents go to your customers. What was rehearsed does not go by itself: documents wait
        in To check, emails are held under Waiting until somebody lets them go.
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
