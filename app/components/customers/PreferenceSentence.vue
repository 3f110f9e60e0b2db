<script setup lang="ts">
import TakenField from '../fields/TakenField.vue'
import WordPanel from '../list/WordPanel.vue'
import WordPicker from '../list/WordPicker.vue'
import { capital, kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import { channels, preferenceWords } from '../../../core/preferences/recipients'
import type { Channel, Preference } from '../../../core/preferences/recipients'
import type { CustomerView } from '../../contract'

/**
 * How one kind of document goes to a customer, as a sentence; where it cannot, the reason and the remedy stand
 * beneath it.
 */
const props = defineProps<{ kind: DocumentKind; view: CustomerView; may: boolean }>()
const emit = defineEmits<{ change: [change: Preference]; address: []; contacts: [] }>()
const preference = computed(() => props.view.preferences[props.kind])
const channel = computed<Channel>(() => preference.value?.channel ?? 'email')
const byEmail = computed(() => ['email', 'both'].includes(channel.value))
const way = computed(() => props.view.ways.find((one) => one.kind === props.kind)!)
const list = (text: string) => text.split(/[\s,;]+/).filter(Boolean)
const ways = channels.map((value) => ({ value, words: preferenceWords({ channel: value }) }))
const roles = [
  { value: '', words: 'the usual contact' },
  ...(['billing', 'buying', 'goods-in'] as const).map((value) => ({ value, words: `the ${value} contact` })),
]
const gathers = [
  { value: 'false', words: 'one email each' },
  { value: 'true', words: 'all of one Send in one email' },
]
</script>

<template>
  <section class="wish" :data-test="`wish-${kind}`">
    <p class="sentence">
      {{ capital(kindFacts[kind].many) }} go
      <WordPicker
        label="Way"
        :words="preferenceWords({ channel: channel })"
        :choices="ways"
        :value="channel"
        :disabled="!may"
        @pick="emit('change', { channel: $event as Channel })"
      /><template v-if="byEmail">
        to
        <WordPicker
          label="Whom"
          :words="roles.find((one) => one.value === (preference?.to ?? ''))!.words"
          :choices="roles"
          :value="preference?.to ?? ''"
          :disabled="!may"
          @pick="emit('change', { to: ($event || undefined) as Preference['to'] })" />, with
        <WordPanel
          label="Copies"
          :words="preference?.cc?.length ? `a copy to ${preference!.cc!.join(', ')}` : 'no copy'"
          :open-end="!preference?.cc?.length"
          :disabled="!may"
          ><label
            >CC
            <TakenField
              :value="preference?.cc?.join(', ') ?? ''"
              placeholder="name@house.example"
              @take="emit('change', { cc: list($event) })" /></label
        ></WordPanel>
        and
        <WordPanel
          label="Blind copies"
          :words="
            preference?.bcc?.length ? `a blind copy to ${preference!.bcc!.join(', ')}` : 'no blind copy'
          "
          :open-end="!preference?.bcc?.length"
          :disabled="!may"
          ><label
            >BCC
            <TakenField
              :value="preference?.bcc?.join(', ') ?? ''"
              placeholder="name@house.example"
              @take="emit('change', { bcc: list($event) })" /></label></WordPanel
        >,
        <WordPicker
          label="Gathered"
          :words="gathers.find((one) => one.value === String(!!preference?.gathered))!.words"
          :choices="gathers"
          :value="String(!!preference?.gathered)"
          :disabled="!may"
          @pick="emit('change', { gathered: $event === 'true' || undefined })" /></template
      >.
    </p>
    <p v-if="way.problem" class="notice stuck" role="status">
      <span>{{
        way.problem === 'no postal address'
          ? `Without a postal address ${kindFacts[kind].one} cannot be made.`
          : `There is ${way.problem}, and nobody for anything: ${kindFacts[kind].one} would get stuck.`
      }}</span>
      <VBtn
        v-if="may"
        class="push"
        height="28"
        @click="way.problem === 'no postal address' ? emit('address') : emit('contacts')"
        >{{ way.problem === 'no postal address' ? 'Write the address' : 'Add a contact' }}</VBtn
      >
    </p>
    <p v-else-if="way.to" class="soft now">now {{ way.to }}</p>
  </section>
</template>

<style scoped>
.sentence {
  white-space: normal;
  margin: 0;
  line-height: 2;
  font-size: 15px;
}
.wish {
  border-top: 1px solid var(--rule);
  padding: 8px 0;
  margin-top: 8px;
}
.wish .notice {
  border: 0;
  border-radius: 4px;
  margin: 6px 0 0;
}
.now {
  margin: 0;
  font-size: 13px;
  overflow-wrap: anywhere;
}
</style>
