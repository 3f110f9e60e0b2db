<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import { attempt } from '../../composables/api'
import { shortTime } from '../../composables/format'
import { useNewest } from '../../composables/useNewest'
import { fetchEmailVersions } from '../../calls/email-texts'
import { wordsOfBody } from '../../../core/emailtexts/nodes'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { EmailText } from '../../../core/emailtexts/email-text'
import type { EmailPurpose } from '../../../core/emailtexts/purposes'
import type { Language } from '../../../core/money/format'
import type { EmailVersion } from '../../contract'

/** Which version of an email text is in use, whether it was tried, and those before it: each can be taken up again. */
const props = defineProps<{
  brandId: number
  kind: DocumentKind
  purpose: EmailPurpose
  language: Language
  /** Null: the brand's own. */
  variantId: number | null
  /** Counts what may have changed them: a save, a trial. */
  changes: string
  disabled: boolean
}>()
const emit = defineEmits<{ take: [text: EmailText] }>()
const versions = shallowRef<EmailVersion[]>([])
const newest = useNewest()
watch(
  () => [props.brandId, props.kind, props.purpose, props.language, props.variantId, props.changes],
  () =>
    attempt(async () => {
      const { brandId, kind, purpose, language, variantId } = props
      const of = { kind, purpose, language, ...(variantId === null ? {} : { variantId }) }
      const found = await newest(() => fetchEmailVersions(brandId, of))
      if (found) versions.value = found.versions
    }),
  { immediate: true },
)
/** What a house begins with is tried by us. */
const untried = (one: EmailVersion) => one.version > 1 && !one.tried
const current = computed(() => versions.value[0])
const open = ref(false)
const shown = ref<number>()
function take({ subject, text }: EmailText) {
  emit('take', { subject, text })
  open.value = false
}
</script>

<template>
  <template v-if="current">
    <button type="button" class="word small version" data-test="versions" @click="open = true">
      {{ t('brands.versionNote', { note: current.version }) }}
    </button>
    <span v-if="untried(current)" class="tag wait untried" :title="t('emailtexts.notTriedHelp')">{{
      t('emailtexts.notTried')
    }}</span>
    <Ask
      v-model="open"
      wide
      shows
      :title="t('emailtexts.versions')"
      :go="t('common.close')"
      @go="open = false"
    >
      <ol data-test="version-list">
        <li v-for="one in versions" :key="one.version">
          <div class="head">
            <strong>{{ t('emailtexts.version', { version: one.version }) }}</strong>
            <span class="soft"
              >{{ one.madeBy }}, {{ shortTime(one.madeAt)
              }}{{ untried(one) ? `, ${t('emailtexts.notTried')}` : '' }}</span
            >
            <button
              type="button"
              class="word"
              @click="shown = shown === one.version ? undefined : one.version"
            >
              {{ shown === one.version ? t('emailtexts.hide') : t('emailtexts.read') }}
            </button>
            <button
              v-if="!disabled && one !== current"
              type="button"
              class="word"
              :data-test="`take-${one.version}`"
              @click="take(one)"
            >
              {{ t('emailtexts.takeUp') }}
            </button>
            <span v-else-if="one === current" class="tag go">{{ t('emailtexts.inUse') }}</span>
          </div>
          <div class="cut">{{ wordsOfBody(one.subject) }}</div>
          <p v-if="shown === one.version" class="text">{{ wordsOfBody(one.text) }}</p>
        </li>
      </ol>
    </Ask>
  </template>
</template>

<style scoped>
.small {
  font-size: var(--small);
}
.version {
  margin-left: 8px;
}
.untried {
  margin-left: 8px;
}
ol {
  list-style: none;
  padding: 0;
  margin: 0;
}
li {
  border-top: 1px solid var(--rule);
  padding: 6px 0;
}
.head {
  display: flex;
  gap: 12px;
  align-items: baseline;
}
.text {
  white-space: pre-line;
  margin: 6px 0 0;
  padding: 8px 10px;
  background: var(--ledger);
}
</style>
