<script setup lang="ts">
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import WordPicker from '../list/WordPicker.vue'
import { attempt } from '../../composables/api'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { plural } from '../../composables/format'
import type { Language } from '../../../core/money/format'
import { changePreferences, bringPreferencesBack } from '../../calls/customers'
import type { DocumentKind } from '../../../core/documents/kinds'
import { languageChoices } from '../../composables/languages'
import { channels, preferenceWords, type PreferenceChange } from '../../../core/preferences/recipients'
import type { CustomerRow, ManyPreferences } from '../../contract'

/**
 * Wishes for many customers at once, written as sentences in which every word may stay as it is; says how
 * many were set and which were skipped, and can be undone.
 */
const props = defineProps<{ customers: CustomerRow[]; kinds: { value: string; words: string }[] }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ done: [] }>()
const result = shallowRef<ManyPreferences>()
const busy = ref(false)
const asItIs = 'as it is'
const form = ref({
  kind: 'invoice' as DocumentKind,
  channel: asItIs,
  to: asItIs,
  gathered: asItIs,
  cc: '',
  copies: asItIs,
  language: asItIs,
})
watch(open, (now) => {
  if (now) result.value = undefined
})

const left = (words: string) => ({ value: asItIs, words })
const ways = [
  left('the way each has now'),
  ...channels.map((value) => ({ value, words: preferenceWords({ channel: value }) })),
  { value: 'usual', words: 'as the house usually does' },
]
const roles = [
  left('the contact each has now'),
  { value: 'usual', words: 'the usual contact' },
  ...useSession().house!.company.contactRoles.map((value) => ({ value, words: `the ${value} contact` })),
]
const gathers = [
  left('gathered or not as now'),
  { value: 'false', words: 'one email each' },
  { value: 'true', words: 'all of one Send in one email' },
]
const copying = [
  left('as now'),
  { value: 'none', words: 'to nobody' },
  { value: 'these', words: 'to these addresses' },
]
const languages = [left('the language each has now'), ...languageChoices]

const change = computed<PreferenceChange>(() => {
  const { channel, to, gathered, copies, cc } = form.value
  const set = (value: string) => (value === 'usual' ? null : value)
  return {
    ...(channel === asItIs ? {} : { channel: set(channel) as PreferenceChange['channel'] }),
    ...(to === asItIs ? {} : { to: set(to) as PreferenceChange['to'] }),
    ...(gathered === asItIs ? {} : { gathered: gathered === 'true' }),
    ...(copies === asItIs ? {} : { cc: copies === 'none' ? null : cc.split(/[\s,;]+/).filter(Boolean) }),
  }
})
const nothing = computed(
  () =>
    (Object.keys(change.value).length === 0 && form.value.language === asItIs) ||
    (form.value.copies === 'these' && !form.value.cc.trim()),
)

async function set() {
  if (result.value) {
    open.value = false
    return
  }
  busy.value = true
  const { kind, language } = form.value
  await attempt(async () => {
    const done = await changePreferences({
      ids: props.customers.map((one) => one.id),
      kind,
      preference: change.value,
      ...(language === asItIs ? {} : { language: language as Language }),
    })
    useToasts().say(
      `${plural(done.set, 'customer')} set, ${done.skipped.length} skipped.`,
      done.set
        ? {
            undo: async () => {
              await bringPreferencesBack({ before: done.before })
            },
          }
        : {},
    )
    if (done.skipped.length > 0) result.value = done
    else open.value = false
    emit('done')
  })
  busy.value = false
}
</script>

<template>
  <Ask
    v-model="open"
    :title="result ? 'What was set' : `Set delivery preferences of ${plural(customers.length, 'customer')}`"
    :go="result ? 'Close' : `Set ${customers.length}`"
    :busy="busy"
    :disabled="!result && nothing"
    @go="set"
  >
    <template v-if="result">
      <p>
        <strong>{{ plural(result.set, 'customer') }} set.</strong>
        {{ plural(result.skipped.length, 'was', 'were') }} skipped:
      </p>
      <ul>
        <li v-for="one in result.skipped" :key="one.id">{{ one.name }}: {{ one.reason }}</li>
      </ul>
    </template>
    <template v-else>
      <p class="sentence">
        From now on
        <WordPicker
          label="Kind"
          :choices="kinds"
          :value="form.kind"
          @pick="form.kind = $event as DocumentKind"
        />
        go to them
        <WordPicker label="Way" :choices="ways" :value="form.channel" @pick="form.channel = $event" />, emails
        to <WordPicker label="Whom" :choices="roles" :value="form.to" @pick="form.to = $event" />,
        <WordPicker
          label="Gathered"
          :choices="gathers"
          :value="form.gathered"
          @pick="form.gathered = $event"
        />, copies
        <WordPicker label="Copies" :choices="copying" :value="form.copies" @pick="form.copies = $event" />.
        Documents are written in
        <WordPicker
          label="Language"
          :choices="languages"
          :value="form.language"
          @pick="form.language = $event"
        />.
      </p>
      <FormField
        v-if="form.copies === 'these'"
        v-model="form.cc"
        label="Copies go to, instead of those each has"
        hint="Several, with commas between."
      />
      <p class="soft">Who would have no way left (no postal address, no contact) is skipped and named.</p>
    </template>
  </Ask>
</template>

<style scoped>
.sentence {
  font-size: var(--title);
  line-height: 1.9;
  white-space: normal;
  margin: 4px 0 12px;
}
ul {
  max-height: 240px;
  overflow: auto;
  padding-left: 18px;
}
</style>
