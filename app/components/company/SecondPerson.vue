<script setup lang="ts">
import { t } from '../../words'
import CheckField from '../fields/CheckField.vue'
import TakenField from '../fields/TakenField.vue'
import { useSession } from '../../stores/session'
import type { SecondLookRule } from '../../../core/documents/second-look'
import type { HouseSettings } from '../../contract'

/** What a second person has to send: nothing, as long as nobody says so. */
const props = defineProps<{ settings: HouseSettings; disabled: boolean }>()
const emit = defineEmits<{ keep: [change: Partial<HouseSettings>, said: string] }>()
const session = useSession()
const rule = computed(() => props.settings.secondLook)
const set = (change: Partial<SecondLookRule>) =>
  emit('keep', { secondLook: { ...rule.value, ...change } }, t('company.secondPersonSet'))
</script>

<template>
  <section data-test="second-person">
    <h2>{{ t('company.secondPerson') }}</h2>
    <p>{{ t('company.secondPersonHelp') }}</p>
    <div class="line">
      <CheckField
        :model-value="rule.above !== null"
        :disabled="disabled"
        data-test="second-above"
        @update:model-value="set({ above: $event ? '5000' : null })"
        >{{ t('company.documentsOver') }}</CheckField
      >
      <TakenField
        v-if="rule.above !== null"
        :value="rule.above"
        class="mono few"
        inputmode="decimal"
        :suffix="session.house!.company.currency"
        :disabled="disabled"
        :aria-label="t('company.documentsOver')"
        @take="set({ above: $event || null })"
      />
    </div>
    <CheckField
      :model-value="rule.newAddress"
      :disabled="disabled"
      data-test="second-address"
      @update:model-value="set({ newAddress: $event })"
      >{{ t('company.firstEmailToAnAddress') }}</CheckField
    >
    <CheckField
      :model-value="rule.newBank"
      :disabled="disabled"
      data-test="second-bank"
      @update:model-value="set({ newBank: $event })"
      >{{ t('company.changedBankAccounts') }}</CheckField
    >
    <div class="line">
      <CheckField
        :model-value="rule.many !== null"
        :disabled="disabled"
        data-test="second-many"
        @update:model-value="set({ many: $event ? 50 : null })"
        >{{ t('company.manyInOneSend') }}</CheckField
      >
      <TakenField
        v-if="rule.many !== null"
        :value="String(rule.many)"
        class="mono few"
        inputmode="numeric"
        :disabled="disabled"
        :aria-label="t('company.manyInOneSend')"
        @take="set({ many: Number($event) || null })"
      />
    </div>
  </section>
</template>

<style scoped>
h2 {
  margin: 18px 0 4px;
}
p {
  font-size: var(--body);
  margin: 0 0 6px;
}
.line {
  display: flex;
  gap: 12px;
  align-items: center;
}
.few {
  flex: 0 0 150px;
}
</style>
