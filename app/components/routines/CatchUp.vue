<script setup lang="ts">
import Ask from '../frame/Ask.vue'
import DateField from '../fields/DateField.vue'
import { useSession } from '../../stores/session'
import { daysAgo, houseToday, money, shortTime } from '../../composables/format'
import { attempt } from '../../composables/api'
import { useToasts } from '../../stores/toasts'
import { fetchMissed, catchUp } from '../../calls/routines'
import { countOf, kindFacts, receiptKind } from '../../../core/documents/kinds'
import type { Missed, RoutineView } from '../../contract'
import { addAmounts } from '../../composables/amounts'

/** Older orders that the routine would have taken: a range, a look at each, then prepared in number order. */
const props = defineProps<{ routine: RoutineView }>()
const open = defineModel<boolean>({ required: true })
const session = useSession()
const from = ref('')
const to = ref('')
const missed = shallowRef<Missed[]>([])
const left = ref<ReadonlySet<number>>(new Set())
const looked = ref(false)
const ofPayment = computed(() => props.routine.sentence.on === 'payment')
const busy = ref(false)

watch(
  open,
  (now) => {
    if (!now) return
    from.value ||= daysAgo(30)
    to.value ||= houseToday()
    void look()
  },
  { immediate: true },
)

async function look() {
  looked.value = false
  missed.value = []
  left.value = new Set()
  await attempt(async () => {
    missed.value = await fetchMissed(props.routine.id, { from: from.value, to: to.value })
    looked.value = true
  })
}

const chosen = computed(() => missed.value.filter((one) => !left.value.has(one.id)))
function toggle(id: number) {
  const next = new Set(left.value)
  if (!next.delete(id)) next.add(id)
  left.value = next
}

async function go() {
  busy.value = true
  await attempt(async () => {
    const { taken } = await catchUp(props.routine.id, {
      from: from.value,
      to: to.value,
      ids: chosen.value.map((one) => one.id),
    })
    useToasts().say(
      `${countOf(taken, props.routine.sentence.issue)} ${taken === 1 ? 'is' : 'are'} being prepared, in order.`,
    )
    open.value = false
  })
  busy.value = false
}
</script>

<template>
  <Ask
    v-model="open"
    :title="`Catch up on ${kindFacts[routine.sentence.issue].many}`"
    :go="`Prepare ${countOf(chosen.length, routine.sentence.issue)}`"
    :busy="busy"
    :disabled="chosen.length === 0 || !session.may('clerk')"
    @go="go"
  >
    <p>
      {{
        ofPayment
          ? `${routine.sentence.issue === receiptKind('out') ? 'Refunds' : 'Payments'} of these days`
          : `Orders that came to ${routine.sentence.statuses.join(' or ')}`
      }}
      that have no {{ routine.sentence.issue }} yet. What is prepared here
      {{ routine.trust === 'by hand' ? 'is listed in To send' : 'waits in To check' }}; nothing leaves the
      house.
    </p>
    <form class="range" @submit.prevent="look">
      <label>from <DateField v-model="from" /></label><label>to <DateField v-model="to" /></label
      ><VBtn type="submit" height="32">Look</VBtn>
    </form>
    <div class="found">
      <p v-if="looked && missed.length === 0" class="soft">
        Nothing of these days lacks its {{ routine.sentence.issue }}.
      </p>
      <label v-for="one in missed" :key="one.id" class="order">
        <VCheckboxBtn :model-value="!left.has(one.id)" @update:model-value="toggle(one.id)" />
        <span class="mono">{{ one.number }}</span><span class="cut">{{ one.customerName }}</span
        ><span class="soft">{{ shortTime(one.reachedAt) }}</span
        ><span class="amount">{{ money(one.total, one.currency) }}</span>
      </label>
    </div>
    <p class="soft">
      Together <span class="mono">{{ chosen.length ? addAmounts(chosen) : 'nothing' }}</span>
    </p>
  </Ask>
</template>

<style scoped>
p {
  margin: 0 0 8px;
}
.range {
  display: flex;
  gap: 10px;
  align-items: center;
  margin-bottom: 8px;
}
.range input {
  border: 1px solid var(--faint-ink);
  border-radius: 4px;
  padding: 5px 8px;
  font: inherit;
  background: var(--paper);
  color: var(--ink);
}
.found {
  height: 220px;
  overflow: auto;
  border-top: 1px solid var(--rule);
  padding-top: 6px;
  margin-bottom: 8px;
}
.order {
  display: grid;
  grid-template-columns: 18px 84px 1fr 70px 100px;
  gap: 8px;
  align-items: center;
  padding: 4px 0;
  cursor: pointer;
}
</style>
