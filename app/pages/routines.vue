<script setup lang="ts">
import type { Trust } from '../../core/routines/routine'
import type { RoutineVersion, RoutineView } from '../../server/services/routines/routines'

const session = useSession()
const toasts = useToasts()
const routines = shallowRef<RoutineView[]>([])
const first = ref(true)
const wrong = ref('')
const activeId = ref<number | null>(null)
const versions = shallowRef<RoutineVersion[]>([])
const name = ref('')
const description = ref('')
const asking = ref<Trust | null>(null)
const ask = computed({ get: () => asking.value !== null, set: (open) => { if (!open) asking.value = null } })
const busy = ref(false)

const routine = computed(() => routines.value.find(one => one.id === activeId.value))

async function load() {
  try {
    routines.value = await callApi<RoutineView[]>('/api/routines')
    activeId.value ??= routines.value[0]?.id ?? null
    if (activeId.value) versions.value = await callApi<RoutineVersion[]>(`/api/routines/${activeId.value}/versions`)
    wrong.value = ''
  } catch (error) {
    wrong.value = (error as Error).message
  }
  first.value = false
}
onMounted(load)
useLive(['routine'], () => void load())
watch(activeId, () => void load())
watch(routine, (now) => {
  name.value = now?.name ?? ''
  description.value = now?.description ?? ''
})

const change = (change: object, said: string, undo?: object) => attempt(async () => {
  busy.value = true
  try {
    await callApi(`/api/routines/${activeId.value}`, { method: 'PATCH', body: { version: routine.value!.version, ...change } })
    await load()
    toasts.say(said, undo ? { undo: async () => {
      await callApi(`/api/routines/${activeId.value}`, { method: 'PATCH', body: { version: routine.value!.version, ...undo } })
      await load()
    } } : {})
  } finally {
    busy.value = false
    asking.value = null
  }
})

const trusts: { value: Trust, words: string, means: string }[] = [
  { value: 'by hand', words: 'By hand', means: 'It only lists what is due. You pick, prepare and send.' },
  { value: 'after a check', words: 'After a check', means: 'It makes the paper and the email, then waits on To check.' },
  { value: 'by itself', words: 'By itself', means: 'It goes. Anything unusual still waits on To check.' },
]
const trustTag: Record<Trust, string> = { 'by hand': '', 'after a check': 'wait', 'by itself': 'go' }

function chooseTrust(trust: Trust) {
  if (!session.may('supervisor') || routine.value?.trust === trust) return
  if (trust === 'by itself') asking.value = trust
  else void change({ trust }, `“${routine.value!.name}” now works ${trust}, for what happens from now on.`, { trust: routine.value!.trust })
}
const keepWords = () => change({ name: name.value, description: description.value }, 'Name and description are kept.')
const wordsDirty = computed(() => routine.value && (name.value !== routine.value.name || description.value !== routine.value.description))
</script>

<template>
  <div class="page">
    <div class="three">
      <section class="list" aria-label="Routines">
        <div class="bar"><h1 class="title">Routines</h1></div>
        <div v-if="wrong" class="notice stuck">{{ wrong }}</div>
        <div v-if="!first && routines.length === 0" class="empty"><strong>No routine yet</strong>A routine says what goes out when, in one sentence.</div>
        <button v-for="one in routines" :key="one.id" type="button" class="routine" :class="{ here: one.id === activeId }" :aria-current="one.id === activeId" @click="activeId = one.id">
          <strong>{{ one.name }}</strong>
          <span><span class="tag" :class="one.isOn ? trustTag[one.trust] : ''">{{ one.isOn ? trusts.find(trust => trust.value === one.trust)!.words : 'Off' }}</span> <span class="soft">{{ one.thisMonth }} this month</span></span>
        </button>
      </section>
      <section v-if="routine" class="middle">
        <h1>{{ routine.name }}</h1>
        <p class="soft about">Version {{ routine.version }} · changed {{ shortTime(routine.changedAt) }} by {{ routine.changedBy }} ·
          <span class="tag" :class="{ go: routine.isOn }">{{ routine.isOn ? `On since ${shortTime(routine.appliesSince!)}` : 'Off' }}</span>
          <button v-if="session.may('supervisor')" type="button" class="word" @click="change({ isOn: !routine.isOn }, routine.isOn ? 'The routine rests. What happens now is passed by.' : 'The routine is on, for what happens from now on.', { isOn: routine.isOn })">{{ routine.isOn ? 'switch off' : 'switch on' }}</button>
        </p>
        <p class="sentence">
          When <mark>an order becomes {{ routine.sentence.statuses.join(' or ') }}</mark><template v-for="words in routine.conditionWords" :key="words"> and <mark>{{ words }}</mark></template>,
          issue <mark>an invoice</mark> on <mark>the brand’s stationery</mark>, write <mark>the brand’s cover note</mark> in <mark>the customer’s language</mark> to <mark>the {{ routine.sentence.to }} contact</mark>,
          and let it go <mark>{{ routine.sentence.delayMinutes ? `${routine.sentence.delayMinutes} minutes later` : 'at once' }}</mark>.
        </p>
        <div class="trusts" role="radiogroup" aria-label="Trust">
          <button v-for="one in trusts" :key="one.value" type="button" role="radio" :aria-checked="routine.trust === one.value" :class="[{ here: routine.trust === one.value }]" :disabled="!session.may('supervisor') || busy" :data-trust="one.value" @click="chooseTrust(one.value)">
            <strong>{{ one.words }}</strong><span>{{ one.means }}</span>
          </button>
        </div>
        <p v-if="!session.may('supervisor')" class="soft">Only a supervisor changes routines.</p>
        <p class="soft">A change applies to what happens from now on. Older orders are not touched; their invoices can be prepared by hand from the order.</p>
        <form v-if="session.may('supervisor')" class="words" @submit.prevent="keepWords">
          <label>Name <input v-model="name" maxlength="80"></label>
          <label class="wide">What it is for <input v-model="description" maxlength="300"></label>
          <VBtn type="submit" :disabled="!wordsDirty || !name.trim() || busy">Keep name and description</VBtn>
        </form>
      </section>
      <section class="right" aria-label="Versions">
        <h2>Versions</h2>
        <ol><li v-for="one in versions" :key="one.version"><strong>{{ one.version }}</strong> <span>{{ one.isOn ? trusts.find(trust => trust.value === one.trust)!.words : 'Off' }}</span><br><span class="soft">{{ fullTime(one.madeAt) }} · {{ one.madeBy }}</span></li></ol>
      </section>
    </div>
    <Ask v-model="ask" title="Let it go by itself?" go="By itself" :busy="busy" @go="change({ trust: 'by itself' }, `“${routine!.name}” now lets papers go by itself.`, { trust: routine!.trust })">
      <p>From now on each order that becomes {{ routine?.sentence.statuses.join(' or ') }} is invoiced and mailed with no further touch. What already waits on To check stays there.</p>
    </Ask>
  </div>
</template>

<style scoped>
.three { display: flex; flex: 1; min-height: 0; }
.title { font-size: 16px; }
.list { flex: 0 0 264px; background: var(--paper); border-right: 1px solid var(--rule); overflow: auto; }
.routine { display: flex; flex-direction: column; gap: 4px; width: 100%; text-align: left; padding: 11px 16px; border: 0; border-bottom: 1px solid var(--rule); border-left: 3px solid transparent; background: none; font: inherit; cursor: pointer; color: inherit; }
.routine.here { background: var(--ledger); border-left-color: var(--peg); }
.middle { flex: 1; padding: 24px 28px; overflow: auto; min-width: 0; }
.about { margin: 6px 0 16px; }
.sentence { background: var(--paper); border: 1px solid var(--rule); border-radius: 5px; padding: 20px 26px; font-size: 19px; line-height: 46px; background-image: repeating-linear-gradient(transparent 0 45px, var(--rule) 45px 46px); background-position: 0 20px; }
mark { background: none; color: var(--peg-words); font-weight: 650; }
.trusts { display: grid; grid-template-columns: repeat(3, 1fr); border: 1px solid var(--rule); border-radius: 5px; overflow: hidden; margin: 18px 0; background: var(--paper); }
.trusts button { text-align: left; padding: 12px 16px; border: 0; border-right: 1px solid var(--rule); background: none; font: inherit; cursor: pointer; display: flex; flex-direction: column; gap: 3px; color: inherit; }
.trusts button.here { background: var(--peg-ground); }
.trusts button:disabled { cursor: default; }
.trusts span { font-size: 13px; color: var(--soft-ink); }
.trusts .here span { color: var(--ink); }
.words { display: flex; gap: 12px; align-items: end; margin-top: 18px; }
.words label { font-size: 12.5px; color: var(--soft-ink); display: flex; flex-direction: column; }
.words .wide { flex: 1; }
.words input { border: 1px solid var(--rule); border-radius: 4px; padding: 7px 9px; font: inherit; font-size: 14px; color: var(--ink); background: var(--paper); }
.right { flex: 0 0 280px; border-left: 1px solid var(--rule); background: var(--paper); padding: 20px; overflow: auto; }
ol { list-style: none; padding: 0; margin: 10px 0; }
li { padding: 8px 0; border-bottom: 1px solid var(--rule); }
</style>
