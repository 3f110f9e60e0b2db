<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import ChangedMeanwhile from '../frame/ChangedMeanwhile.vue'
import DateField from '../fields/DateField.vue'
import FormField from '../fields/FormField.vue'
import KindChecks from '../fields/KindChecks.vue'
import SelectField from '../fields/SelectField.vue'
import { placeWords, audienceWords } from './words'
import { useMeanwhile } from '../../composables/useMeanwhile'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useWrongs } from '../../composables/useWrongs'
import { languageChoices } from '../../composables/languages'
import {
  addStandingText,
  changeStandingText,
  dropStandingText,
  fetchStandingTexts,
} from '../../calls/standing-texts'
import { textAudiences, textPlaces } from '../../../core/documents/standing-texts'
import type { StandingTextView } from '../../contract'

/** A standing text: its words in the languages of documents, on what it stands, where and for how long. */
const props = defineProps<{ text: StandingTextView | undefined }>()
const emit = defineEmits<{ leave: []; kept: [] }>()
const { company, brands } = useSession().house!
const none: StandingTextView = {
  id: 0,
  name: '',
  kinds: [],
  brandId: null,
  customers: 'all',
  place: 'before the foot',
  texts: {},
  from: null,
  until: null,
  version: 1,
}
const everyBrand = 'all'
const formOf = (text: StandingTextView) => ({
  name: text.name,
  kinds: [...text.kinds],
  brand: text.brandId === null ? everyBrand : String(text.brandId),
  customers: text.customers,
  place: text.place,
  texts: { en: '', de: '', fr: '', ...text.texts },
  from: text.from ?? '',
  until: text.until ?? '',
})
const form = reactive(formOf(props.text ?? none))
const { busy, wrong, wrongs, acting } = useWrongs(['name', 'texts', 'until', 'from'])
const { base, changed, saving, takeTheirs, keepMine } = useMeanwhile({
  form,
  opened: props.text ?? none,
  formOf,
  read: async () => (await fetchStandingTexts()).texts.find((one) => one.id === props.text!.id) ?? none,
  labels: {
    name: t('common.name'),
    texts: t('texts.text'),
    kinds: t('common.documents'),
    brand: t('common.brand'),
    customers: t('common.customers'),
    place: t('texts.place'),
    from: t('common.from'),
    until: t('common.until'),
  },
})
/** The company's language first. */
const languages = [...languageChoices].sort(
  (a, b) => Number(b.value === company.language) - Number(a.value === company.language),
)
const brandChoices = [
  { value: everyBrand, words: t('texts.everyBrand') },
  ...brands.map((one) => ({ value: String(one.id), words: one.name })),
]
const places = textPlaces.map((value) => ({ value, words: placeWords[value] }))
const audiences = textAudiences.map((value) => ({ value, words: audienceWords[value] }))
async function keep() {
  const done = await acting(async () => {
    const { brand, from, until, ...others } = form
    const body = {
      ...others,
      brandId: brand === everyBrand ? null : Number(brand),
      from: from || null,
      until: until || null,
    }
    await saving(() =>
      props.text
        ? changeStandingText(props.text.id, { ...body, version: base.value.version })
        : addStandingText(body),
    )
  })
  if (!done || changed.value.length > 0) return
  useToasts().say(t('texts.nameIsSavedForEvery', { name: form.name }))
  emit('kept')
  emit('leave')
}
const drop = () =>
  acting(async () => {
    await dropStandingText(props.text!.id)
    useToasts().say(t('texts.textIsDeletedIssuedDocuments', { text: props.text!.name }))
    emit('kept')
    emit('leave')
  })
</script>

<template>
  <Ask
    :model-value="true"
    wide
    :title="text ? text.name : t('texts.addStandingText')"
    :go="text ? t('common.save') : t('texts.addText')"
    :busy="busy"
    :disabled="!form.name.trim() || changed.length > 0"
    @update:model-value="emit('leave')"
    @go="keep"
  >
    <ChangedMeanwhile v-if="changed.length" :fields="changed" @theirs="takeTheirs" @mine="keepMine" />
    <div class="two-columns">
      <FormField
        v-model="form.name"
        :label="t('common.called')"
        :placeholder="t('texts.termsOfSale')"
        :hint="t('texts.itsHeadingWhereItHas')"
        data-test="text-name"
        :wrong="wrongs.name"
      />
      <SelectField
        v-model="form.place"
        :label="t('texts.printed')"
        :choices="places"
        data-test="text-place"
      />
      <SelectField
        v-if="brands.length > 1"
        v-model="form.brand"
        :label="t('common.brand')"
        :choices="brandChoices"
      />
      <SelectField v-model="form.customers" :label="t('common.for')" :choices="audiences" />
      <div class="day"><DateField v-model="form.from" :label="t('texts.fromByDocumentDate')" /></div>
      <div class="day">
        <DateField v-model="form.until" :label="t('common.until')" />
        <p v-if="wrongs.until" class="brick">{{ wrongs.until }}</p>
      </div>
    </div>
    <KindChecks v-model="form.kinds">
      {{
        t('texts.onForm', {
          form: form.kinds.length === 0 ? t('texts.allDocuments') : t('texts.theseDocuments'),
        })
      }}
    </KindChecks>
    <FormField
      v-for="(one, place) in languages"
      :key="one.value"
      v-model="form.texts[one.value]"
      class="text"
      :label="
        place === 0 ? t('texts.textInWords', { words: one.words }) : t('texts.inWords', { words: one.words })
      "
      :lines="place === 0 ? 4 : 2"
      :placeholder="place === 0 ? '' : t('common.asInTheCompanysLanguage')"
      :data-test="`text-${one.value}`"
      :wrong="place === 0 ? wrongs.texts : ''"
    />
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
    <button v-if="text" type="button" class="word" data-test="drop-text" @click="!busy && drop()">
      {{ t('texts.deleteThisText') }}
    </button>
  </Ask>
</template>

<style scoped>
.day {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  font-size: var(--small);
  color: var(--soft-ink);
}
.text {
  margin-bottom: 8px;
}
.brick {
  color: var(--brick);
  margin: 2px 0 0;
}
</style>
