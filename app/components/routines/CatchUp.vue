<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import { said } from '../../words/speech'
import Ask from '../frame/Ask.vue'
import DateField from '../fields/DateField.vue'
import { useSession } from '../../stores/session'
import { daysAgo, houseToday, money, shortTime } from '../../composables/format'
import { attempt } from '../../composables/api'
import { useToasts } from '../../stores/toasts'
import { fetchMissed, catchUp } from '../../calls/routines'
import { countOf, receiptKind } from '../../../core/documents/kinds'
import { eventOf, isOfGoods } from '../../../core/routines/sentence'
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
/** What was there in these days, by what the routine waits for. */
const ofWhat = computed(() => {
  const { sentence } = props.routine
  const event = eventOf(sentence)
  if (isOfGoods(event)) return t('routines.goodsThatHadTheirMoment', { what: said(`event/${event}`) })
  if (event === 'time') return t('routines.accountsOfTheLastTurn')
  if (event === 'payment')
    return t('routines.routineOfTheseDays', {
      routine: sentence.issue === receiptKind('out') ? t('routines.refunds') : t('common.payments'),
    })
  return t('routines.ordersThatCameToRoutine', { routine: sentence.statuses.join(t('common.or')) })
})
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
      t('routines.countTakenBeingPreparedIn', {
        count: countOf(taken, props.routine.sentence.issue),
        taken: taken === 1 ? 'is' : t('common.are'),
      }),
    )
    open.value = false
  })
  busy.value = false
}
</script>

<template>
  <Ask
    v-model="open"
    :title="t('routines.catchUpOnKinds', { kinds: kindWords(routine.sentence.issue, 'many') })"
    :go="t('routines.prepareCount', { count: countOf(chosen.length, routine.sentence.issue) })"
    :busy="busy"
    :disabled="chosen.length === 0 || !session.may('clerk')"
    @go="go"
  >
    <p>
      {{
        t('routines.ofPaymentThatHaveNoIssue', {
          ofPayment: ofWhat,
          issue: routine.sentence.issue,
          routine:
            routine.trust === 'by hand' ? t('routines.isListedInToSend') : t('routines.waitsInToCheck'),
        })
      }}
    </p>
    <form class="range" @submit.prevent="look">
      <label
        ><I18nT keypath="common.fromFrom" scope="global"
          ><template #from><DateField v-model="from" /></template></I18nT></label
      ><label
        ><I18nT keypath="routines.toTo" scope="global"
          ><template #to><DateField v-model="to" /></template></I18nT></label
      ><VBtn type="submit" height="32">{{ t('routines.look') }}</VBtn>
    </form>
    <div class="found">
      <p v-if="looked && missed.length === 0" class="soft">
        {{ t('routines.nothingOfTheseDaysLacks', { issue: kindWords(routine.sentence.issue) }) }}
      </p>
      <label v-for="one in missed" :key="one.id" class="order">
        <VCheckboxBtn :model-value="!left.has(one.id)" @update:model-value="toggle(one.id)" />
        <span class="mono">{{ one.number }}</span><span class="cut">{{ one.customerName }}</span
        ><span class="soft">{{ shortTime(one.reachedAt) }}</span
        ><span class="amount">{{ money(one.total, one.currency) }}</span>
      </label>
    </div>
    <p class="soft">
      <I18nT keypath="routines.togetherChosen" scope="global"
        ><template #chosen
          ><span class="mono">{{ chosen.length ? addAmounts(chosen) : t('common.nothing') }}</span></template
        ></I18nT
      >
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
