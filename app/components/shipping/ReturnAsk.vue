<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'

/** Asks before a return is withdrawn, or is expected again. */
const asking = defineModel<'withdraw' | 'reopen' | undefined>({ required: true })
const props = defineProps<{ label: string; busy: boolean }>()
const emit = defineEmits<{ go: [] }>()
const words = computed(() =>
  asking.value === 'withdraw'
    ? {
        title: t('returns.withdrawReturnOf', { label: props.label }),
        go: t('returns.withdrawGo'),
        means: t('returns.withdrawMeans'),
      }
    : {
        title: t('returns.reopenReturnOf', { label: props.label }),
        go: t('returns.reopenGo'),
        means: t('returns.reopenMeans'),
      },
)
</script>

<template>
  <Ask
    :model-value="true"
    :title="words.title"
    :go="words.go"
    :leave="t('shipping.keepShipment')"
    :busy="busy"
    danger
    @update:model-value="asking = undefined"
    @go="emit('go')"
  >
    <p>{{ words.means }}</p>
  </Ask>
</template>
