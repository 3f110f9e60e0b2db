<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import Boxes from './Boxes.vue'
import CarrierList from './CarrierList.vue'
import ServiceRules from './ServiceRules.vue'
import WordPanel from '../list/WordPanel.vue'
import WordPicker from '../list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { useHouseSettings } from '../../composables/useHouseSettings'
import { labelFormatNames, labelFormats, type LabelFormat } from '../../../core/shipping/label-formats'

/** How goods leave: boxes, carriers, the service that goods go by, and what labels are printed on. */
const session = useSession()
const disabled = computed(() => !session.may('supervisor'))
const { settings, keep } = useHouseSettings()

const formats = labelFormatNames.map((value) => ({ value, words: labelFormats[value].words }))
const places = [1, 2, 3, 4].map((place) => ({
  value: String(place),
  words: t('shipping.placeN', { n: place }),
}))
</script>

<template>
  <div class="body">
    <template v-if="settings">
      <h3 v-if="session.may('supervisor')" class="first">{{ t('shipping.carriers') }}</h3>
      <CarrierList v-if="session.may('supervisor')" />
      <h3>{{ t('shipping.services') }}</h3>
      <ServiceRules :settings="settings" :disabled="disabled" @keep="keep" />
      <h3>{{ t('shipping.labels') }}</h3>
      <p class="sentence">
        <I18nT keypath="shipping.labelsArePrintedOn" scope="global"
          ><template #format
            ><WordPicker
              :label="t('shipping.labelFormat')"
              :choices="formats"
              :value="settings.labelPrinting.format"
              :disabled="disabled"
              data-test="label-format"
              @pick="
                keep(
                  { labelPrinting: { format: $event as LabelFormat, from: 1 } },
                  t('shipping.labelFormatIsSet'),
                )
              " /></template></I18nT
        ><template v-if="settings.labelPrinting.format === 'A4'"
          >{{ ' '
          }}<I18nT keypath="shipping.fromPlace" scope="global"
            ><template #place
              ><WordPicker
                :label="t('shipping.firstPlace')"
                :choices="places"
                :value="String(settings.labelPrinting.from)"
                :disabled="disabled"
                @pick="
                  keep(
                    { labelPrinting: { format: 'A4', from: Number($event) } },
                    t('shipping.labelFormatIsSet'),
                  )
                " /></template></I18nT
        ></template>
      </p>
      <p class="sentence">
        <I18nT keypath="shipping.gs1Sentence" scope="global"
          ><template #prefix
            ><WordPanel
              :label="t('shipping.gs1Prefix')"
              :words="settings.gs1Prefix || t('shipping.noGs1Prefix')"
              :open-end="!settings.gs1Prefix"
              :disabled="disabled"
              ><label class="field"
                ><span class="soft">{{ t('shipping.gs1Hint') }}</span
                ><input
                  class="mono"
                  inputmode="numeric"
                  maxlength="10"
                  :value="settings.gs1Prefix"
                  data-test="gs1-prefix"
                  @change="
                    keep(
                      { gs1Prefix: ($event.target as HTMLInputElement).value.trim() },
                      t('shipping.gs1PrefixIsSet'),
                    )
                  " /></label></WordPanel></template
        ></I18nT>
      </p>
      <Boxes :settings="settings" :disabled="disabled" @keep="keep" />
    </template>
  </div>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  padding: 14px 16px;
}
h3 {
  font-size: var(--body);
  margin: 18px 0 4px;
}
h3.first {
  margin-top: 0;
}
.sentence {
  margin: 4px 0;
}
.field {
  display: flex;
  flex-direction: column;
  gap: 6px;
  max-width: 320px;
}
</style>
