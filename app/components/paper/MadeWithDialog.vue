<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import SelectField from '../fields/SelectField.vue'
import { variantChoices } from '../variants/words'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useWrongs } from '../../composables/useWrongs'
import { attempt } from '../../composables/api'
import { languageChoices } from '../../composables/languages'
import { fetchMadeWith, makeWith } from '../../calls/prepared'
import type { Language } from '../../../core/money/format'
import type { MadeWith } from '../../contract'

/** What one document is made with this once: another language, another email text, another design. */
const props = defineProps<{
  preparedId: number
  revision: number
  /** Somebody wrote its email for this once. */
  ownWords: boolean
  kept: () => Promise<unknown>
  /** Where it is changed for all: the customer's delivery, the email text, the design. */
  forAll: { delivery: string; text: string; design: string }
}>()
const open = defineModel<boolean>({ required: true })
const session = useSession()
const asUsual = { value: '', words: t('paper.asCustomerHasIt') }
const choices = shallowRef<MadeWith>()
const form = reactive({ language: '', text: '', design: '' })
/** As it was opened: what somebody else chooses meanwhile is not written over unseen. */
const { revision } = props
const { busy, wrong, acting } = useWrongs([])
onMounted(() =>
  attempt(async () => {
    choices.value = await fetchMadeWith(props.preparedId)
    const { language = '', text = '', design = '' } = choices.value.asOnce ?? {}
    Object.assign(form, { language, text: String(text), design: String(design) })
  }),
)
const otherText = computed(() => {
  const { language = '', text = '' } = choices.value?.asOnce ?? {}
  return form.language !== language || form.text !== String(text)
})

async function save(chosen: typeof form | null) {
  const asOnce = chosen && {
    ...(chosen.language ? { language: chosen.language as Language } : {}),
    ...(chosen.text ? { text: Number(chosen.text) } : {}),
    ...(chosen.design ? { design: Number(chosen.design) } : {}),
  }
  const any = asOnce && Object.keys(asOnce).length > 0
  const done = await acting(async () => {
    await makeWith(props.preparedId, { revision, asOnce: any ? asOnce : null })
    await props.kept()
  })
  if (!done) return
  open.value = false
  useToasts().say(any ? t('paper.itIsMadeSo') : t('paper.itIsMadeAsUsual'))
}
</script>

<template>
  <Ask
    v-model="open"
    :title="t('paper.madeWithTitle')"
    :go="t('paper.madeWithGo')"
    :busy="busy"
    :disabled="!choices"
    @go="save(form)"
  >
    <div v-if="choices" class="fields">
      <SelectField
        v-if="choices.mayChooseLanguage"
        v-model="form.language"
        :label="t('paper.documentLanguage')"
        :choices="[asUsual, ...languageChoices]"
        data-test="made-language"
      />
      <SelectField
        v-model="form.text"
        :label="t('paper.documentText')"
        :choices="[asUsual, ...variantChoices(choices.texts)]"
        :hint="choices.texts.length ? '' : t('paper.textsComeFrom')"
        data-test="made-text"
      />
      <SelectField
        v-model="form.design"
        :label="t('paper.documentDesign')"
        :choices="[asUsual, ...variantChoices(choices.designs)]"
        data-test="made-design"
      />
      <p v-if="ownWords && otherText" class="notice wait" role="status">{{ t('paper.ownWordsAreLost') }}</p>
      <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
      <button
        v-if="choices.asOnce"
        type="button"
        class="word"
        data-test="made-as-usual"
        :disabled="busy"
        @click="save(null)"
      >
        {{ t('paper.makeAsUsual') }}
      </button>
      <p class="soft for-all">
        {{ t('paper.forAllOthers') }}
        <NuxtLink :to="forAll.delivery">{{ t('paper.thisCustomersDelivery') }}</NuxtLink>
        <template v-if="session.may('supervisor')"
          ><NuxtLink :to="forAll.text">{{ t('paper.theEmailText') }}</NuxtLink>
          <NuxtLink :to="forAll.design">{{ t('paper.theDesign') }}</NuxtLink></template
        >
      </p>
    </div>
  </Ask>
</template>

<style scoped>
.fields {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 10px;
}
.fields > * {
  width: 100%;
}
.fields > .word {
  width: auto;
}
.for-all {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  margin: 0;
}
</style>
