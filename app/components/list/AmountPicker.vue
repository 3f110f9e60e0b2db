<script setup lang="ts">
import { t } from '../../words'
import { I18nT } from 'vue-i18n'
/** "of any amount" in a sentence: opens a field for the least amount. */
const props = defineProps<{ value: string }>()
const emit = defineEmits<{ pick: [value: string] }>()
const open = ref(false)
const typed = ref('')
const field = ref<{ focus: () => void }>()

watch(open, async (now) => {
  typed.value = props.value
  await nextTick()
  if (now) setTimeout(() => field.value?.focus(), 20)
})

const bad = computed(() => typed.value.trim() !== '' && !/^\d{1,9}([.,]\d{1,2})?$/.test(typed.value.trim()))

function keep() {
  if (bad.value) return
  emit('pick', typed.value.trim().replace(',', '.'))
  open.value = false
}
</script>

<template>
  <VMenu v-model="open" :close-on-content-click="false">
    <template #activator="{ props: activator }">
      <button
        type="button"
        class="word value"
        :aria-label="
          t('list.amountValue', { value: value ? t('list.overValue', { value }) : t('list.anyAmount') })
        "
        v-bind="activator"
      >
        {{ value ? t('list.overValue', { value }) : t('list.anyAmount') }}
      </button>
    </template>
    <form class="amount-picker" @submit.prevent="keep">
      <label
        ><I18nT keypath="list.overTyped" scope="global"
          ><template #typed
            ><VTextField
              ref="field"
              v-model="typed"
              class="mono"
              inputmode="decimal"
              :placeholder="t('list.any')"
              :aria-label="t('list.leastAmount')" /></template></I18nT
      ></label>
      <VBtn type="submit" height="30" :disabled="bad">{{ t('list.show') }}</VBtn>
      <p v-if="bad" class="soft">{{ t('list.anAmountLike500Or') }}</p>
    </form>
  </VMenu>
</template>

<style scoped>
.amount-picker {
  background: var(--paper);
  border: 1px solid var(--ink);
  border-radius: 4px;
  padding: 10px 12px;
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
  max-width: 260px;
}
.mono {
  width: 90px;
}
p {
  flex-basis: 100%;
  margin: 0;
}
</style>
