<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { said } from '../../words/speech'
import Boxes from './Boxes.vue'
import CarrierList from './CarrierList.vue'
import ServiceRules from './ServiceRules.vue'
import WordPanel from '../list/WordPanel.vue'
import WordPicker from '../list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { useHouseSettings } from '../../composables/useHouseSettings'
import { labelFormatNames, type LabelFormat } from '../../../core/shipping/label-formats'
import { slipDetails, type SlipDetail } from '../../../core/shipping/slip'

/** How goods leave: boxes, carriers, the service that goods go by, and what labels are printed on. */
const session = useSession()
const disabled = computed(() => !session.may('supervisor'))
const { settings, keep } = useHouseSettings()

const formats = labelFormatNames.map((value) => ({ value, words: said(`sheet/${value}`) }))
const printing = computed(() => settings.value!.labelPrinting)
const offsetWords = computed(() => {
  const { x, y } = printing.value.offset ?? { x: 0, y: 0 }
  return x === 0 && y === 0 ? t('carriers.whereItBelongs') : t('carriers.offBy', { x, y })
})
/** A wrong entry is refused by the house, which says why. */
function setOffset(way: 'x' | 'y', text: string) {
  const { x, y } = printing.value.offset ?? { x: 0, y: 0 }
  const offset = { x, y, [way]: Number(text.replace(',', '.')) }
  void keep({ labelPrinting: { ...printing.value, offset } }, t('carriers.offsetIsSet'))
}
const testPrint = computed(
  () => `/api/brands/${session.house!.brands[0]!.id}/sample?kind=shipping%20label&crosses=true`,
)
const detailWords: Record<SlipDetail, string> = {
  reference: t('carriers.slipReference'),
  customer: t('carriers.slipCustomer'),
  'tax number': t('carriers.slipTaxNumber'),
  service: t('carriers.slipService'),
  contact: t('carriers.slipContact'),
  'billed to': t('carriers.slipBilledTo'),
}
const slipChoices = slipDetails.map((value) => ({ value, words: detailWords[value] }))
const slipWords = computed(
  () =>
    settings.value!.slipShows.details.map((one) => detailWords[one]).join(', ') || t('carriers.slipNothing'),
)
function toggleDetail(detail: SlipDetail) {
  const { details, prices } = settings.value!.slipShows
  const now = slipDetails.filter((one) => details.includes(one) !== (one === detail))
  void keep({ slipShows: { details: now, prices } }, t('carriers.slipIsSet'))
}
const priceChoices = [
  { value: 'no', words: t('carriers.withoutPrices') },
  { value: 'yes', words: t('carriers.withPrices') },
]
const places = [1, 2, 3, 4].map((place) => ({
  value: String(place),
  words: t('carriers.placeN', { n: place }),
}))
</script>

<template>
  <div class="body">
    <template v-if="settings">
      <h3 v-if="session.may('supervisor')" class="first">{{ t('carriers.carriers') }}</h3>
      <CarrierList v-if="session.may('supervisor')" />
      <h3>{{ t('carriers.services') }}</h3>
      <ServiceRules :settings="settings" :disabled="disabled" @keep="keep" />
      <h3>{{ t('shipping.labels') }}</h3>
      <p class="sentence">
        <I18nT keypath="carriers.labelsArePrintedOn" scope="global"
          ><template #format
            ><WordPicker
              :label="t('carriers.labelFormat')"
              :choices="formats"
              :value="settings.labelPrinting.format"
              :disabled="disabled"
              data-test="label-format"
              @pick="
                keep(
                  { labelPrinting: { ...printing, format: $event as LabelFormat, from: 1 } },
                  t('carriers.labelFormatIsSet'),
                )
              " /></template></I18nT
        ><template v-if="settings.labelPrinting.format === 'A4'"
          >{{ ' '
          }}<I18nT keypath="carriers.fromPlace" scope="global"
            ><template #place
              ><WordPicker
                :label="t('carriers.firstPlace')"
                :choices="places"
                :value="String(settings.labelPrinting.from)"
                :disabled="disabled"
                @pick="
                  keep(
                    { labelPrinting: { ...printing, format: 'A4', from: Number($event) } },
                    t('carriers.labelFormatIsSet'),
                  )
                " /></template></I18nT
        ></template>
      </p>
      <p class="sentence">
        <I18nT keypath="carriers.printerSets" scope="global"
          ><template #offset
            ><WordPanel
              :label="t('carriers.printerOffset')"
              :words="offsetWords"
              :open-end="!printing.offset"
              :disabled="disabled"
              ><div class="offsets">
                <label v-for="way in ['x', 'y'] as const" :key="way" class="field"
                  ><span>{{ t(way === 'x' ? 'carriers.toTheRight' : 'carriers.down') }}</span
                  ><input
                    class="mono"
                    inputmode="decimal"
                    :value="printing.offset?.[way] ?? 0"
                    :data-test="`offset-${way}`"
                    @change="setOffset(way, ($event.target as HTMLInputElement).value)"
                /></label>
              </div>
              <span class="soft">{{ t('carriers.offsetHint') }}</span></WordPanel
            ></template
          ></I18nT
        >{{ ' '
        }}<a :href="testPrint" target="_blank" rel="noopener" data-test="test-print">{{
          t('carriers.testPrint')
        }}</a>
      </p>
      <p class="sentence">
        <I18nT keypath="carriers.slipShows" scope="global"
          ><template #details
            ><WordPicker
              :label="t('carriers.slipDetails')"
              several
              :words="slipWords"
              :choices="slipChoices"
              :value="settings.slipShows.details"
              :disabled="disabled"
              data-test="slip-details"
              @pick="toggleDetail($event as SlipDetail)" /></template
          ><template #prices
            ><WordPicker
              :label="t('carriers.slipPrices')"
              :choices="priceChoices"
              :value="settings.slipShows.prices ? 'yes' : 'no'"
              :disabled="disabled"
              data-test="slip-prices"
              @pick="
                keep(
                  { slipShows: { ...settings.slipShows, prices: $event === 'yes' } },
                  t('carriers.slipIsSet'),
                )
              " /></template
        ></I18nT>
      </p>
      <p class="sentence">
        <I18nT keypath="carriers.gs1Sentence" scope="global"
          ><template #prefix
            ><WordPanel
              :label="t('carriers.gs1Prefix')"
              :words="settings.gs1Prefix || t('carriers.noGs1Prefix')"
              :open-end="!settings.gs1Prefix"
              :disabled="disabled"
              ><label class="field"
                ><span class="soft">{{ t('carriers.gs1Hint') }}</span
                ><input
                  class="mono"
                  inputmode="numeric"
                  maxlength="10"
                  :value="settings.gs1Prefix"
                  data-test="gs1-prefix"
                  @change="
                    keep(
                      { gs1Prefix: ($event.target as HTMLInputElement).value.trim() },
                      t('carriers.gs1PrefixIsSet'),
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
.offsets {
  display: flex;
  gap: 12px;
  margin-bottom: 6px;
}
.offsets input {
  width: 90px;
}
.field {
  display: flex;
  flex-direction: column;
  gap: 6px;
  max-width: 320px;
}
</style>
