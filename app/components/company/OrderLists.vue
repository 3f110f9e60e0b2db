<script setup lang="ts">
import { t } from '../../words'
import StatusSteps from './StatusSteps.vue'
import StatusWords from './StatusWords.vue'
import WordsList from './WordsList.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useForm } from '../../composables/useForm'
import { useWrongs } from '../../composables/useWrongs'
import { useLive } from '../../composables/useLive'
import { useMainKey } from '../../composables/useMainKey'
import { attempt } from '../../composables/api'
import { changeLists, fetchLists } from '../../calls/house'
import { draftStatus, suppliedStatus } from '../../../core/orders/statuses'
import type { HouseLists } from '../../contract'

/** The statuses that orders go through. */
const session = useSession()
const disabled = computed(() => !session.may('supervisor'))
const saved = shallowRef<HouseLists>({ statuses: [], steps: {}, words: {} })
const load = () =>
  attempt(async () => {
    saved.value = await fetchLists()
  })
onMounted(load)
useLive(['house'], () => void load())
const { form, base, dirty, save, take } = useForm(
  () => saved.value,
  (lists) => ({
    statuses: [...lists.statuses],
    steps: structuredClone(lists.steps),
    words: structuredClone(lists.words),
  }),
  t('company.theStatuses'),
)
const { busy, wrong, wrongs, acting } = useWrongs(['statuses', 'steps'])
/** What is said of a status that is taken away goes with it. */
const written = computed(() => {
  const { statuses, steps, words } = form.value
  const there = (status: string) => statuses.includes(status)
  return {
    statuses,
    steps: Object.fromEntries(
      Object.entries(steps)
        .filter(([status]) => there(status))
        .map(([status, after]) => [status, after.filter(there)]),
    ),
    words: Object.fromEntries(Object.entries(words).filter(([status]) => there(status))),
  }
})
const keep = () =>
  acting(async () => {
    await save(() => changeLists({ before: base.value, now: written.value }))
    await load()
    await session.load()
    useToasts().say(t('company.theStatusesAreSaved'))
  })
useMainKey(() => dirty.value && !busy.value && void keep())
</script>

<template>
  <div class="body">
    <h2>{{ t('company.orderStatuses') }}</h2>
    <p class="soft">
      {{ t('company.inTheOrderInWhich') }}
    </p>
    <WordsList
      v-model="form.statuses"
      :what="t('company.status')"
      :fixed="[draftStatus, suppliedStatus]"
      :disabled="disabled"
      :wrong="Object.entries(wrongs).find(([field]) => /statuses/.test(field))?.[1] ?? ''"
    />
    <h2>{{ t('company.whichMayFollowWhich') }}</h2>
    <p class="soft">{{ t('company.anOrderIsRefusedAnother') }}</p>
    <StatusSteps v-model="form.steps" :statuses="form.statuses" :disabled="disabled" />
    <h2>{{ t('company.whatCustomersRead') }}</h2>
    <p class="soft">{{ t('company.statusWordsHelp') }}</p>
    <StatusWords v-model="form.words" :statuses="form.statuses" :disabled="disabled" />
    <p v-if="wrong || wrongs.steps" class="notice stuck" role="alert">{{ wrong || wrongs.steps }}</p>
    <div v-if="!disabled" class="buttons">
      <VBtn v-if="dirty" @click="take">{{ t('common.discardChanges') }}</VBtn>
      <VBtn
        variant="flat"
        class="go"
        :disabled="!dirty"
        :loading="busy"
        data-test="keep-lists"
        @click="keep"
        >{{ t('common.save') }}</VBtn
      >
    </div>
  </div>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  padding: 14px 16px;
  max-width: 640px;
}
h2 {
  margin: 18px 0 2px;
}
h2:first-child {
  margin-top: 0;
}
.buttons {
  display: flex;
  gap: 10px;
  margin-top: 18px;
}
</style>
