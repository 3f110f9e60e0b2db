<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import { whoGets } from './words'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useWrongs } from '../../composables/useWrongs'
import { addVariant, changeVariant } from '../../calls/variants'
import type { VariantView } from '../../contract'

/** A variant's name, and whether anybody gets it. */
const props = defineProps<{ variant: VariantView | undefined }>()
const emit = defineEmits<{ leave: []; kept: [] }>()
const session = useSession()
const name = ref(props.variant?.name ?? '')
const retiring = ref(false)
const { busy, wrong, wrongs, acting } = useWrongs(['name'])

async function save(retired: boolean, said: string) {
  const done = await acting(async () => {
    const { variant } = props
    if (variant) await changeVariant(variant.id, { name: name.value, retired, version: variant.version })
    else await addVariant({ name: name.value })
    await session.load()
  })
  retiring.value = false
  if (!done) return
  useToasts().say(said)
  emit('kept')
  emit('leave')
}
</script>

<template>
  <Ask
    :model-value="true"
    :title="variant ? variant.name : t('variants.addVariant')"
    :go="variant ? t('common.save') : t('variants.addVariant')"
    :busy="busy"
    :disabled="!name.trim()"
    @update:model-value="emit('leave')"
    @go="save(variant?.retired ?? false, t('variants.isSaved', { name }))"
  >
    <FormField
      v-model="name"
      :label="t('variants.called')"
      :placeholder="t('variants.example')"
      :hint="t('variants.exampleHint')"
      data-test="variant-name"
      :wrong="wrongs.name"
    />
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
    <button
      v-if="variant && !variant.retired"
      type="button"
      class="word"
      data-test="retire-variant"
      @click="retiring = true"
    >
      {{ t('variants.retireThis') }}
    </button>
    <button
      v-else-if="variant"
      type="button"
      class="word"
      data-test="restore-variant"
      @click="save(false, t('variants.isBack', { name }))"
    >
      {{ t('variants.bringBack') }}
    </button>
    <Ask
      v-if="variant"
      v-model="retiring"
      :title="t('variants.retireTitle', { name: variant.name })"
      :go="t('variants.retire')"
      :busy="busy"
      @go="save(true, t('variants.isRetired', { name }))"
    >
      <p>{{ t('variants.retireWords', { who: whoGets(variant) }) }}</p>
    </Ask>
  </Ask>
</template>
