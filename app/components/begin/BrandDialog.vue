<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import BrandFields from './BrandFields.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useWrongs } from '../../composables/useWrongs'
import { addBrand } from '../../calls/begin'
import { copiedBrand, newBrandForm, writtenBrand } from './brand-form'
import type { BrandView } from '../../contract'

/**
 * Adds a brand, with a design, email texts and numbers of its own for every kind; a copy has another's identity,
 * designs and email texts to begin with.
 */
const props = defineProps<{ copyOf?: BrandView }>()
const emit = defineEmits<{ leave: []; kept: [] }>()
const session = useSession()
const { name, country } = session.house!.company
const form = ref(
  props.copyOf
    ? copiedBrand(props.copyOf)
    : { ...newBrandForm('', country, session.user!.email), legalName: name },
)
const { busy, wrong, wrongs, acting } = useWrongs([...Object.keys(form.value), 'addressLines', 'banks'])
async function keep() {
  const done = await acting(async () => {
    await addBrand({
      ...writtenBrand(form.value),
      ...(props.copyOf ? { copyOf: props.copyOf.id } : {}),
    })
    await session.load()
  })
  if (!done) return
  useToasts().say(t('begin.nameIsAddedWithDesigns', { name: form.value.name }))
  emit('kept')
  emit('leave')
}
</script>

<template>
  <Ask
    :model-value="true"
    wide
    :title="copyOf ? t('begin.copyCopyOf', { copyOf: copyOf.name }) : t('begin.addABrand')"
    :go="t('begin.addBrand')"
    :busy="busy"
    @update:model-value="emit('leave')"
    @go="keep"
  >
    <div class="form">
      <BrandFields v-model="form" :wrongs="wrongs" :without-look="!!copyOf" />
      <p v-if="copyOf" class="soft">
        {{ t('begin.logoColoursDesignsAndEmail', { copyOf: copyOf.name }) }}
      </p>
      <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
    </div>
  </Ask>
</template>

<style scoped>
.form :deep(.fields) {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 18px;
  align-items: start;
}
.form :deep(.whole) {
  grid-column: 1 / -1;
}
</style>
