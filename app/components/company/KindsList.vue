<script setup lang="ts">
import Ask from '../frame/Ask.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { attempt } from '../../composables/api'
import { useActing } from '../../composables/useActing'
import { plural } from '../../composables/format'
import { useLive } from '../../composables/useLive'
import { fetchKinds, switchKind } from '../../calls/house'
import { capital, kindFacts } from '../../../core/documents/kinds'
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
const many = (view: KindView) => kindFacts[view.kind].many
async function write(view: KindView, on: boolean) {
  const done = await acting(async () => {
    await switchKind({ kind: view.kind, on })
    await session.load()
    await load()
  })
  if (!done) return
  asked.value = undefined
  useToasts().say(`${capital(many(view))} are switched ${on ? 'on' : 'off'}.`)
}
const restsOn = (view: KindView) =>
  [
    view.waiting ? `${view.waiting} waiting` : '',
    view.routines.length ? plural(view.routines.length, 'routine') : '',
  ]
    .filter(Boolean)
    .join(', ')
</script>

<template>
  <div class="body">
    <p class="soft">What is switched off is not made, by hand or by routines, and not offered on orders.</p>
    <ul>
      <li v-for="view in kinds" :key="view.kind">
        <strong>{{ capital(many(view)) }}</strong>
        <span class="tag" :class="{ go: view.on }">{{ view.on ? 'on' : 'off' }}</span>
        <span class="soft cut">{{ restsOn(view) }}</span>
        <VBtn
          v-if="!disabled"
          height="28"
          :data-test="`switch-${view.kind}`"
          @click="view.on ? (asked = view) : write(view, true)"
          >{{ view.on ? 'Switch off…' : 'Switch on' }}</VBtn
        >
      </li>
    </ul>
    <p v-if="wrong && !asked" class="notice stuck" role="alert">{{ wrong }}</p>
    <Ask
      v-if="asked"
      :model-value="true"
      :title="`Switch ${many(asked)} off?`"
      go="Switch off"
      danger
      :busy="busy"
      @update:model-value="asked = undefined"
      @go="write(asked, false)"
    >
      <p>From now on none is made, by hand or by a routine.</p>
      <p v-if="asked.waiting">
        {{ asked.waiting }} of them {{ asked.waiting === 1 ? 'is' : 'are' }} waiting in To send or To check:
        {{ asked.waiting === 1 ? 'it stays and may' : 'they stay and may' }} still be sent.
      </p>
      <p v-if="asked.routines.length">
        {{ asked.routines.length === 1 ? 'This routine makes' : 'These routines make' }} nothing any more:
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
