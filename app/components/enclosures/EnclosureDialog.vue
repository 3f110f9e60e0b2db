<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import ChangedMeanwhile from '../frame/ChangedMeanwhile.vue'
import CheckField from '../fields/CheckField.vue'
import DateField from '../fields/DateField.vue'
import FileButton from '../fields/FileButton.vue'
import FormField from '../fields/FormField.vue'
import KindChecks from '../fields/KindChecks.vue'
import SelectField from '../fields/SelectField.vue'
import { base64Of } from '../../composables/fileText'
import { languageChoices } from '../../composables/languages'
import { useMeanwhile } from '../../composables/useMeanwhile'
import { useWrongs } from '../../composables/useWrongs'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { tooHeavy } from './where'
import {
  addEnclosure,
  changeEnclosure,
  dropEnclosure,
  fetchEnclosures,
  type HangsOn,
} from '../../calls/enclosures'
import { sizeWords } from '../../../core/enclosures/mail-size'
import type { EnclosureView } from '../../contract'

/** A file that goes along: the file itself, with what it goes, and for how long. */
const props = defineProps<{
  enclosure: EnclosureView | undefined
  on: HangsOn
  /** Groups of customers that a standing file may be for. */
  groups: readonly { id: number; name: string }[]
}>()
const emit = defineEmits<{ leave: []; kept: [] }>()
const ofItem = props.on.item !== undefined
const standing = props.on.order === undefined && props.on.customer === undefined && !ofItem
const { brands } = useSession().house!
const all = 'all'
const none = {
  name: '',
  kinds: [],
  brandId: null,
  groupId: null,
  language: null,
  from: null,
  until: null,
  goes: true,
  mostDownloads: null,
  goodDays: null,
  version: 1,
}
type Kept = Omit<EnclosureView, keyof typeof none> & EnclosureView
const formOf = (one: Pick<EnclosureView, keyof typeof none>) => ({
  name: one.name,
  // what is sold goes with its invoice
  kinds: props.enclosure || !ofItem ? [...one.kinds] : ['invoice' as const],
  brand: one.brandId === null ? all : String(one.brandId),
  group: one.groupId === null ? all : String(one.groupId),
  language: one.language ?? all,
  from: one.from ?? '',
  until: one.until ?? '',
  goes: one.goes,
  mostDownloads: String(one.mostDownloads ?? ''),
  goodDays: String(one.goodDays ?? ''),
})
const opened = props.enclosure ?? (none as unknown as Kept)
/** What is no whole number is refused by the server, at its field. */
const whole = (text: string) => (text.trim() ? (/^\d+$/.test(text.trim()) ? Number(text) : 0) : null)
const form = reactive(formOf(opened))
const file = shallowRef<File>()
const heavy = ref('')
function choose(chosen: File) {
  heavy.value = tooHeavy(chosen)
  if (heavy.value) return
  file.value = chosen
  if (!props.enclosure) form.name = chosen.name
}
const { busy, wrong, wrongs, acting } = useWrongs([
  'name',
  'until',
  'from',
  'file',
  'mostDownloads',
  'goodDays',
])
const { base, changed, saving, takeTheirs, keepMine } = useMeanwhile({
  form,
  opened,
  formOf,
  read: async () =>
    (await fetchEnclosures(props.on)).enclosures.find((one) => one.id === props.enclosure!.id) ?? opened,
  labels: {
    name: t('common.name'),
    kinds: t('common.documents'),
    brand: t('common.brand'),
    group: t('enclosures.group'),
    language: t('common.language'),
    from: t('common.from'),
    until: t('common.until'),
    goes: t('enclosures.goesAlong'),
    mostDownloads: t('enclosures.mostDownloads'),
    goodDays: t('enclosures.goodDays'),
  },
})
const brandChoices = [
  { value: all, words: t('texts.everyBrand') },
  ...brands.map((one) => ({ value: String(one.id), words: one.name })),
]
const groupChoices = computed(() => [
  { value: all, words: t('enclosures.everyGroup') },
  ...props.groups.map((one) => ({ value: String(one.id), words: one.name })),
])
const languages = [{ value: all, words: t('enclosures.anyLanguage') }, ...languageChoices]
const idOf = (value: string) => (value === all ? null : Number(value))

async function keep() {
  const done = await acting(async () => {
    const { brand, group, language, from, until, mostDownloads, goodDays, ...others } = form
    const body = {
      ...others,
      brandId: idOf(brand),
      groupId: idOf(group),
      language: language === all ? null : (language as 'en'),
      from: from || null,
      until: until || null,
      mostDownloads: whole(mostDownloads),
      goodDays: whole(goodDays),
    }
    const bytes = file.value && (await base64Of(file.value))
    await saving(() =>
      props.enclosure
        ? changeEnclosure(props.enclosure.id, {
            ...body,
            version: base.value.version,
            ...(bytes ? { file: bytes } : {}),
          })
        : addEnclosure(props.on, { ...body, file: bytes! }),
    )
  })
  if (!done || changed.value.length > 0) return
  useToasts().say(t('enclosures.saved', { name: form.name }))
  emit('kept')
  emit('leave')
}
const dropping = ref(false)
const drop = () =>
  acting(async () => {
    await dropEnclosure(props.enclosure!.id)
    useToasts().say(t('enclosures.takenAway', { name: props.enclosure!.name }))
    emit('kept')
    emit('leave')
  })
</script>

<template>
  <Ask
    v-if="!dropping"
    :model-value="true"
    wide
    :title="enclosure ? enclosure.name : t('enclosures.addFor')"
    :go="enclosure ? t('common.save') : t('enclosures.addFile')"
    :busy="busy"
    :disabled="!form.name.trim() || (!enclosure && !file) || changed.length > 0"
    @update:model-value="emit('leave')"
    @go="keep"
  >
    <ChangedMeanwhile v-if="changed.length" :fields="changed" @theirs="takeTheirs" @mine="keepMine" />
    <p class="file">
      <FileButton data-test="choose-file" @file="choose">{{
        enclosure || file ? t('enclosures.chooseAnother') : t('enclosures.chooseFile')
      }}</FileButton>
      <span v-if="file">{{ file.name }}, {{ sizeWords(file.size) }}</span>
      <a v-else-if="enclosure" :href="`/api/enclosures/${enclosure.id}/file`"
        >{{ enclosure.name }}, {{ sizeWords(enclosure.size) }}</a
      >
      <span v-else class="soft">{{ t('enclosures.kindsTaken') }}</span>
    </p>
    <p v-if="heavy || wrongs.file" class="brick" role="alert" data-test="wrong-file">
      {{ heavy || wrongs.file }}
    </p>
    <div class="two-columns">
      <FormField
        v-model="form.name"
        :label="t('enclosures.nameReceiverSees')"
        data-test="enclosure-name"
        :wrong="wrongs.name"
      />
      <SelectField v-model="form.language" :label="t('enclosures.documentsIn')" :choices="languages" />
      <template v-if="standing">
        <SelectField
          v-if="brands.length > 1"
          v-model="form.brand"
          :label="t('common.brand')"
          :choices="brandChoices"
        />
        <SelectField v-model="form.group" :label="t('enclosures.group')" :choices="groupChoices" />
      </template>
      <template v-if="ofItem">
        <FormField
          v-model="form.mostDownloads"
          :label="t('enclosures.mostDownloads')"
          :hint="t('enclosures.mostDownloadsHint')"
          :placeholder="t('enclosures.anyNumber')"
          mono
          inputmode="numeric"
          data-test="most-downloads"
          :wrong="wrongs.mostDownloads"
        />
        <FormField
          v-model="form.goodDays"
          :label="t('enclosures.goodDays')"
          :placeholder="t('enclosures.asOtherLinks')"
          mono
          inputmode="numeric"
          data-test="good-days"
          :wrong="wrongs.goodDays"
        />
      </template>
      <div class="day"><DateField v-model="form.from" :label="t('common.from')" /></div>
      <div class="day">
        <DateField v-model="form.until" :label="t('enclosures.untilEnd')" />
        <p v-if="wrongs.until" class="brick">{{ wrongs.until }}</p>
      </div>
    </div>
    <KindChecks v-model="form.kinds">
      {{ t('enclosures.with') }}
      {{ form.kinds.length === 0 ? t('texts.allDocuments') : t('texts.theseDocuments') }}
    </KindChecks>
    <CheckField v-model="form.goes" data-test="goes">{{ t('enclosures.goesAlong') }}</CheckField>
    <p v-if="!form.goes" class="soft">{{ t('enclosures.goesAlongOff') }}</p>
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
    <button v-if="enclosure" type="button" class="word" data-test="drop-enclosure" @click="dropping = true">
      {{ t('enclosures.takeAway') }}
    </button>
  </Ask>
  <Ask
    v-else
    :model-value="true"
    danger
    :title="t('enclosures.takeAwayTitle', { name: enclosure!.name })"
    :go="t('enclosures.takeAway')"
    :busy="busy"
    @update:model-value="dropping = false"
    @go="drop"
  >
    <p>{{ t('enclosures.takeAwayHelp') }}</p>
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
  </Ask>
</template>

<style scoped>
.file {
  display: flex;
  align-items: center;
  gap: 12px;
  margin: 0 0 10px;
}
.day {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  font-size: var(--small);
  color: var(--soft-ink);
}
.brick {
  color: var(--brick);
  margin: 2px 0 8px;
}
</style>
