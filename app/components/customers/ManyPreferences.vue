<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import WordPicker from '../list/WordPicker.vue'
import { attempt } from '../../composables/api'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { plural } from '../../composables/format'
import type { Language } from '../../../core/money/format'
import { variantChoices } from '../variants/words'
import { changePreferences, bringPreferencesBack } from '../../calls/customers'
import type { DocumentKind } from '../../../core/documents/kinds'
import { languageChoices } from '../../composables/languages'
import { channels, toldPreference, type PreferenceChange } from '../../../core/preferences/recipients'
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
const asItIs = t('customers.asItIs')
const form = ref({
  kind: 'invoice' as DocumentKind,
  channel: asItIs,
  to: asItIs,
  gathered: asItIs,
  cc: '',
  copies: asItIs,
  language: asItIs,
  text: asItIs,
  design: asItIs,
})
watch(open, (now) => {
  if (now) result.value = undefined
})

const left = (words: string) => ({ value: asItIs, words })
const ways = [
  left(t('customers.theWayEachHasNow')),
  ...channels.map((value) => ({ value, words: saidWords(toldPreference({ channel: value })) })),
  { value: 'usual', words: t('customers.asTheHouseUsuallyDoes') },
]
const roles = [
  left(t('customers.theContactEachHasNow')),
  { value: 'usual', words: t('customers.theUsualContact') },
  ...useSession().house!.company.contactRoles.map((value) => ({
    value,
    words: t('common.theValueContact', { value }),
  })),
]
const gathers = [
  left(t('customers.gatheredOrNotAsNow')),
  { value: 'false', words: t('customers.oneEmailEach') },
  { value: 'true', words: t('customers.allOfOneSendIn') },
]
const copying = [
  left(t('customers.asNow')),
  { value: 'none', words: t('customers.toNobody') },
  { value: 'these', words: t('customers.toTheseAddresses') },
]
const variants = useSession().house!.variants.filter((one) => !one.retired)
const texts = [left(t('customers.theTextEachHas')), ...variantChoices(variants)]
const designs = [left(t('customers.theDesignEachHas')), ...variantChoices(variants)]
const languages = [left(t('customers.theLanguageEachHasNow')), ...languageChoices]

const change = computed<PreferenceChange>(() => {
  const { channel, to, gathered, copies, cc, text, design } = form.value
  const set = (value: string) => (value === 'usual' ? null : value)
  return {
    ...(channel === asItIs ? {} : { channel: set(channel) as PreferenceChange['channel'] }),
    ...(to === asItIs ? {} : { to: set(to) as PreferenceChange['to'] }),
    ...(gathered === asItIs ? {} : { gathered: gathered === 'true' }),
    ...(copies === asItIs ? {} : { cc: copies === 'none' ? null : cc.split(/[\s,;]+/).filter(Boolean) }),
    ...(text === asItIs ? {} : { text: Number(text) }),
    ...(design === asItIs ? {} : { design: Number(design) }),
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
      t('customers.customersSetCountSkipped', {
        customers: plural(done.set, 'customer'),
        count: done.skipped.length,
      }),
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
    :title="
      result
        ? t('customers.whatWasSet')
        : t('customers.setDeliveryPreferencesOfCustomers', {
            customers: plural(customers.length, 'customer'),
          })
    "
    :go="result ? t('common.close') : t('customers.setCount', { count: customers.length })"
    :busy="busy"
    :disabled="!result && nothing"
    @go="set"
  >
    <template v-if="result">
      <p>
        <strong>{{ t('customers.customersSet', { customers: plural(result.set, 'customer') }) }}</strong>
        {{ t('customers.wassSkipped', { wass: plural(result.skipped.length, 'was') }) }}
      </p>
      <ul>
        <li v-for="one in result.skipped" :key="one.id">{{ one.name }}: {{ saidWords(one.reason) }}</li>
      </ul>
    </template>
    <template v-else>
      <p class="sentence">
        <I18nT keypath="customers.fromNowOnKindGo" scope="global"
          ><template #kind
            ><WordPicker
              :label="t('common.kind')"
              :choices="kinds"
              :value="form.kind"
              @pick="form.kind = $event as DocumentKind" /></template
          ><template #way
            ><WordPicker
              :label="t('customers.way')"
              :choices="ways"
              :value="form.channel"
              @pick="form.channel = $event" /></template
          ><template #whom
            ><WordPicker
              :label="t('common.whom')"
              :choices="roles"
              :value="form.to"
              @pick="form.to = $event" /></template
          ><template #gathered
            ><WordPicker
              :label="t('customers.gathered')"
              :choices="gathers"
              :value="form.gathered"
              @pick="form.gathered = $event" /></template
          ><template #copies
            ><WordPicker
              :label="t('common.copies')"
              :choices="copying"
              :value="form.copies"
              @pick="form.copies = $event" /></template
          ><template #language
            ><WordPicker
              :label="t('common.language')"
              :choices="languages"
              :value="form.language"
              @pick="form.language = $event" /></template
        ></I18nT>
        <I18nT v-if="variants.length" keypath="customers.andWithTextAndDesign" scope="global"
          ><template #text
            ><WordPicker
              :label="t('customers.emailText')"
              :choices="texts"
              :value="form.text"
              @pick="form.text = $event" /></template
          ><template #design
            ><WordPicker
              :label="t('customers.designWord')"
              :choices="designs"
              :value="form.design"
              @pick="form.design = $event" /></template
        ></I18nT>
      </p>
      <FormField
        v-if="form.copies === 'these'"
        v-model="form.cc"
        :label="t('customers.copiesGoToInsteadOf')"
        :hint="t('customers.severalWithCommasBetween')"
      />
      <p class="soft">{{ t('customers.whoWouldHaveNoWay') }}</p>
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
