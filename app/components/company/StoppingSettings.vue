<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import WordPicker from '../list/WordPicker.vue'
import { useSession } from '../../stores/session'
import type { HouseSettings } from '../../contract'

/** In which statuses nothing of an order leaves, and what becomes of the invoice of one that is withdrawn. */
const props = defineProps<{ settings: HouseSettings; disabled: boolean }>()
const emit = defineEmits<{ keep: [change: Partial<HouseSettings>, said: string] }>()
const session = useSession()
const rules = [
  { value: 'list', words: t('company.listedInTheRegisterFor') },
  { value: 'settle', words: t('company.voidedWhereThatIsAllowed') },
]
const statusChoices = session.house!.company.orderStatuses.map((words) => ({ value: words, words }))
const toggled = (statuses: readonly string[], status: string) =>
  statuses.includes(status) ? statuses.filter((one) => one !== status) : [...statuses, status]
const toggleWithdrawn = (status: string) =>
  emit(
    'keep',
    { withdrawnStatuses: toggled(props.settings.withdrawnStatuses, status) },
    t('company.withdrawnOrdersAreSet'),
  )
const toggleHeld = (status: string) =>
  emit('keep', { heldStatuses: toggled(props.settings.heldStatuses, status) }, t('company.heldOrdersAreSet'))
</script>

<template>
  <p>
    <I18nT keypath="company.nothingOfAnOrderLeaves" scope="global"
      ><template #held
        ><WordPicker
          :label="t('company.held')"
          several
          :words="settings.heldStatuses.join(t('common.or')) || t('company.inNoStatusYet')"
          :choices="statusChoices"
          :value="settings.heldStatuses"
          :disabled="disabled"
          @pick="toggleHeld" /></template
    ></I18nT>
  </p>
  <p>
    <I18nT keypath="company.anOrderIsWithdrawnWhen" scope="global"
      ><template #withdrawn
        ><WordPicker
          :label="t('company.withdrawn')"
          several
          :words="settings.withdrawnStatuses.join(t('common.or')) || t('company.nothingYet2')"
          :choices="statusChoices"
          :value="settings.withdrawnStatuses"
          :disabled="disabled"
          @pick="toggleWithdrawn" /></template
      ><template #withdrawnRule
        ><WordPicker
          :label="t('company.withdrawnRule')"
          :choices="rules"
          :value="settings.withdrawnRule"
          :disabled="disabled"
          @pick="
            emit('keep', { withdrawnRule: $event as 'list' | 'settle' }, t('company.withdrawnRuleIsSet'))
          " /></template
      ><template #thoseThat
        ><NuxtLink to="/register?state=withdrawn">{{ t('company.thoseThatStand') }}</NuxtLink></template
      ></I18nT
    >
  </p>
</template>

<style scoped>
p {
  font-size: var(--body);
  line-height: 2;
  margin: 0 0 10px;
}
</style>
