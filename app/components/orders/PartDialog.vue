<script setup lang="ts">
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import WordPicker from '../list/WordPicker.vue'

/** Asks what part of an order a draft is begun for: some of its lines, or a deposit in percent. */
const open = defineModel<boolean>({ required: true })
defineProps<{ orderNumber: string }>()
const emit = defineEmits<{ draft: [ask: { kind: 'part' } | { kind: 'deposit'; percent: string }] }>()
const part = ref<'part' | 'deposit'>('part')
const percent = ref('30')
const parts = [
  { value: 'part', words: 'an invoice of some of its lines' },
  { value: 'deposit', words: 'a deposit invoice' },
]
const go = () =>
  emit('draft', part.value === 'part' ? { kind: 'part' } : { kind: 'deposit', percent: percent.value.trim() })
</script>

<template>
  <Ask v-model="open" :title="`Invoice a part of ${orderNumber}`" go="Begin the draft" @go="go">
    <p class="sentence">
      Write
      <WordPicker label="What" :choices="parts" :value="part" @pick="part = $event as 'part' | 'deposit'" />.
    </p>
    <FormField v-if="part === 'deposit'" v-model="percent" label="Percent of the order" mono />
    <p class="soft">
      {{
        part === 'part'
          ? 'The draft begins with all that is not billed yet; cut its quantities down. The rest is billed later.'
          : 'The final invoice lists the deposit with net and tax and deducts it.'
      }}
    </p>
  </Ask>
</template>
