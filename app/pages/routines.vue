<script setup lang="ts">
import Ask from '../components/frame/Ask.vue'
import CatchUp from '../components/routines/CatchUp.vue'
import RoutineTrial from '../components/routines/RoutineTrial.vue'
import RoutineVersions from '../components/routines/RoutineVersions.vue'
import SentenceEditor from '../components/routines/SentenceEditor.vue'
import TrustChoice from '../components/routines/TrustChoice.vue'
import { useSession } from '../stores/session'
import { useToasts } from '../stores/toasts'
import { useFilters } from '../composables/useFilters'
import { api, attempt } from '../composables/api'
import { useLive } from '../composables/useLive'
import { mayLeave, useUnsaved } from '../composables/useUnsaved'
import { useMainKey } from '../composables/useMainKey'
import { shortTime } from '../composables/format'
import { eventWords, filledSentence, type RoutineSentence, type Trust } from '../../core/routines/sentence'
import type { RoutineChoices, RoutineVersion, RoutineView } from '../contract'
import { trustWords } from '../composables/trust'

const session = useSession()
const route = useRoute()
const toasts = useToasts()
const { filters, set } = useFilters({ routine: '' })
const routines = shallowRef<RoutineView[]>([])
const choices = shallowRef<RoutineChoices>()
const versions = shallowRef<RoutineVersion[]>([])
const first = ref(true)
const wrong = ref('')
const draft = ref<RoutineSentence>()
const name = ref('')
const description = ref('')
const side = ref<'trial' | 'versions'>('trial')
const asking = ref<Trust | null>(null)
const ask = computed({
  get: () => asking.value !== null,
  set: (open) => {
    if (!open) asking.value = null
  },
})
const adding = ref(false)
const catching = ref(false)
const newName = ref('')
const busy = ref(false)

const may = computed(() => session.may('supervisor'))
const routine = computed(
  () => routines.value.find((one) => String(one.id) === filters.value.routine) ?? routines.value[0],
)
const dirty = computed(
  () =>
    !!routine.value &&
    JSON.stringify([draft.value, name.value, description.value]) !==
      JSON.stringify([routine.value.sentence, routine.value.name, routine.value.description]),
)

async function load() {
  try {
    choices.value ??= await api.get('/api/routines/choices')
    routines.value = await api.get('/api/routines')
    if (routine.value)
      versions.value = await api.get('/api/routines/{id}/versions', { path: { id: routine.value.id } })
    wrong.value = ''
  } catch (error) {
    wrong.value = (error as Error).message
  }
  first.value = false
}
onMounted(async () => {
  await load()
  if (route.query.new && may.value) askNew(null)
})
useLive(['routine'], () => void load())

/** The version that the sentence on the screen began from: somebody else's change meanwhile is never written over. */
const baseVersion = ref(0)
function take() {
  baseVersion.value = routine.value?.version ?? 0
  draft.value = routine.value && structuredClone(toRaw(routine.value.sentence))
  name.value = routine.value?.name ?? ''
  description.value = routine.value?.description ?? ''
}
watch(
  () => [routine.value?.id, routine.value?.version] as const,
  ([id], before) => {
    if (id !== before?.[0] || !wasDirty(before)) take()
  },
)
/** Whether what is on the screen was written here: then it stays when the routine changes elsewhere. */
function wasDirty([, version]: readonly [number | undefined, number | undefined]) {
  return dirty.value && !saving.value && version === baseVersion.value
}
watch(
  () => routine.value?.id,
  () => void load(),
)

async function turnTo(id: number) {
  if (id !== routine.value?.id && (await mayLeave())) set({ routine: String(id) })
}

function takeUp(version: RoutineVersion) {
  draft.value = structuredClone(toRaw(version.sentence))
  side.value = 'trial'
}

/** What stands on the screen and is not saved yet: a switch or a trust goes with the sentence that is seen. */
const edits = () =>
  dirty.value
    ? { sentence: filledSentence(draft.value!), name: name.value, description: description.value }
    : {}
const saving = ref(false)

const change = (changed: object, said: string, undo?: object) =>
  attempt(async () => {
    busy.value = saving.value = true
    try {
      const { id } = routine.value!
      await api.patch('/api/routines/{id}', {
        path: { id },
        body: { version: baseVersion.value, ...edits(), ...changed },
      })
      await load()
      toasts.say(
        said,
        undo
          ? {
              undo: async () => {
                await api.patch('/api/routines/{id}', {
                  path: { id },
                  body: { version: routines.value.find((one) => one.id === id)!.version, ...undo },
                })
                await load()
              },
            }
          : {},
      )
    } finally {
      busy.value = saving.value = false
      asking.value = null
    }
  })

function chooseTrust(trust: Trust) {
  if (!may.value || routine.value?.trust === trust) return
  if (trust === 'automatic') asking.value = trust
  else
    void change({ trust }, `“${routine.value!.name}” now works ${trust}, for what happens from now on.`, {
      trust: routine.value!.trust,
    })
}

const keep = () => {
  if (!dirty.value || busy.value || !may.value) return
  const before = {
    sentence: routine.value!.sentence,
    name: routine.value!.name,
    description: routine.value!.description,
  }
  void change(
    { sentence: filledSentence(draft.value!), name: name.value, description: description.value },
    `Kept as version ${routine.value!.version + 1}. It applies to what happens from now on.`,
    before,
  )
}
useUnsaved(dirty, 'the routine')
useMainKey(keep)

async function switchOn() {
  const turnsOn = !routine.value!.isOn
  const well = await change(
    { isOn: !routine.value!.isOn },
    routine.value!.isOn
      ? `“${routine.value!.name}” rests. What happens now is passed by.`
      : `“${routine.value!.name}” is on, for what happens from now on.`,
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
  newName.value = copyOf ? `${copyOf.name}, copy` : ''
  adding.value = true
}
const add = () =>
  attempt(async () => {
    const { id } = await api.post('/api/routines', {
      body: {
        name: newName.value,
        description: from.value?.description ?? '',
        trust: from.value?.trust ?? 'by hand',
        sentence: from.value?.sentence ?? plain,
      },
    })
    adding.value = false
    set({ routine: String(id) })
    await load()
  })
</script>

<template>
  <div class="page">
    <div class="three">
      <section class="list" aria-label="Routines">
        <div class="bar">
          <h1 class="title">Routines</h1>
          <VBtn
            class="push"
            height="28"
            href="/api/routines/csv"
            title="Save as CSV, each with its sentence"
            data-test="csv"
            >CSV</VBtn
          ><VBtn v-if="may" height="28" data-test="new-routine" @click="askNew(null)">New</VBtn>
        </div>
        <div v-if="wrong" class="notice stuck">{{ wrong }}</div>
        <div v-if="!first && routines.length === 0" class="empty">
          <strong>No routine yet</strong>A routine says what goes out when, in one sentence.
        </div>
        <button
          v-for="one in routines"
          :key="one.id"
          type="button"
          class="routine"
          :data-routine="one.name"
          :class="{ here: one.id === routine?.id }"
          :aria-current="one.id === routine?.id"
          @click="turnTo(one.id)"
        >
          <strong>{{ one.name }}</strong>
          <span
            ><span class="tag" :class="one.isOn ? trustWords[one.trust].tone : ''">{{
              one.isOn ? trustWords[one.trust].words : 'Off'
            }}</span>
            <span class="soft">{{ one.thisMonth }} this month</span></span
          >
        </button>
      </section>
      <section v-if="routine && draft && choices" class="middle">
        <div class="scroll">
          <h1>
            <input v-if="may" v-model="name" class="name" maxlength="80" aria-label="Name" /><template
              v-else
              >{{ routine.name }}</template
            >
          </h1>
          <p class="soft about">
            Version {{ routine.version }} · changed {{ shortTime(routine.changedAt) }} by
            {{ routine.changedBy }} ·
            <span class="tag" :class="{ go: routine.isOn }">{{
              routine.isOn ? `On since ${shortTime(routine.appliesSince!)}` : 'Off'
            }}</span>{{ ' ' }}
            <button v-if="may" type="button" class="word" data-test="switch" @click="switchOn">
              {{ routine.isOn ? 'switch off' : 'switch on' }}
            </button>
          </p>
          <SentenceEditor v-model="draft" :choices="choices" :disabled="!may" />
          <TrustChoice :trust="routine.trust" :disabled="!may || busy" @choose="chooseTrust" />
          <label v-if="may" class="for">What it is for <input v-model="description" maxlength="300" /></label>
          <p v-else class="soft">{{ routine.description }} Only a supervisor changes routines.</p>
        </div>
        <footer class="foot-bar">
          <VBtn
            v-if="may"
            variant="flat"
            class="go"
            :disabled="!dirty || busy || !name.trim()"
            data-test="keep-routine"
            @click="keep"
            >Keep as version {{ routine.version + 1 }}</VBtn
          >
          <VBtn v-if="dirty" @click="take">Give up the changes</VBtn>
          <VBtn
            v-if="!dirty && session.may('clerk') && routine.sentence.on !== 'posted'"
            data-test="catch-up"
            @click="catching = true"
            >Catch up on older {{ routine.sentence.on === 'payment' ? 'payments' : 'orders' }}…</VBtn
          >
          <VBtn v-if="!dirty && may" @click="askNew(routine)">Copy…</VBtn>
          <span class="soft push">Applies to what happens from now on</span>
        </footer>
      </section>
      <section v-if="routine && draft && choices" class="right" aria-label="Trial and versions">
        <div role="tablist" aria-label="Beside the sentence" class="sides">
          <button
            v-for="one in ['trial', 'versions'] as const"
            :key="one"
            type="button"
            role="tab"
            :aria-selected="side === one"
            :class="{ here: side === one }"
            @click="side = one"
          >
            {{ one === 'trial' ? 'Trial' : 'Versions' }}
          </button>
        </div>
        <RoutineTrial
          v-if="side === 'trial'"
          :sentence="filledSentence(draft)"
          :live="dirty ? routine.sentence : null"
          :routine="routine.id"
        />
        <RoutineVersions v-else :versions="versions" :choices="choices" :may="may" @take="takeUp" />
      </section>
    </div>
    <Ask
      v-model="ask"
      title="Let it go by itself?"
      go="By itself"
      :busy="busy"
      @go="
        change({ trust: 'automatic' }, `“${routine!.name}” now lets papers go by itself.`, {
          trust: routine!.trust,
        })
      "
    >
      <p>
        From now on, when {{ draft ? eventWords(draft) : '' }} and the sentence is met,
        {{ draft?.on === 'posted' ? 'that document goes' : `its ${draft?.issue} is issued and goes` }}
        with no further touch. What already waits stays where it is.
      </p>
      <p v-if="dirty" class="notice wait">The sentence as it stands on the screen is saved with it.</p>
    </Ask>
    <Ask
      v-model="adding"
      :title="from ? `A copy of “${from.name}”` : 'A new routine'"
      go="Write it"
      :disabled="!newName.trim()"
      @go="add"
    >
      <label class="for"
        >Its name
        <input v-model="newName" maxlength="80" data-test="new-name" placeholder="Invoice for co-operatives"
      /></label>
      <p class="soft">It is switched off until you switch it on. The trial shows what it would do.</p>
    </Ask>
    <CatchUp v-if="routine" v-model="catching" :routine="routine" />
  </div>
</template>

<style scoped>
.three {
  display: flex;
  flex: 1;
  min-height: 0;
}
.title {
  font-size: 16px;
}
.list {
  flex: 0 0 248px;
  background: var(--paper);
  border-right: 1px solid var(--rule);
  overflow: auto;
}
.routine {
  display: flex;
  flex-direction: column;
  gap: 4px;
  width: 100%;
  text-align: left;
  padding: 11px 14px;
  border: 0;
  border-bottom: 1px solid var(--rule);
  border-left: 3px solid transparent;
  background: none;
  font: inherit;
  cursor: pointer;
  color: inherit;
  outline-offset: -3px;
}
.routine .tag {
  margin-right: 6px;
}
.routine.here {
  background: var(--ledger);
  border-left-color: var(--peg);
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
.for {
  font-size: 12.5px;
  color: var(--soft-ink);
  display: flex;
  flex-direction: column;
  gap: 3px;
}
.for input {
  border: 1px solid var(--rule);
  border-radius: 4px;
  padding: 7px 9px;
  font: inherit;
  font-size: 14px;
  color: var(--ink);
  background: var(--paper);
}
.right {
  flex: 0 0 328px;
  border-left: 1px solid var(--rule);
  background: var(--paper);
  padding: 12px 20px 20px;
  overflow: auto;
}
.sides {
  display: flex;
  gap: 2px;
  margin: 0 -8px 12px;
}
.sides button {
  border: 0;
  background: none;
  font: inherit;
  font-weight: 650;
  padding: 5px 11px;
  border-radius: 4px;
  cursor: pointer;
  color: var(--ink);
}
.sides button.here {
  background: var(--ledger-deep);
}
</style>
