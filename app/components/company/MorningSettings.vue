<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import TakenField from '../fields/TakenField.vue'
import WordPanel from '../list/WordPanel.vue'
import type { MorningRule } from '../../../core/line/morning'
import type { HouseSettings } from '../../contract'

/** Who reads in the morning how things stand, and when. */
const props = defineProps<{ settings: HouseSettings; disabled: boolean }>()
const emit = defineEmits<{ keep: [change: Partial<HouseSettings>, said: string] }>()

const usual = '08:00'
const keep = (morning: MorningRule | null) =>
  emit('keep', { morning }, morning ? t('company.theMorningEmailIsSet') : t('company.noMorningEmail'))
function setTo(to: string) {
  const address = to.trim()
  keep(address ? { to: address, time: props.settings.morning?.time ?? usual } : null)
}
</script>

<template>
  <p>
    <I18nT keypath="company.inTheMorning" scope="global"
      ><template #who
        ><WordPanel
          :label="t('company.whoReadsTheMorning')"
          :words="settings.morning?.to ?? t('company.nobody')"
          :open-end="!settings.morning"
          :disabled="disabled"
          ><label
            >{{ t('company.mailTo') }}
            <TakenField
              :value="settings.morning?.to ?? ''"
              :placeholder="t('common.nameHouseExample')"
              :aria-label="t('company.whoReadsTheMorning')"
              data-test="morning-to"
              @take="setTo($event)" /></label></WordPanel></template
      ><template #time
        ><WordPanel
          v-if="settings.morning"
          :label="t('common.time')"
          :words="settings.morning.time"
          :disabled="disabled"
          ><TakenField
            type="time"
            :value="settings.morning.time"
            :aria-label="t('common.time')"
            data-test="morning-time"
            @take="$event && keep({ to: settings.morning!.to, time: $event })" /></WordPanel
        ><span v-else>{{ usual }}</span></template
      ></I18nT
    >
  </p>
</template>
