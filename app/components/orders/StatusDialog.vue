<script setup lang="ts">
import Ask from '../frame/Ask.vue'
import { plural } from '../../composables/format'
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
    .join(' and '),
)
</script>

<template>
  <Ask
    v-model="open"
    :title="`Set ${plural(orders, 'order')} to ${question.status}?`"
    :go="`Set ${orders} to ${question.status}`"
    :busy="busy"
    @go="emit('answer', letGo)"
  >
    <ul v-if="stops" data-test="effects">
      <li v-if="effects.toCheck">
        <strong>{{ plural(effects.toCheck, 'document') }}</strong> in To check
        {{ effects.toCheck === 1 ? 'is' : 'are' }} marked and kept out of every Send<template
          v-if="effects.nowByHand"
          >; {{ effects.nowByHand }} of them would have gone automatically</template
        >.
      </li>
      <li v-if="mails">
        <strong>{{ mails }}</strong> {{ effects.emails + effects.prints === 1 ? 'is' : 'are' }} taken out of
        Waiting and held.
      </li>
      <li v-if="effects.gone">
        <strong>{{ plural(effects.gone, 'document') }}</strong> {{ effects.gone === 1 ? 'has' : 'have' }} left
        already; nothing calls {{ effects.gone === 1 ? 'it' : 'them' }} back.
      </li>
      <li v-if="effects.toCheck || mails" class="soft">
        Each can still be sent alone, after its reason was read.
      </li>
    </ul>
    <template v-else>
      <p data-test="effects">
        <strong>{{ mails }}</strong> {{ effects.emails + effects.prints === 1 ? 'was' : 'were' }} taken out of
        Waiting when the {{ orders === 1 ? 'order was' : 'orders were' }} held or withdrawn.
        <template v-if="effects.toCheck"
          >{{ plural(effects.toCheck, 'document') }} in To check can be sent again.</template
        >
      </p>
      <VRadioGroup v-model="letGo">
        <VRadio :value="true" :label="`Let ${mails} go again`" />
        <VRadio
          :value="false"
          data-test="stay-held"
          :label="`Keep ${effects.emails + effects.prints === 1 ? 'it' : 'them'} held, for a person to let go`"
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
