<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import { kindWords } from '../../composables/kinds'
import CheckField from '../fields/CheckField.vue'
import LookLogo from './LookLogo.vue'
import PeelOffZone from './PeelOffZone.vue'
import VariantPick from '../variants/VariantPick.vue'
import WordPicker from '../list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { useForm } from '../../composables/useForm'
import { attempt } from '../../composables/api'
import { useToasts } from '../../stores/toasts'
import { useMainKey } from '../../composables/useMainKey'
import { changeLook } from '../../calls/brands'
import { giveUpOwn } from '../../calls/variants'
import { mayLeave } from '../../composables/useUnsaved'
import { kindFacts, listsAccount, type DocumentKind } from '../../../core/documents/kinds'
import { paleHeadings } from '../../../core/designs/contrast'
import {
  hideableSums,
  itemNames,
  paperFamilies,
  type Design,
  type HideableSum,
  type ItemNamedBy,
} from '../../../core/designs/design'
import { lookOf, usualPeelOff } from '../../../core/designs/supplied'
import type { BrandView } from '../../contract'
import { zoneOf, zoneTexts } from './zone'

/**
 * How a brand's papers look, of one kind or all alike: design, fonts, colours and logo; the true paper stands
 * beside it.
 */
const props = defineProps<{
  brand: BrandView
  kind: DocumentKind
  kinds: { value: string; words: string }[]
}>()
/** Whose designs they are: the brand's own (null), or those of a variant. */
const variantId = defineModel<number | null>('variant', { required: true })
const emit = defineEmits<{ kept: []; kind: [kind: DocumentKind] }>()
const session = useSession()
const disabled = computed(() => !session.may('supervisor'))
const busy = ref(false)
/** A change is for all kinds of paper unless one is chosen. */
const only = ref('')
const scopes = computed(() => [
  { value: '', words: t('brands.allItsDocuments') },
  ...props.kinds.map((one) => ({ value: one.value, words: t('brands.wordsOnly', { words: one.words }) })),
])
const own = computed(() => props.brand.ofVariants.designs.find((one) => one.variantId === variantId.value))
const design = computed(() => (own.value ?? props.brand.design).design)
const logo = computed(() => design.value.pictures.logo)
const saved = computed(() => ({ design: design.value, version: props.brand.version }))
function formOf(of: { design: Design }) {
  const { logo: placed, peelOff, name: _name, ...look } = lookOf(of.design)
  return {
    ...look,
    fonts: { ...look.fonts },
    colours: { ...look.colours },
    hiddenSums: [...look.hiddenSums],
    hasPeelOff: peelOff !== null,
    zone: zoneTexts(peelOff ?? usualPeelOff),
    width: String(placed?.width ?? 20),
  }
}
const { form, base, dirty, save, beside, take } = useForm(() => saved.value, formOf, t('brands.theLook'))
/** What goes with the goods may be printed on sheets with a label. */
const hasLabel = computed(() => ['packing slip', 'delivery note'].includes(props.kind))
/** Of an account, and not of orders, is asked for with a slip. */
const hasSlip = computed(() => kindFacts[props.kind].content === 'account')
const hasAccount = computed(() => listsAccount(props.kind))
const pale = computed(() => paleHeadings(form.value.colours.brand, form.value.supplied))

async function change(body: object, said: string, whole = false) {
  busy.value = true
  await attempt(async () => {
    const { version } = base.value
    const kind = only.value ? { kind: only.value } : {}
    const of = { ...kind, variantId: variantId.value, version }
    await (whole ? save : beside)(() => changeLook(props.brand.id, { ...body, ...of }))
    useToasts().say(said)
    emit('kept')
  })
  busy.value = false
}

async function turnTo(variant: number | null) {
  if (!(await mayLeave())) return
  variantId.value = variant
  await nextTick()
  take()
}
const giveUp = () =>
  giveUpOwn(props.brand.id, {
    version: props.brand.version,
    variantId: variantId.value!,
    kind: props.kind,
  }).then(() => emit('kept'))

function choose(scope: string) {
  only.value = scope
  if (scope) emit('kind', scope as DocumentKind)
}

const keep = () => {
  const { width, slip, account, hasPeelOff, zone, item, ...look } = form.value
  const peelOff = hasPeelOff ? zoneOf(zone) : null
  const before = lookOf(base.value.design)
  return (
    dirty.value &&
    !busy.value &&
    change(
      {
        ...look,
        // other kinds may have it otherwise: what was not touched stays as each has it
        ...(item === before.item ? {} : { item }),
        ...(hasSlip.value && slip !== before.slip ? { slip } : {}),
        ...(hasAccount.value && account !== before.account ? { account } : {}),
        ...(hasLabel.value ? { peelOff } : {}),
        ...(logo.value ? { width: Number(width) } : {}),
      },
      t('brands.theDesignIsSavedDocuments'),
      true,
    )
  )
}
useMainKey(() => void keep())

const designs = [
  { value: 'plain', words: t('brands.plainWithHairlinesOnWhite') },
  { value: 'bold', words: t('brands.boldWithABandOf') },
]
const sumWords: Record<HideableSum, string> = {
  lines: t('brands.theSumOfLines'),
  net: t('brands.theNetSum'),
  tax: t('brands.theTaxByRate'),
}
const sumChoices = hideableSums.map((value) => ({ value, words: sumWords[value] }))
const itemWords: Record<ItemNamedBy, string> = {
  own: t('brands.byOurCode'),
  customer: t('brands.byTheCustomersCode'),
  gtin: t('brands.byTheBarCode'),
  none: t('brands.byNoCode'),
}
const itemChoices = itemNames.map((value) => ({ value, words: itemWords[value] }))
const toggleSum = (value: HideableSum) => {
  form.value.hiddenSums = form.value.hiddenSums.includes(value)
    ? form.value.hiddenSums.filter((one) => one !== value)
    : [...form.value.hiddenSums, value]
}
const families = paperFamilies.map((value) => ({ value, words: value }))
const colourNames = {
  brand: t('brands.brandHeadingAndBand'),
  accent: t('brands.accentBehindTheSumTo'),
  ground: t('brands.paleBackgroundBoxesAndRows'),
} as const
</script>

<template>
  <div class="body">
    <VariantPick
      what="design"
      :variant-id="variantId"
      :own="own?.madeAt"
      :brands-own="brand.design.madeAt"
      :disabled="disabled"
      :give-up="giveUp"
      @pick="turnTo"
    />
    <p class="sentence">
      <I18nT keypath="brands.onDocumentsTheDesignIs" scope="global"
        ><template #documents
          ><WordPicker
            :label="t('common.documents')"
            :choices="scopes"
            :value="only"
            :disabled="disabled"
            @pick="choose($event)" /></template
        ><template #design
          ><WordPicker
            :label="t('brands.design')"
            :choices="designs"
            :value="form.supplied"
            :disabled="disabled"
            @pick="form.supplied = $event as 'plain' | 'bold'" /></template
        ><template #fontOf
          ><WordPicker
            :label="t('brands.fontOfHeadings')"
            :words="form.fonts.heading"
            :choices="families"
            :value="form.fonts.heading"
            :disabled="disabled"
            @pick="form.fonts.heading = $event" /></template
        ><template #fontOf2
          ><WordPicker
            :label="t('brands.fontOfText')"
            :words="form.fonts.text"
            :choices="families"
            :value="form.fonts.text"
            :disabled="disabled"
            @pick="form.fonts.text = $event" /></template
        ><template #leftOut
          ><WordPicker
            :label="t('brands.leftOut')"
            several
            :words="
              form.hiddenSums.length
                ? form.hiddenSums.map((one) => sumWords[one]).join(t('common.and')) +
                  (form.hiddenSums.length > 1 ? t('brands.areLeftOut') : t('brands.isLeftOut'))
                : t('brands.nothingIsLeftOut')
            "
            :choices="sumChoices"
            :value="form.hiddenSums"
            :disabled="disabled"
            @pick="toggleSum($event as HideableSum)" /></template
      ></I18nT>
      {{ ' '
      }}<I18nT
        v-if="!['money', 'account'].includes(kindFacts[kind].content)"
        keypath="brands.linesName"
        scope="global"
        ><template #code
          ><WordPicker
            :label="t('brands.howLinesName')"
            :choices="itemChoices"
            :value="form.item"
            :disabled="disabled"
            data-test="item-names"
            @pick="form.item = $event as ItemNamedBy" /></template
      ></I18nT>
    </p>
    <p
      v-if="form.hiddenSums.includes('tax') && form.supplied === 'bold' && kindFacts[kind].books !== null"
      class="notice wait"
    >
      {{
        t('brands.kindFactsMustSayTheirTax', {
          kindFacts: kindWords(kind, 'many').replace(/^./, (first) => first.toUpperCase()),
        })
      }}
    </p>
    <CheckField v-if="hasSlip" v-model="form.slip" :disabled="disabled" data-test="slip">{{
      t('brands.endsInASlip')
    }}</CheckField>
    <CheckField v-if="hasAccount" v-model="form.account" :disabled="disabled" data-test="on-account">{{
      t('brands.listsTheAccount')
    }}</CheckField>
    <template v-if="hasLabel">
      <CheckField v-model="form.hasPeelOff" :disabled="disabled" data-test="peel-off">{{
        t('brands.hasAPeelOffLabel')
      }}</CheckField>
      <PeelOffZone
        v-if="form.hasPeelOff"
        v-model="form.zone"
        :sample="`/api/brands/${brand.id}/sample?kind=${encodeURIComponent(kind)}&crosses=true`"
        :disabled="disabled"
      />
    </template>
    <h2>{{ t('brands.colours') }}</h2>
    <div class="colours">
      <label v-for="(words, name) in colourNames" :key="name"
        ><input v-model="form.colours[name]" type="color" :disabled="disabled" /><span
          >{{ words }}<br /><span class="mono soft">{{ form.colours[name] }}</span></span
        ></label
      >
    </div>
    <p v-if="pale" class="notice wait" data-test="pale">{{ saidWords(pale) }}</p>
    <h2>{{ t('common.logo') }}</h2>
    <LookLogo
      v-model="form.width"
      :has-logo="!!logo"
      :disabled="disabled"
      :busy="busy"
      @picture="change({ picture: $event }, t('brands.theLogoIsOnThe'))"
      @take-off="change({ noLogo: true }, t('brands.theDocumentGoesWithoutA'))"
    />
    <p v-if="!only" class="soft">
      {{ t('brands.shownIsTheDocumentOf', { kinds: kindWords(kind, 'many') }) }}
    </p>
  </div>
  <footer v-if="!disabled" class="foot-bar">
    <span v-if="dirty" class="tag wait">{{ t('common.notSavedYet') }}</span><span class="push" /><VBtn
      variant="flat"
      class="go"
      :disabled="!dirty || busy"
      data-test="keep-look"
      @click="keep"
      >{{ t('common.save') }}</VBtn
    >
  </footer>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  padding: 14px 16px;
}
.sentence {
  white-space: normal;
  font-size: var(--body);
  line-height: 2;
  margin: 0;
}
h2 {
  margin: 16px 0 8px;
}
.colours {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.colours label {
  display: flex;
  gap: 12px;
  align-items: center;
}
.colours input {
  width: 52px;
  height: 36px;
  border: 1px solid var(--faint-ink);
  border-radius: 4px;
  padding: 2px;
  background: var(--paper);
}
</style>
