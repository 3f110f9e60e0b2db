<script setup lang="ts">
import type { DocumentKind } from '../../../core/documents/kinds'
import { channels, wishWords, type Channel, type Wish } from '../../../core/wishes/recipients'
import type { CustomerRow, ManyWishes } from '../../../server/services/customers/customers'

/** One wish for many customers at once, written as a sentence; says how many were set and which were skipped, and can be undone. */
const props = defineProps<{ customers: CustomerRow[], kinds: { value: string, words: string }[] }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ done: [] }>()
const kind = ref<DocumentKind>('invoice')
const channel = ref<Channel | 'as usual'>('email')
const result = shallowRef<ManyWishes>()
const busy = ref(false)
watch(open, (now) => {
  if (now) result.value = undefined
})

const ways = [...channels, 'as usual' as const].map(value => ({ value, words: value === 'as usual' ? 'as the house usually does' : wishWords({ channel: value }) }))

async function set() {
  if (result.value) {
    open.value = false
    return
  }
  busy.value = true
  const wish: Wish | null = channel.value === 'as usual' ? null : { channel: channel.value }
  await attempt(async () => {
    const done = await callApi<ManyWishes>('/api/customers/wishes', { method: 'POST', body: { ids: props.customers.map(one => one.id), kind: kind.value, wish } })
    useToasts().say(`${plural(done.set, 'customer')} set, ${done.skipped.length} skipped.`, done.set ? { undo: async () => {
      await callApi('/api/customers/wishes-back', { method: 'POST', body: { before: done.before } })
    } } : {})
    if (done.skipped.length > 0) result.value = done
    else open.value = false
    emit('done')
  })
  busy.value = false
}
</script>

<template>
  <Ask v-model="open" :title="result ? 'What was set' : `Set wishes of ${plural(customers.length, 'customer')}`" :go="result ? 'Close' : `Set ${customers.length}`" :busy="busy" @go="set">
    <template v-if="result">
      <p><strong>{{ plural(result.set, 'customer') }} set.</strong> {{ plural(result.skipped.length, 'was', 'were') }} skipped:</p>
      <ul><li v-for="one in result.skipped" :key="one.id">{{ one.name }}: {{ one.reason }}</li></ul>
    </template>
    <p v-else class="sentence">From now on <WordPicker label="Kind" :words="kinds.find(one => one.value === kind)!.words" :choices="kinds" :value="kind" @pick="kind = $event as DocumentKind" /> go to them
      <WordPicker label="Way" :words="ways.find(one => one.value === channel)!.words" :choices="ways" :value="channel" @pick="channel = $event as Channel" />.</p>
    <p v-if="!result" class="soft">Who would have no way left (no postal address, no contact) is skipped and named.</p>
  </Ask>
</template>

<style scoped>
.sentence { font-size: 16px; white-space: normal; margin: 4px 0 12px; }
ul { max-height: 240px; overflow: auto; padding-left: 18px; }
</style>
