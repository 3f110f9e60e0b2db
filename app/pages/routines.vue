<script setup lang="ts">
import { t } from '../words'
import { trustWords } from '../composables/trust'
import AutomaticAsk from '../components/routines/AutomaticAsk.vue'
import CatchUp from '../components/routines/CatchUp.vue'
import FormField from '../components/fields/FormField.vue'
import RoutineList from '../components/routines/RoutineList.vue'
import RoutineNew from '../components/routines/RoutineNew.vue'
import RoutineSides from '../components/routines/RoutineSides.vue'
import SentenceEditor from '../components/routines/SentenceEditor.vue'
import TrustChoice from '../components/routines/TrustChoice.vue'
import { useAsking } from '../composables/useAsking'
import { useSession } from '../stores/session'
import { useFilters } from '../composables/useFilters'
import { api, attempt } from '../composables/api'
import { mayLeave } from '../composables/useUnsaved'
import { useMainKey } from '../composables/useMainKey'
import { shortTime } from '../composables/format'
import type { RoutineEvent, RoutineSentence, Trust } from '../../core/routines/sentence'
import { useRoutine } from '../composables/useRoutine'
import type { RoutineVersion, RoutineView } from '../contract'

const session = useSession()
const route = useRoute()
const { filters, set } = useFilters({ routine: '' })
const side = ref<'trial' | 'turns' | 'versions'>('trial')
const { asking, ask } = useAsking<Trust>()
const adding = ref(false)
const catching = ref(false)

const may = computed(() => session.may('supervisor'))
const { routines, routine, choices, versions, first, wrong, busy, load, change, form, dirty, take } =
  useRoutine(
    () => filters.value.routine,
    () => {
      asking.value = null
    },
  )

onMounted(async () => {
  await load()
  if (route.query.new && may.value) askNew(null)
})
async function turnTo(id: number) {
  if (id !== routine.value?.id && (await mayLeave())) set({ routine: String(id) })
}

function takeUp(version: RoutineVersion) {
  form.value.sentence = structuredClone(toRaw(version.sentence))
  side.value = 'trial'
}

function chooseTrust(trust: Trust) {
  if (!may.value || routine.value?.trust === trust) return
  if (trust === 'automatic') asking.value = trust
  else
    void change(
      { trust },
      t('routines.routineNowWorksTrustFor', { routine: routine.value!.name, trust: trustWords[trust].words }),
      {
        trust: routine.value!.trust,
      },
    )
}

const keep = () => {
  if (!dirty.value || busy.value || !may.value) return
  const { sentence, name, description, version } = routine.value!
  void change({}, t('routines.savedAsVersionVersionIt', { version: version + 1 }), {
    sentence,
    name,
    description,
  })
}
useMainKey(keep)

async function switchOn() {
  const turnsOn = !routine.value!.isOn
  const well = await change(
    { isOn: !routine.value!.isOn },
    routine.value!.isOn
      ? t('routines.routineIsOffWhatHappens', { routine: routine.value!.name })
      : t('routines.routineIsOnForWhat', { routine: routine.value!.name }),
    { isOn: routine.value!.isOn },
  )
  // what happened before is not taken automatically: it is offered
  if (well && turnsOn && routine.value!.sentence.on !== 'posted') catching.value = true
}

const plain: RoutineSentence = {
  statuses: ['Shipped'],
  conditions: [],
  issue: 'invoice',
  to: 'billing',
  delayMinutes: 0,
}
const from = ref<RoutineView | null>(null)
function askNew(copyOf: RoutineView | null) {
  from.value = copyOf
  adding.value = true
}
const add = (name: string) =>
  attempt(async () => {
    const { id } = await api.post('/api/routines', {
      body: {
        name,
        description: from.value?.description ?? '',
        trust: from.value?.trust ?? 'by hand',
        sentence: from.value?.sentence ?? plain,
      },
    })
    adding.value = false
    set({ routine: String(id) })
    await load()
  })
/** What catching up is about, by what the routine waits for. */
const caughtUp = {
  'order status': 'orders',
  shipment: 'shipments',
  'shipment delivered': 'shipments',
  'parcel held': 'shipments',
  'order delivered': 'orders',
  posted: 'documents',
  payment: 'payments',
  time: 'accounts',
} as const satisfies Record<RoutineEvent, string>
</script>

<template>
  <div class="page">
    <div class="three">
      <RoutineList
        :routines="routines"
        :here="routine?.id"
        :may="may"
        :wrong="wrong"
        :first="first"
        @turn="turnTo"
        @add="askNew(null)"
      />
      <section v-if="routine && form.sentence && choices" class="middle">
        <div class="scroll">
          <h1>
            <input
              v-if="may"
              v-model="form.name"
              class="name"
              maxlength="80"
              :aria-label="t('common.name')"
            /><template v-else>{{ routine.name }}</template>
          </h1>
          <p class="soft about">
            {{
              t('routines.versionVersionChangedChangedAtBy', {
                version: routine.version,
                changedAt: shortTime(routine.changedAt),
                changedBy: routine.changedBy,
              })
            }}
            <span class="tag" :class="{ go: routine.isOn }">{{
              routine.isOn
                ? t('routines.onSinceAppliesSince', { appliesSince: shortTime(routine.appliesSince!) })
                : t('common.off')
            }}</span>{{ ' ' }}
            <span v-if="routine.nextTurn">{{
              t('routines.nextTurnAt', { at: shortTime(routine.nextTurn) })
            }}</span>{{ ' ' }}
            <button v-if="may" type="button" class="word" data-test="switch" @click="switchOn">
              {{ routine.isOn ? t('routines.switchOff') : t('routines.switchOn') }}
            </button>
          </p>
          <SentenceEditor v-model="form.sentence" :choices="choices" :disabled="!may" />
          <TrustChoice :trust="routine.trust" :disabled="!may || busy" @choose="chooseTrust" />
          <FormField
            v-if="may"
            v-model="form.description"
            :label="t('routines.whatItIsFor')"
            maxlength="300"
          />
          <p v-else class="soft">
            {{ t('routines.descriptionOnlyASupervisorChanges', { description: routine.description }) }}
          </p>
        </div>
        <footer class="foot-bar">
          <VBtn
            v-if="may"
            variant="flat"
            class="go"
            :disabled="!dirty || busy || !form.name.trim()"
            data-test="keep-routine"
            @click="keep"
            >{{ t('routines.saveAsVersionRoutine', { routine: routine.version + 1 }) }}</VBtn
          >
          <VBtn v-if="dirty" @click="take">{{ t('common.discardChanges') }}</VBtn>
          <VBtn
            v-if="!dirty && session.may('clerk') && routine.sentence.on !== 'posted'"
            data-test="catch-up"
            @click="catching = true"
            >{{
              t('routines.catchUpOnOlderRoutine', {
                routine: caughtUp[routine.sentence.on ?? 'order status'],
              })
            }}</VBtn
          >
          <VBtn v-if="!dirty && may" @click="askNew(routine)">{{ t('common.copy') }}</VBtn>
          <span class="soft push">{{ t('routines.appliesToWhatHappensFrom') }}</span>
        </footer>
      </section>
      <section
        v-if="routine && form.sentence && choices"
        class="right"
        :aria-label="t('routines.trialAndVersions')"
      >
        <RoutineSides
          v-model="side"
          :sentence="form.sentence"
          :routine="routine"
          :dirty="dirty"
          :versions="versions"
          :choices="choices"
          :may="may"
          @take="takeUp"
        />
      </section>
    </div>
    <AutomaticAsk
      v-if="asking && form.sentence"
      v-model="ask"
      :sentence="form.sentence"
      :dirty="dirty"
      :busy="busy"
      @go="
        change({ trust: 'automatic' }, t('routines.routineNowLetsDocumentsGo', { routine: routine!.name }), {
          trust: routine!.trust,
        })
      "
    />
    <RoutineNew v-if="adding" v-model="adding" :from="from" @add="add" />
    <CatchUp v-if="routine" v-model="catching" :routine="routine" />
  </div>
</template>

<style scoped>
.three {
  display: flex;
  flex: 1;
  min-height: 0;
}
.middle {
  flex: 1;
  display: flex;
  flex-direction: column;
  min-width: 0;
}
.scroll {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 20px 26px;
}
.name {
  width: 100%;
  font: inherit;
  font-weight: 700;
  border: 1px solid transparent;
  border-radius: 4px;
  padding: 2px 6px;
  margin-left: -7px;
  background: none;
  color: inherit;
}
.name:hover,
.name:focus {
  border-color: var(--rule);
  background: var(--paper);
}
.about {
  margin: 4px 0 14px;
}
.right {
  flex: 0 0 328px;
  border-left: 1px solid var(--rule);
  background: var(--paper);
  padding: 12px 20px 20px;
  overflow: auto;
}
</style>
