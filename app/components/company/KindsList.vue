<script setup lang="ts">
import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import Ask from '../frame/Ask.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { attempt } from '../../composables/api'
import { useActing } from '../../composables/useActing'
import { agreeing, plural } from '../../composables/format'
import { useLive } from '../../composables/useLive'
import { fetchKinds, switchKind } from '../../calls/house'
import { capital } from '../../../core/documents/kinds'
import type { KindView } from '../../contract'

/** Which kinds of document the house uses. What rests on one is said before it is switched off. */
const session = useSession()
const disabled = computed(() => !session.may('supervisor'))
const kinds = shallowRef<KindView[]>([])
const load = () =>
  attempt(async () => {
    kinds.value = await fetchKinds()
  })
onMounted(load)
useLive(['house', 'line'], () => void load(), 500)

const asked = shallowRef<KindView>()
const { busy, wrong, acting } = useActing()
const many = (view: KindView) => kindWords(view.kind, 'many')
async function write(view: KindView, on: boolean) {
  const done = await acting(async () => {
    await switchKind({ kind: view.kind, on })
    await session.load()
    await load()
  })
  if (!done) return
  asked.value = undefined
  useToasts().say(
    t('company.viewAreSwitchedOn', { view: capital(many(view)), on: on ? 'on' : t('company.off') }),
  )
}
const restsOn = (view: KindView) =>
  [
    view.waiting ? t('company.waitingWaiting', { waiting: view.waiting }) : '',
    view.routines.length ? plural(view.routines.length, 'routine') : '',
  ]
    .filter(Boolean)
    .join(', ')
</script>

<template>
  <div class="body">
    <p class="soft">{{ t('company.whatIsSwitchedOffIs') }}</p>
    <ul>
      <li v-for="view in kinds" :key="view.kind">
        <strong>{{ capital(many(view)) }}</strong>
        <span class="tag" :class="{ go: view.on }">{{
          view.on ? t('company.kindOn') : t('company.kindOff')
        }}</span>
        <span class="soft cut">{{ restsOn(view) }}</span>
        <VBtn
          v-if="!disabled"
          height="28"
          :data-test="`switch-${view.kind}`"
          @click="view.on ? (asked = view) : write(view, true)"
          >{{ view.on ? t('company.switchOff') : t('company.switchOn') }}</VBtn
        >
      </li>
    </ul>
    <p v-if="wrong && !asked" class="notice stuck" role="alert">{{ wrong }}</p>
    <Ask
      v-if="asked"
      :model-value="true"
      :title="t('company.switchAskedOff', { asked: many(asked) })"
      :go="t('company.switchOff2')"
      danger
      :busy="busy"
      @update:model-value="asked = undefined"
      @go="write(asked, false)"
    >
      <p>{{ t('company.fromNowOnNoneIs') }}</p>
      <p v-if="asked.waiting">
        {{
          t('company.waitingOfThemAskedWaiting', {
            waiting: asked.waiting,
            asked: agreeing(asked.waiting, 'is'),
            asked2: asked.waiting === 1 ? t('company.itStaysAndMay') : t('company.theyStayAndMay'),
          })
        }}
      </p>
      <p v-if="asked.routines.length">
        {{
          t('company.askedNothingAnyMore', {
            asked:
              asked.routines.length === 1 ? t('company.thisRoutineMakes') : t('company.theseRoutinesMake'),
          })
        }}
        <strong>{{ asked.routines.join(', ') }}</strong>.
      </p>
      <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
    </Ask>
  </div>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  padding: 14px 16px;
  max-width: 720px;
}
ul {
  list-style: none;
  margin: 12px 0 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 200px 60px 1fr auto;
  gap: 12px;
  align-items: center;
  min-height: 40px;
  border-bottom: 1px solid var(--rule);
}
</style>
