<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import TakenField from '../fields/TakenField.vue'
import WordPanel from '../list/WordPanel.vue'
import WordPicker from '../list/WordPicker.vue'
import { plural } from '../../composables/format'
import type { TooLargeRule } from '../../../core/enclosures/carriage'
import type { HouseSettings } from '../../contract'

/** Links in emails: where they lead, how long they are good, and whether they help an email that is too large. */
const props = defineProps<{ settings: HouseSettings; disabled: boolean }>()
const emit = defineEmits<{ keep: [change: Partial<HouseSettings>, said: string] }>()
const days = [7, 14, 30, 60, 90, 180, 365].map((count) => ({
  value: String(count),
  words: plural(count, 'day'),
}))
const larges = computed(() => [
  { value: 'stop' as const, words: t('company.tooLargeStops') },
  { value: 'split' as const, words: t('company.tooLargeSplits') },
  ...(props.settings.publicAddress ? [{ value: 'link' as const, words: t('company.tooLargeLinks') }] : []),
])
const opens = [
  { value: 'no', words: t('company.isNotCounted') },
  { value: 'yes', words: t('company.isCounted') },
]
const largeWords = computed(
  () =>
    larges.value.find((one) => one.value === props.settings.tooLarge)?.words ?? t('company.tooLargeStops'),
)
</script>

<template>
  <h2>{{ t('company.links') }}</h2>
  <p>
    <I18nT keypath="company.linksInEmailsBeginWith" scope="global"
      ><template #publicAddress
        ><WordPanel
          :label="t('company.publicAddress')"
          :words="settings.publicAddress || t('company.noAddressYet')"
          :open-end="!settings.publicAddress"
          :disabled="disabled"
          ><label
            ><I18nT keypath="company.addressTakenField" scope="global"
              ><template #takenField
                ><TakenField
                  :value="settings.publicAddress"
                  :placeholder="t('company.httpsClothespinHouseExample')"
                  data-test="public-address"
                  @take="
                    emit('keep', { publicAddress: $event }, t('company.thePublicAddressIsSet'))
                  " /></template></I18nT></label></WordPanel></template
    ></I18nT>
  </p>
  <p>
    <I18nT keypath="company.linksAreGoodFor" scope="global"
      ><template #days
        ><WordPicker
          :label="t('company.linkDays')"
          :words="plural(settings.linkDays, 'day')"
          :choices="days"
          :value="String(settings.linkDays)"
          :disabled="disabled"
          @pick="emit('keep', { linkDays: Number($event) }, t('company.linkDaysAreSet'))" /></template
    ></I18nT>
  </p>
  <p>
    <I18nT keypath="company.whatIsTooLarge" scope="global"
      ><template #what
        ><WordPicker
          :label="t('company.tooLarge')"
          :words="largeWords"
          :choices="larges"
          :value="settings.tooLarge"
          :disabled="disabled"
          data-test="too-large"
          @pick="emit('keep', { tooLarge: $event as TooLargeRule }, t('company.tooLargeIsSet'))" /></template
    ></I18nT>
  </p>
  <p>
    <I18nT keypath="company.whetherEmailsAreOpened" scope="global"
      ><template #counted
        ><WordPicker
          :label="t('company.opens')"
          :choices="opens"
          :value="settings.countOpens ? 'yes' : 'no'"
          :disabled="disabled"
          data-test="count-opens"
          @pick="emit('keep', { countOpens: $event === 'yes' }, t('company.opensAreSet'))" /></template
    ></I18nT>
    <span class="soft">{{ ` ${t('company.opensHelp')}` }}</span>
  </p>
</template>
