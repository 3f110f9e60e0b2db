<script setup lang="ts">
import { listed } from '../../composables/format'
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import KindChecks from '../fields/KindChecks.vue'
import TakenField from '../fields/TakenField.vue'
import WordPanel from '../list/WordPanel.vue'
import { type DocumentKind } from '../../../core/documents/kinds'
import type { DigestRule } from '../../../core/dispatch/digest'
import type { HouseSettings } from '../../contract'

/** Who reads once a day what went, in place of a copy of each email; of which kinds, and when. */
const props = defineProps<{ settings: HouseSettings; disabled: boolean }>()
const emit = defineEmits<{ keep: [change: Partial<HouseSettings>, said: string] }>()

const usual: DigestRule = { to: [], kinds: [], time: '17:30' }
const rule = computed(() => props.settings.digest ?? usual)
const keep = (change: Partial<DigestRule>) => {
  const now = { ...rule.value, ...change }
  const digest = now.to.length > 0 ? now : null
  emit('keep', { digest }, digest ? t('company.theDigestIsSet') : t('company.noDigest'))
}
const setTo = (written: string) => keep({ to: [...new Set(written.split(/[\s,;]+/).filter(Boolean))] })
const kindsWords = computed(() =>
  rule.value.kinds.length === 0
    ? t('company.ofAllDocuments')
    : listed(rule.value.kinds.map((kind) => kindWords(kind, 'many'))),
)
</script>

<template>
  <p>
    <I18nT keypath="company.onceADay" scope="global"
      ><template #who
        ><WordPanel
          :label="t('company.whoReadsWhatWent')"
          :words="settings.digest?.to.join(', ') ?? t('company.nobody')"
          :open-end="!settings.digest"
          :disabled="disabled"
          ><label
            >{{ t('company.mailTo') }}
            <TakenField
              :value="rule.to.join(', ')"
              :placeholder="t('common.nameHouseExample')"
              :aria-label="t('company.whoReadsWhatWent')"
              data-test="digest-to"
              @take="setTo($event)" /></label></WordPanel></template
      ><template #kinds
        ><WordPanel
          v-if="settings.digest"
          :label="t('company.ofWhichKinds')"
          :words="kindsWords"
          :disabled="disabled"
          ><KindChecks
            :model-value="rule.kinds"
            @update:model-value="keep({ kinds: $event as DocumentKind[] })"
            >{{ t('company.ofWhichKinds') }}</KindChecks
          ></WordPanel
        ><span v-else>{{ kindsWords }}</span></template
      ><template #time
        ><WordPanel v-if="settings.digest" :label="t('common.time')" :words="rule.time" :disabled="disabled"
          ><TakenField
            type="time"
            :value="rule.time"
            :aria-label="t('common.time')"
            data-test="digest-time"
            @take="$event && keep({ time: $event })" /></WordPanel
        ><span v-else>{{ rule.time }}</span></template
      ></I18nT
    >
  </p>
</template>
