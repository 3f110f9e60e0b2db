<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { said, saidWords } from '../../words/speech'
import Ask from '../frame/Ask.vue'
import LabelTrouble from './LabelTrouble.vue'
import WordPicker from '../list/WordPicker.vue'
import { labelState } from './label-words'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { attempt } from '../../composables/api'
import { moneyWithSign, plural } from '../../composables/format'
import { fetchOffers, giveLabelsBack, makeLabels } from '../../calls/labels'
import { costOf, isCharged, standingLabelStates } from '../../../core/shipping/labels'
import type { LabelView, ShipmentOffers } from '../../contract'

/** What labels are made for: a shipment that is packed, or a return that is expected. */
interface Goods {
  id: number
  isReturn: boolean
  version: number
  /** Labels may be bought for it. */
  stands: boolean
  /** The status that holds its documents back; null when they may leave. */
  stopped: string | null
  parcels: readonly { id: number }[]
  labels: readonly LabelView[]
}

/** The labels of parcels: what one would cost before it is bought, how each stands, and its remedy. */
const props = defineProps<{ goods: Goods; dirty: boolean }>()
const emit = defineEmits<{ done: [] }>()
const session = useSession()
const toasts = useToasts()
const found = shallowRef<ShipmentOffers>()
/** Chosen here for this once; else as the shipment, a rule or the price says. */
const service = ref<string | null>(null)
const busy = ref(false)

const standing = computed(() => props.goods.labels.filter(({ state }) => standingLabelStates.includes(state)))
const bare = computed(
  () =>
    props.goods.parcels.filter(({ id }) => !standing.value.some(({ parcelId }) => parcelId === id)).length,
)
const mayMake = computed(() => session.may('clerk') && props.goods.stands && bare.value > 0)
/** What stands, and what was refused and not asked for again. */
const shown = computed(() => props.goods.labels.filter(({ state }) => state !== 'cancelled'))
const cost = computed(() => costOf(props.goods.labels.filter(({ state }) => state === 'made')))

watch(
  () => [props.goods.version, props.goods.labels.length, bare.value],
  () =>
    attempt(async () => {
      if (bare.value > 0) found.value = await fetchOffers(props.goods)
    }),
  { immediate: true },
)

const choices = computed(() =>
  (found.value?.offers ?? []).map(({ carrier, name, price, currency, misfit, isCheapest }) => ({
    value: name,
    words: price
      ? t(isCheapest ? 'shipping.offerCheapest' : 'shipping.offer', {
          service: name,
          carrier,
          price: moneyWithSign(price, currency),
        })
      : t('shipping.offerMisfit', { service: name, why: said(`failure/${misfit!}`) }),
  })),
)
const chosen = computed(() => {
  const named = found.value?.offers.find(({ name }) => name === service.value)
  if (named) return { name: named.name, price: named.price, currency: named.currency, source: null }
  const own = found.value?.chosen
  if (!own || own.carrierId === null) return undefined
  const offer = found.value!.offers.find(
    ({ carrierId, code }) => carrierId === own.carrierId && code === own.code,
  )
  return { name: own.name, price: offer?.price ?? null, currency: offer?.currency ?? '', source: own.source }
})
const otherwise = computed(() => {
  const own = found.value?.chosen
  return service.value === null && own?.carrierId === null ? own.name : ''
})
const pickerWords = computed(() => {
  if (!chosen.value) return t('shipping.chooseService')
  const { name, price, currency } = chosen.value
  return price ? t('shipping.serviceFor', { service: name, price: moneyWithSign(price, currency) }) : name
})

async function make() {
  busy.value = true
  await attempt(async () => {
    const { asked, refused } = await makeLabels(props.goods, {
      ...(service.value ? { service: service.value } : {}),
      despite: !!props.goods.stopped,
    })
    service.value = null
    toasts.say(
      asked > 0
        ? t('shipping.labelsAreBought', { labels: plural(asked, 'label') })
        : t('shipping.noLabelIsBought', { why: said(`failure/${refused[0]!.failure}`) }),
    )
    emit('done')
  })
  busy.value = false
}

const actWords: Partial<Record<LabelView['state'], string>> = {
  made: t('shipping.giveBack'),
  unclear: t('shipping.carrierHasNone'),
}
const back = shallowRef<LabelView>()
/** The carrier takes none back that is on its way. */
const mayGiveBack = ({ state, way }: LabelView) =>
  session.may('clerk') &&
  (['asked', 'refused', 'unclear'].includes(state) || (state === 'made' && way === 'announced'))
async function giveBack(label: LabelView) {
  await attempt(async () => {
    await giveLabelsBack([label.id])
    back.value = undefined
    toasts.say(
      label.state === 'made'
        ? t('shipping.labelIsGivenBack', { parcel: label.parcel })
        : t('shipping.labelIsGivenUp', { parcel: label.parcel }),
    )
    emit('done')
  })
}
</script>

<template>
  <section :aria-label="t('shipping.labels')">
    <h2>
      {{ t('shipping.labels') }}
      <span v-for="sum in cost" :key="sum.currency" class="soft">{{
        t('shipping.labelsCost', { sum: moneyWithSign(sum.amount, sum.currency) })
      }}</span>
    </h2>
    <div v-if="mayMake && found" class="make" data-test="make-labels-line">
      <span v-if="choices.length === 0" class="soft">
        {{ t('shipping.noCarrierYet') }}
        <NuxtLink v-if="session.may('supervisor')" to="/company?part=Shipping">{{
          t('shipping.addOneInSettings')
        }}</NuxtLink>
      </span>
      <template v-else>
        <span class="sentence">
          <template v-if="otherwise">{{ t('shipping.goesOtherwise', { service: otherwise }) }} </template>
          <I18nT keypath="shipping.byService" scope="global"
            ><template #service
              ><WordPicker
                :label="t('shipping.service')"
                :words="pickerWords"
                :choices="choices"
                :value="chosen?.name ?? null"
                data-test="label-service"
                @pick="service = $event" /></template></I18nT
          ><span v-if="chosen?.source" class="soft source">{{ saidWords(chosen.source) }}</span>
        </span>
        <VBtn
          class="push"
          height="30"
          :disabled="dirty || busy || !chosen"
          :title="dirty ? t('shipping.saveFirst') : ''"
          data-test="make-labels"
          @click="make"
          >{{ t('shipping.makeLabels', { labels: plural(bare, 'label') }) }}</VBtn
        >
      </template>
    </div>
    <ul v-if="shown.length">
      <li v-for="label in shown" :key="label.id" :data-test="`label-${label.parcel}`">
        <div class="row">
          <span>{{ t('shipping.parcelOf', { n: label.parcel, of: label.parcels }) }}</span>
          <span class="tag" :class="labelState(label).tone">{{ labelState(label).words }}</span>
          <a v-if="label.trackingUrl" class="mono" :href="label.trackingUrl" target="_blank" rel="noopener">{{
            label.tracking
          }}</a>
          <span v-else class="mono">{{ label.tracking }}</span>
          <span class="soft cut push">{{ label.service }}</span>
          <span v-if="label.price" class="mono" :class="{ soft: !isCharged(label) }">{{
            t(isCharged(label) ? 'shipping.labelsCost' : 'shipping.onceUsed', {
              sum: moneyWithSign(label.price, label.currency!),
            })
          }}</span>
          <button
            v-if="mayGiveBack(label)"
            type="button"
            class="word"
            @click="['made', 'unclear'].includes(label.state) ? (back = label) : giveBack(label)"
          >
            {{ actWords[label.state] ?? t('shipping.giveUp') }}
          </button>
        </div>
        <LabelTrouble :label="label" />
      </li>
    </ul>
    <Ask
      v-if="back"
      :model-value="true"
      :title="
        back.state === 'unclear'
          ? t('shipping.thereIsNone', { parcel: back.parcel })
          : t('shipping.giveLabelBack', { tracking: back.tracking })
      "
      :go="back.state === 'unclear' ? t('shipping.thereIsNoneGo') : t('shipping.giveBackGo')"
      danger
      @update:model-value="back = undefined"
      @go="giveBack(back!)"
    >
      <p>{{ back.state === 'unclear' ? t('shipping.thereIsNoneMeans') : t('shipping.givenBackMeans') }}</p>
    </Ask>
  </section>
</template>

<style scoped>
h2 {
  font-size: var(--body);
  margin: 14px 0 6px;
}
h2 .soft {
  font-weight: 400;
  margin-left: 8px;
}
.make {
  display: flex;
  align-items: center;
  gap: 10px;
  margin-bottom: 6px;
}
.source {
  margin-left: 8px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  border-top: 1px solid var(--rule);
  padding: 5px 0;
}
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 10px;
  white-space: nowrap;
}
</style>
