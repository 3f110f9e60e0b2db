<script setup lang="ts">
import { t } from '../../../words'
import CheckField from '../../../components/fields/CheckField.vue'
import DateField from '../../../components/fields/DateField.vue'
import FormField from '../../../components/fields/FormField.vue'
import GoodsLabels from '../../../components/shipping/GoodsLabels.vue'
import GoodsPapers from '../../../components/shipping/GoodsPapers.vue'
import ReturnAsk from '../../../components/shipping/ReturnAsk.vue'
import ReturnCredits from '../../../components/shipping/ReturnCredits.vue'
import ReturnedGoods from '../../../components/shipping/ReturnedGoods.vue'
import ShipParcels from '../../../components/shipping/ShipParcels.vue'
import ShipTo from '../../../components/shipping/ShipTo.vue'
import { addressOf, parcelsOf, tidy } from '../../../components/shipping/goods-form'
import { returnState } from '../../../components/shipping/return-words'
import { useSession } from '../../../stores/session'
import { useToasts } from '../../../stores/toasts'
import { useNewest } from '../../../composables/useNewest'
import { attempt } from '../../../composables/api'
import { useLive } from '../../../composables/useLive'
import { useForm } from '../../../composables/useForm'
import { useMainKey } from '../../../composables/useMainKey'
import { useUnsaved } from '../../../composables/useUnsaved'
import { dayTime, longDay } from '../../../composables/format'
import {
  changeReturn,
  creditReturn,
  fetchReturn,
  reopenReturn,
  takeReturnIn,
  withdrawReturn,
} from '../../../calls/returns'
import { dayInZone } from '../../../../core/documents/days'
import { returnKinds } from '../../../../core/documents/kinds'
import type { Address } from '../../../../core/documents/facts'
import type { ParcelFacts } from '../../../../core/shipping/parcels'
import type { ReturnCredited, ReturnView } from '../../../contract'

/** Goods that come back: expected, taken in and credited, with the note and labels for them beside it. */
const route = useRoute()
const session = useSession()
const toasts = useToasts()
const id = computed(() => Number(route.params.id))
const goods = shallowRef<ReturnView>()
const wrong = ref('')
const busy = ref(false)

interface Form {
  until: string
  remarks: string
  sender: Address
  delivery: Address
  parcels: ParcelFacts[]
}
const formOf = (one: ReturnView | undefined): Form => ({
  until: one?.until ?? '',
  remarks: one?.remarks ?? '',
  sender: addressOf(one?.sender),
  delivery: addressOf(one?.delivery),
  parcels: parcelsOf(one),
})
const { form, base, dirty, save, take } = useForm(() => goods.value, formOf, t('returns.theReturn'))
const isExpected = computed(() => goods.value?.state === 'expected')
const disabled = computed(() => !session.may('clerk') || !isExpected.value)
const labelled = computed(
  () => goods.value && { ...goods.value, isReturn: true, stands: isExpected.value, stopped: null },
)
const today = () => dayInZone(new Date(), session.house!.company.timeZone)
const shownState = computed(() => returnState(goods.value!, today()))

const newest = useNewest()
async function load() {
  try {
    const found = await newest(() => fetchReturn(id.value))
    if (found) goods.value = found
    wrong.value = ''
  } catch (error) {
    wrong.value = (error as Error).message
  }
}
watch(id, load, { immediate: true })
useLive(['order', 'line'], () => void load(), 250)

async function act(work: () => Promise<string>) {
  if (busy.value) return
  busy.value = true
  await attempt(async () => {
    toasts.say(await work())
    await load()
  })
  busy.value = false
}
const keep = () =>
  dirty.value &&
  act(async () => {
    const { version, service } = base.value!
    const { sender, delivery, ...rest } = form.value
    await save(() =>
      changeReturn(id.value, {
        ...rest,
        version,
        service,
        sender: tidy(sender),
        delivery: tidy(delivery),
      }),
    )
    return t('returns.returnIsSaved')
  })

// taking in what came
const taking = ref(false)
const came = ref<Record<number, string>>({})
const day = ref('')
const credit = ref(true)
const asAgreed = ref('')
const saving = useUnsaved(
  computed(() => taking.value && JSON.stringify(came.value) !== asAgreed.value),
  t('returns.whatCameBack'),
)
function begin() {
  came.value = Object.fromEntries(goods.value!.lines.map(({ position, quantity }) => [position, quantity]))
  asAgreed.value = JSON.stringify(came.value)
  day.value = today()
  credit.value = true
  taking.value = true
}
const creditedWords = ({ credits, not }: ReturnCredited) =>
  [
    ...(credits.length > 0
      ? [t('returns.creditsAreDrafted', { invoices: credits.map(({ invoice }) => invoice).join(', ') })]
      : []),
    ...not,
  ].join(' ')
const takeIn = () =>
  act(async () => {
    const lines = Object.entries(came.value).map(([position, quantity]) => ({
      position: Number(position),
      quantity: quantity.trim(),
    }))
    const { version, label } = goods.value!
    const body = { version, lines, day: day.value, credit: credit.value }
    const done = await saving(() => takeReturnIn(id.value, body))
    taking.value = false
    return [t('returns.returnIsBack', { label }), creditedWords(done)].filter(Boolean).join(' ')
  })
const draftCredit = () => act(async () => creditedWords(await creditReturn(id.value)))

/** Something can be done with it. */
const hasActs = computed(
  () =>
    session.may('clerk') &&
    (isExpected.value ||
      (goods.value?.state === 'back' &&
        (goods.value.credits.length === 0 || goods.value.toCredit.length > 0))),
)
const asking = ref<'withdraw' | 'reopen'>()
const askedAct = () =>
  act(async () => {
    const { version, label } = goods.value!
    const what = asking.value!
    asking.value = undefined
    await (what === 'withdraw' ? withdrawReturn(id.value, version) : reopenReturn(id.value, version))
    return t(what === 'withdraw' ? 'returns.returnIsWithdrawn' : 'returns.returnIsReopened', { label })
  })
useMainKey(() => void (taking.value ? takeIn() : keep()))
</script>

<template>
  <div class="page">
    <div v-if="wrong" class="empty">
      <strong>{{ t('returns.noSuchReturn') }}</strong>{{ wrong }}
      <NuxtLink to="/shipments/returns">{{ t('returns.allReturns') }}</NuxtLink>
    </div>
    <div v-else-if="goods && labelled" class="split">
      <section class="left" :aria-label="t('returns.returnReturn', { label: goods.label })">
        <div class="bar">
          <NuxtLink to="/shipments/returns" class="soft">{{ t('returns.returns') }}</NuxtLink>
          <h1 class="title mono">{{ goods.label }}</h1>
          <strong class="cut">{{ goods.customerName }}</strong>
          <span class="tag" :class="shownState.tone" data-test="return-state">{{ shownState.words }}</span>
          <NuxtLink class="mono push" :to="`/orders/${goods.orderId}`">{{ goods.orderNumber }}</NuxtLink>
        </div>
        <div class="body">
          <ReturnedGoods v-model="came" :goods="goods" :taking="taking" />
          <div v-if="taking" class="how">
            <div><DateField v-model="day" :label="t('returns.cameOn')" /></div>
            <CheckField v-model="credit" data-test="draft-credit">{{
              t('returns.draftCreditForIt')
            }}</CheckField>
          </div>
          <ReturnCredits v-if="goods.credits.length" :credits="goods.credits" />
          <template v-if="isExpected && !taking">
            <div class="how">
              <div>
                <DateField v-model="form.until" :label="t('returns.returnBy')" :disabled="disabled" />
              </div>
              <FormField
                v-model="form.remarks"
                :label="t('shipping.remarks')"
                :disabled="disabled"
                maxlength="400"
                data-test="remarks"
              />
            </div>
            <GoodsLabels :goods="labelled" :dirty="dirty" @done="load" />
            <h2>{{ t('returns.comesFrom') }}</h2>
            <ShipTo v-model="form.sender" :disabled="disabled" />
            <h2>{{ t('returns.comesTo') }}</h2>
            <ShipTo v-model="form.delivery" :disabled="disabled" />
            <h2>{{ t('shipping.parcels') }}</h2>
            <ShipParcels
              v-model="form.parcels"
              :lines="goods.lines"
              :boxes="goods.boxes"
              :disabled="disabled"
            />
          </template>
          <GoodsLabels v-else-if="goods.labels.length" :goods="labelled" :dirty="false" @done="load" />
          <p class="soft">
            {{ t('returns.agreedBy', { name: goods.madeBy, time: dayTime(goods.madeAt) }) }}
            <template v-if="goods.backOn">{{ t('returns.backOn', { day: longDay(goods.backOn) }) }}</template>
          </p>
        </div>
        <footer v-if="hasActs" class="foot-bar">
          <span v-if="dirty" class="tag wait">{{ t('common.notSavedYet') }}</span>
          <span class="push" />
          <template v-if="taking">
            <VBtn @click="taking = false">{{ t('common.cancel') }}</VBtn>
            <VBtn variant="flat" class="go" :disabled="busy" data-test="take-in" @click="takeIn">{{
              t(credit ? 'returns.takeInAndCredit' : 'returns.takeIn')
            }}</VBtn>
          </template>
          <template v-else-if="dirty">
            <VBtn @click="take">{{ t('common.discardChanges') }}</VBtn>
            <VBtn variant="flat" class="go" :disabled="busy" data-test="keep-return" @click="keep">{{
              t('common.save')
            }}</VBtn>
          </template>
          <template v-else-if="isExpected">
            <VBtn data-test="withdraw" @click="asking = 'withdraw'">{{ t('returns.withdrawReturn') }}</VBtn>
            <VBtn variant="flat" class="go" data-test="came-back" @click="begin">{{
              t('returns.itCameBack')
            }}</VBtn>
          </template>
          <template v-else-if="goods.state === 'back'">
            <VBtn v-if="goods.credits.length === 0" data-test="reopen" @click="asking = 'reopen'">{{
              t('returns.reopenReturn')
            }}</VBtn>
            <VBtn
              v-if="goods.toCredit.length"
              variant="flat"
              class="go"
              :disabled="busy"
              data-test="credit"
              @click="draftCredit"
              >{{ t('returns.draftCredit') }}</VBtn
            >
          </template>
        </footer>
      </section>
      <aside class="right" :aria-label="t('returns.theReturnsDocuments')">
        <GoodsPapers
          :key="id"
          :goods="labelled"
          :kinds="returnKinds"
          :label="t('returns.theReturnsDocuments')"
          :dirty="dirty"
          @done="load"
        />
      </aside>
      <ReturnAsk v-if="asking" v-model="asking" :label="goods.label" :busy="busy" @go="askedAct" />
    </div>
  </div>
</template>

<style scoped src="../../../components/shipping/goods-page.css"></style>
