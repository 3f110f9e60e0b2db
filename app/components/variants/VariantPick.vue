<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import WordPicker from '../list/WordPicker.vue'
import { attempt } from '../../composables/api'
import { useToasts } from '../../stores/toasts'
import { longDay } from '../../composables/format'
import { useSession } from '../../stores/session'
import { dayInZone } from '../../../core/documents/days'

/** For whom a text or a design is: all customers, or those of a variant; and what they have now. */
const props = defineProps<{
  what: 'text' | 'design'
  variantId: number | null
  /** When the variant's own was saved, and the brand's; no time where there is none. */
  own: string | Date | undefined
  brandsOwn: string | Date | undefined
  disabled: boolean
  giveUp: () => Promise<unknown>
}>()
const emit = defineEmits<{ pick: [variantId: number | null] }>()
const session = useSession()
const variants = computed(() => session.house!.variants.filter((one) => !one.retired))
const all = '0'
const add = 'add'
const choices = computed(() => [
  { value: all, words: t('variants.allCustomers') },
  ...variants.value.map((one) => ({
    value: String(one.id),
    words: t('variants.ofVariant', { variant: one.name }),
  })),
  ...(props.disabled ? [] : [{ value: add, words: t('variants.addOne') }]),
])
const pick = (value: string) =>
  value === add ? navigateTo('/company?part=Variants') : emit('pick', value === all ? null : Number(value))
const name = computed(() => variants.value.find((one) => one.id === props.variantId)?.name ?? '')
const overtaken = computed(
  () => props.own && props.brandsOwn && new Date(props.brandsOwn) > new Date(props.own),
)
const dayOf = (at: string | Date) => longDay(dayInZone(new Date(at), session.house!.company.timeZone))
const back = () =>
  attempt(async () => {
    const variant = name.value
    await props.giveUp()
    useToasts().say(t('variants.theyGetTheBrands', { variant }))
  })
</script>

<template>
  <p class="for" data-test="variant-pick">
    <I18nT keypath="variants.forWhom" scope="global"
      ><template #whom
        ><WordPicker
          :label="t('variants.customers')"
          :choices="choices"
          :value="String(variantId ?? 0)"
          @pick="pick($event)" /></template
    ></I18nT>
    <span v-if="variantId !== null" class="soft now">
      <template v-if="own">{{ t('variants.hasOwn') }}</template><template v-else>{{
        what === 'text' ? t('variants.hasNoText') : t('variants.hasNoDesign')
      }}</template>
      <span v-if="overtaken" class="tag wait">{{
        t('variants.brandChanged', { day: dayOf(brandsOwn!) })
      }}</span>
      <button v-if="own && !disabled" type="button" class="word" data-test="as-the-brand" @click="back">
        {{ t('variants.asTheBrand') }}
      </button>
    </span>
  </p>
</template>

<style scoped>
.for {
  margin: 0;
}
.now {
  margin-left: 14px;
}
.now > button {
  margin-left: 10px;
}
</style>
