<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import CheckField from '../fields/CheckField.vue'
import FormField from '../fields/FormField.vue'
import SelectField from '../fields/SelectField.vue'
import { useToasts } from '../../stores/toasts'
import { useWrongs } from '../../composables/useWrongs'
import { addCarrier, changeCarrier } from '../../calls/carriers'
import { bookingFields, readAnswer, type MappedAnswer } from '../../../core/shipping/mapping'
import { carrierFormOf, parsed, writtenCarrier } from './carrier-form'
import type { CarrierView } from '../../contract'

/** Adds a carrier, or changes one; how a mapped one is asked is tried on an answer of its own. */
const props = defineProps<{ carrier: CarrierView | undefined }>()
const emit = defineEmits<{ leave: []; kept: [] }>()
const form = ref(carrierFormOf(props.carrier))
const { busy, wrong, wrongs, acting } = useWrongs([...Object.keys(form.value)])
const fields = bookingFields.join(', ')
/** What is wrong with one of the large fields, wherever in it. */
const wrongIn = (field: string) =>
  Object.entries(wrongs.value).find(([name]) => name === field || name.startsWith(`${field}.`))?.[1] ?? ''
const kinds = [
  { value: 'http', words: t('carriers.carrierByMapping') },
  { value: 'simulated', words: t('carriers.carrierSimulated') },
] as const
/** An answer of the carrier's, to see what is read from it. */
const sample = ref('')
const read = computed(() => {
  const answer = parsed(sample.value)
  const mapping = parsed(form.value.mapping) as { answer?: MappedAnswer } | undefined
  if (sample.value.trim() === '') return null
  if (answer === undefined) return { words: t('carriers.sampleIsNoJson'), good: false }
  const found = mapping?.answer ? readAnswer(answer, mapping.answer) : null
  return found
    ? {
        words: t('carriers.sampleIsRead', { ...found, price: `${found.price} ${found.currency}` }),
        good: true,
      }
    : { words: t('carriers.sampleLacks'), good: false }
})
const badJson = computed(() =>
  form.value.kind === 'http' &&
  [form.value.mapping, form.value.services].some((text) => parsed(text) === undefined)
    ? t('carriers.isNoJson')
    : '',
)
async function keep() {
  if (badJson.value) return
  const done = await acting(async () => {
    const body = writtenCarrier(form.value)
    if (props.carrier) await changeCarrier(props.carrier.id, { ...body, version: props.carrier.version })
    else await addCarrier(body)
  })
  if (!done) return
  useToasts().say(t('carriers.carrierIsSaved', { name: form.value.name }))
  emit('kept')
  emit('leave')
}
</script>

<template>
  <Ask
    :model-value="true"
    wide
    :title="carrier ? carrier.name : t('carriers.addACarrier')"
    :go="t('common.save')"
    :busy="busy"
    @update:model-value="emit('leave')"
    @go="keep"
  >
    <div class="fields">
      <FormField
        v-model="form.name"
        :label="t('carriers.carrierName')"
        :wrong="wrongs.name"
        data-test="carrier-name"
      />
      <SelectField
        v-model="form.kind"
        :label="t('carriers.carrierKind')"
        :choices="kinds"
        data-test="carrier-kind"
      />
      <FormField
        v-model="form.address"
        class="whole"
        :label="t('carriers.carrierAddress')"
        placeholder="https://api.carrier.example"
        :wrong="wrongs.address"
        data-test="carrier-address"
      />
      <FormField
        v-model="form.key"
        class="whole"
        type="password"
        autocomplete="off"
        :label="t('carriers.carrierKey')"
        :hint="carrier?.hasKey ? t('carriers.keyIsKept') : t('carriers.keyHint')"
        :wrong="wrongs.key"
        data-test="carrier-key"
      />
      <CheckField v-model="form.inside" class="whole" data-test="carrier-inside">{{
        t('carriers.carrierInside')
      }}</CheckField>
      <template v-if="form.kind === 'http'">
        <FormField
          v-model="form.mapping"
          class="whole"
          mono
          :lines="12"
          :label="t('carriers.carrierMapping')"
          :hint="t('carriers.mappingHint', { fields })"
          :wrong="wrongIn('mapping')"
          data-test="carrier-mapping"
        />
        <FormField
          v-model="form.services"
          class="whole"
          mono
          :lines="6"
          :label="t('carriers.carrierServices')"
          :hint="t('carriers.servicesHint')"
          :wrong="wrongIn('services')"
        />
        <FormField
          v-model="sample"
          class="whole"
          mono
          :lines="3"
          :label="t('carriers.sampleAnswer')"
          :hint="t('carriers.sampleHint')"
          data-test="carrier-sample"
        />
        <p v-if="read" class="notice whole" :class="read.good ? 'go' : 'stuck'" role="status">
          {{ read.words }}
        </p>
      </template>
      <p v-if="badJson" class="notice stuck whole" role="alert">{{ badJson }}</p>
      <p v-if="wrong" class="notice stuck whole" role="alert">{{ wrong }}</p>
    </div>
  </Ask>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 18px;
  align-items: start;
}
.whole {
  grid-column: 1 / -1;
}
</style>
