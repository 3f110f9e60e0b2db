<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import { agreeing, plural } from '../../composables/format'
import type { StatusQuestion } from '../../composables/useStatusChange'

/**
 * What a status does to documents that are prepared or waiting, with counts, before it is set; on return the
 * same backwards.
 */
const props = defineProps<{ question: StatusQuestion; busy: boolean }>()
const emit = defineEmits<{ answer: [letGo: boolean]; leave: [] }>()
const letGo = ref(true)
const open = computed({
  get: () => true,
  set: (now) => {
    if (!now) emit('leave')
  },
})
const effects = computed(() => props.question.change.effects)
const stops = computed(() => props.question.change.turn === 'stops')
const orders = computed(() => props.question.change.changed.length)
const mails = computed(() =>
  [
    effects.value.emails ? plural(effects.value.emails, 'email') : '',
    effects.value.prints ? plural(effects.value.prints, 'print job') : '',
  ]
    .filter(Boolean)
    .join(t('common.and')),
)
</script>

<template>
  <Ask
    v-model="open"
    :title="t('orders.setOrdersToStatus', { orders: plural(orders, 'order'), status: question.status })"
    :go="t('orders.setOrdersToStatus2', { orders, status: question.status })"
    :busy="busy"
    @go="emit('answer', letGo)"
  >
    <ul v-if="stops" data-test="effects">
      <li v-if="effects.toCheck">
        <strong>{{ plural(effects.toCheck, 'document') }}</strong>
        {{ t('orders.inToCheckEffectsMarked', { effects: agreeing(effects.toCheck, 'is') })
        }}<template v-if="effects.nowByHand">{{
          t('orders.nowByHandOfThemWouldHave', { nowByHand: effects.nowByHand })
        }}</template
        >.
      </li>
      <li v-if="mails">
        <strong>{{ mails }}</strong>
        {{
          t('orders.effectsTakenOutOfWaiting', {
            effects: agreeing(effects.emails + effects.prints, 'is'),
          })
        }}
      </li>
      <li v-if="effects.gone">
        <strong>{{ plural(effects.gone, 'document') }}</strong>
        {{
          t('orders.effectsLeftAlreadyNothingCalls', {
            effects: agreeing(effects.gone, 'has'),
            effects2: agreeing(effects.gone, 'it'),
          })
        }}
      </li>
      <li v-if="effects.labels">
        <strong>{{ plural(effects.labels, 'label') }}</strong> {{ t('orders.labelsStay') }}
      </li>
      <li v-if="effects.toCheck || mails" class="soft">
        {{ t('orders.eachCanStillBeSent') }}
      </li>
    </ul>
    <template v-else>
      <p data-test="effects">
        <strong>{{ mails }}</strong>
        {{
          t('orders.effectsTakenOutOfWaitingWhen', {
            effects: agreeing(effects.emails + effects.prints, 'was'),
            orders: orders === 1 ? t('orders.orderWas') : t('orders.ordersWere'),
          })
        }}
        <template v-if="effects.toCheck">{{
          t('orders.documentsInToCheckCan', { documents: plural(effects.toCheck, 'document') })
        }}</template>
      </p>
      <VRadioGroup v-model="letGo">
        <VRadio :value="true" :label="t('orders.letMailsGoAgain', { mails })" />
        <VRadio
          :value="false"
          data-test="stay-held"
          :label="
            t('orders.keepEffectsHeldForA', {
              effects: agreeing(effects.emails + effects.prints, 'it'),
            })
          "
        />
      </VRadioGroup>
    </template>
  </Ask>
</template>

<style scoped>
ul {
  margin: 0;
  padding-left: 18px;
}
li {
  margin-bottom: 4px;
}
p {
  margin: 0 0 8px;
}
</style>
