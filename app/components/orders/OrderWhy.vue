<script setup lang="ts">
import { t } from '../../words'
import { outcomeWords } from '../../composables/outcomes'
import { asWords } from '../../composables/recipients'
import { saidWords } from '../../words/speech'
import { I18nT } from 'vue-i18n'
import { attempt } from '../../composables/api'
import { shortTime } from '../../composables/format'
import { fetchWhy } from '../../calls/orders'
import type { RoutineWhy } from '../../contract'
import { trustWords } from '../../composables/trust'

/** Why this order's papers were made or not: each routine, each condition with the value seen, and what decided. */
const props = defineProps<{ orderId: number; changed: string | Date }>()
const open = ref(false)
const why = shallowRef<RoutineWhy[]>()
const load = () =>
  attempt(async () => {
    why.value = await fetchWhy(props.orderId)
  })
watch([() => props.orderId, () => props.changed, open], () => open.value && void load())
</script>

<template>
  <details class="why" data-test="why" @toggle="open = ($event.target as HTMLDetailsElement).open">
    <summary>{{ t('orders.whyRoutineByRoutine') }}</summary>
    <p v-if="open && !why" class="soft">{{ t('orders.looking') }}</p>
    <section v-for="one in why" :key="one.id">
      <h3>
        <NuxtLink :to="`/routines?routine=${one.id}`">{{ one.name }}</NuxtLink>
        <span class="tag" :class="one.isOn ? trustWords[one.trust].tone : ''">{{
          one.isOn ? trustWords[one.trust].words : t('common.off')
        }}</span>
      </h3>
      <p>
        <strong>{{ saidWords(one.conclusion) }}</strong>
      </p>
      <ul>
        <li v-for="seen in one.seen" :key="seen.asks.words" :class="{ no: !seen.holds }">
          <span class="answer">{{ seen.holds ? t('orders.yes') : t('orders.no') }}</span>
          {{ saidWords(seen.asks) }}
          <span class="soft">{{ t('orders.seenSeen', { seen: saidWords(seen.seen) }) }}</span>
        </li>
        <li v-if="one.preference">
          <span class="answer">{{ t('orders.deliveryPreference') }}</span> {{ saidWords(one.preference) }}
        </li>
        <li v-for="to in one.recipients" :key="to.address">
          <span class="answer">{{ asWords(to.as) }}</span> {{ to.address }}
          <span class="soft">· {{ saidWords(to.source) }}</span>
        </li>
        <li v-for="past in one.evaluations" :key="String(past.at)">
          <I18nT keypath="orders.atVersionVersionOutcomeSpan" scope="global"
            ><template #at
              ><span class="answer mono">{{ shortTime(past.at) }}</span></template
            ><template #version>{{ past.version }}</template
            ><template #outcome>{{ outcomeWords(past.outcome) }}</template
            ><template #span
              ><span v-if="past.reason" class="soft"> · {{ saidWords(past.reason) }}</span></template
            ></I18nT
          >
        </li>
      </ul>
    </section>
  </details>
</template>

<style scoped>
.why {
  margin-top: 14px;
  border-top: 1px solid var(--rule);
  padding-top: 8px;
}
summary {
  cursor: pointer;
  font-weight: 600;
}
section {
  border-left: 3px solid var(--rule);
  padding: 2px 0 2px 12px;
  margin: 10px 0;
}
h3 {
  display: flex;
  align-items: baseline;
  gap: 8px;
  font-size: var(--body);
}
p {
  margin: 2px 0 4px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
li {
  padding: 1px 0;
}
.no {
  color: var(--brick);
}
.answer {
  display: inline-block;
  min-width: 52px;
  margin-right: 4px;
  font-weight: 600;
}
</style>
