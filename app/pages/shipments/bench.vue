<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { useLocalStorage } from '@vueuse/core'
import BenchDone from '../../components/shipping/BenchDone.vue'
import BenchParcels from '../../components/shipping/BenchParcels.vue'
import WordPicker from '../../components/list/WordPicker.vue'
import { benchWords, type BenchSaid } from '../../components/shipping/bench-words'
import { useSession } from '../../stores/session'
import { useUnsaved } from '../../composables/useUnsaved'
import { packAndSend } from '../../composables/packAndSend'
import { plural } from '../../composables/format'
import { planByCode } from '../../calls/shipments'
import { emptyBench, isAllPacked, packedAt, scan, type Bench } from '../../../core/shipping/bench'
import { packedParcel } from '../../../core/shipping/parcels'
import { isShipped } from '../../../core/shipping/quantities'
import { formatQuantity } from '../../../core/money/format'
import { Decimal } from '../../../core/money/decimal'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { ShipmentPlan } from '../../contract'

/**
 * The bench in the warehouse: an order is scanned, then its items, and Enter alone packs. One field takes everything,
 * and keeps the focus, so that a scanner and a keyboard are enough.
 */
const session = useSession()
const plan = shallowRef<ShipmentPlan>()
const bench = shallowRef<Bench>()
const field = ref<HTMLInputElement>()
const typed = ref('')
const said = ref<BenchSaid>()
/** Enter alone was pressed once, and it was said what it would do. */
const sure = ref(false)
const done = shallowRef<{ shipmentId: number; order: string; parcels: number; refused: string[] }>()

const makes = useLocalStorage<string>('bench makes', 'packing slip')
const madeKinds = computed(() => makes.value.split(',').filter(Boolean) as DocumentKind[])
const makesChoices = [
  { value: 'packing slip', words: t('shipping.makesSlip') },
  { value: 'delivery note', words: t('shipping.makesNote') },
  { value: 'packing slip,delivery note', words: t('shipping.makesBoth') },
  { value: 'packing slip,shipping label', words: t('shipping.makesSlipAndLabels') },
  { value: 'shipping label', words: t('shipping.makesLabels') },
  { value: '', words: t('shipping.makesNothing') },
]

const focus = () => field.value?.focus()
onMounted(focus)
useUnsaved(
  computed(() => !!bench.value?.parcels.some(({ contents }) => contents.length > 0)),
  t('shipping.theNewShipment'),
)

const lines = computed(() => (plan.value?.lines ?? []).filter(({ left }) => !new Decimal(left).isZero()))
const packed = computed(() => (bench.value ? packedAt(bench.value) : new Map<number, string>()))
const packedOf = (position: number) => packed.value.get(position) ?? '0'
const toGo = (position: number, left: string) => new Decimal(left).minus(packedOf(position)).toString()
const notWhole = computed(
  () => lines.value.filter(({ position, left }) => toGo(position, left) !== '0').length,
)

function leave() {
  plan.value = undefined
  bench.value = undefined
  sure.value = false
}

async function begin(code: string) {
  try {
    const found = await planByCode(code)
    done.value = undefined
    if (found.refused || isShipped(found.lines)) {
      said.value = { words: found.refused ?? t('shipping.everythingShipped'), wrong: true }
      return
    }
    plan.value = found
    bench.value = emptyBench(lines.value)
    said.value = undefined
  } catch (error) {
    said.value = { words: (error as Error).message, wrong: true }
  }
}

/** What is scanned while the one before is still looked up: a scanner is faster than the line to the server. */
let before: Promise<void> = Promise.resolve()
function take() {
  const code = typed.value
  typed.value = ''
  before = before.catch(() => {}).then(() => takeCode(code))
}
async function takeCode(code: string) {
  if (!bench.value) {
    if (code.trim()) await begin(code.trim())
    return
  }
  const { bench: after, answer } = scan(bench.value, code)
  bench.value = after
  if (answer.said !== 'finish') {
    sure.value = false
    said.value = benchWords(answer, lines.value)
  } else if (packed.value.size === 0) said.value = { words: t('shipping.saidNothingPacked'), wrong: true }
  else if (sure.value) await finish()
  else {
    sure.value = true
    said.value = isAllPacked(after)
      ? { words: t('shipping.packsAll'), wrong: false }
      : { words: t('shipping.packsAPart', { lines: plural(notWhole.value, 'line') }), wrong: false }
  }
}

/** What goes, with what one of it weighs. */
const packedLines = () =>
  lines.value.map(({ position, each }) => ({ position, quantity: packedOf(position), each }))

async function finish() {
  said.value = { words: t('shipping.packing'), wrong: false }
  const { orderId, orderNumber, boxes } = plan.value!
  const parcels = bench
    .value!.parcels.filter(({ contents }) => contents.length > 0)
    .map((parcel) => packedParcel(parcel, packedLines(), boxes))
  try {
    const result = await packAndSend(orderId, parcels, madeKinds.value)
    done.value = { ...result, order: orderNumber, parcels: parcels.length }
    said.value = undefined
    leave()
  } catch (error) {
    said.value = { words: (error as Error).message, wrong: true }
  }
  await nextTick()
  focus()
}
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" :aria-label="t('shipping.bench')">
        <div class="bar">
          <NuxtLink to="/shipments" class="soft">{{ t('shipping.shipments') }}</NuxtLink>
          <h1 class="title">{{ plan ? plan.orderNumber : t('shipping.bench') }}</h1>
          <strong v-if="plan" class="cut">{{ plan.customerName }}</strong>
          <span class="push soft"
            ><I18nT keypath="shipping.makes" scope="global"
              ><template #documents
                ><WordPicker
                  :label="t('common.documents')"
                  :choices="makesChoices"
                  :value="makes"
                  @pick="makes = $event" /></template></I18nT
          ></span>
        </div>
        <div class="body">
          <input
            ref="field"
            v-model="typed"
            class="mono scan"
            autocomplete="off"
            :aria-label="bench ? t('shipping.scanAnItem') : t('shipping.scanAnOrder')"
            :placeholder="bench ? t('shipping.scanAnItem') : t('shipping.scanAnOrder')"
            :disabled="!session.may('clerk')"
            data-test="scan"
            @keydown.enter.prevent="take"
          />
          <p v-if="bench" class="soft hint">{{ t('shipping.benchHint') }}</p>
          <p
            class="said"
            :class="{ wrong: said?.wrong }"
            :role="said?.wrong ? 'alert' : 'status'"
            data-test="said"
          >
            {{ said?.words ?? (bench ? '' : t('shipping.benchBegins')) }}
          </p>
          <BenchDone v-if="done" :key="done.shipmentId" :done="done" />
          <table v-if="bench" class="plain-table">
            <thead>
              <tr>
                <th>{{ t('shipping.place') }}</th>
                <th>{{ t('common.item') }}</th>
                <th class="wide">{{ t('orders.description') }}</th>
                <th class="num">{{ t('shipping.packedToGo') }}</th>
                <th class="num">{{ t('shipping.toGo') }}</th>
              </tr>
            </thead>
            <tbody>
              <tr
                v-for="line in lines"
                :key="line.position"
                :class="{ done: toGo(line.position, line.left) === '0', last: bench.last === line.position }"
                :data-test="`line-${line.position}`"
              >
                <td class="mono">{{ line.place }}</td>
                <td class="mono">{{ line.item }}</td>
                <td class="wide">
                  <img v-if="line.pictureAt" class="item-picture" :src="line.pictureAt" alt="" />
                  {{ line.description }} <span v-if="line.detail" class="soft">{{ line.detail }}</span>
                </td>
                <td class="num mono big">{{ formatQuantity(packedOf(line.position), 'en') }}</td>
                <td class="num mono big">
                  {{ formatQuantity(toGo(line.position, line.left), 'en') }} {{ line.unit }}
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <footer v-if="bench" class="foot-bar">
          <span class="soft">{{ plural(bench.parcels.length, 'parcel') }}</span>
          <span class="push" />
          <VBtn data-test="leave-order" @click="leave">{{ t('shipping.leaveOrder') }}</VBtn>
        </footer>
      </section>
      <aside v-if="bench" class="right" :aria-label="t('shipping.parcels')">
        <BenchParcels class="body" :parcels="bench.parcels" :lines="lines" />
      </aside>
    </div>
  </div>
</template>

<style scoped>
.title {
  font-size: var(--title);
  white-space: nowrap;
}
.body {
  flex: 1;
  overflow: auto;
  padding: 12px 14px;
}
.scan {
  width: 100%;
  font-size: var(--title);
  padding: 10px 12px;
  border: 2px solid var(--ink);
  border-radius: 4px;
  background: var(--paper);
  color: var(--ink);
}
.scan:focus {
  border-color: var(--blue);
}
.hint {
  margin: 6px 0 0;
  font-size: var(--small);
}
.said {
  min-height: 38px;
  margin: 8px 0 14px;
  padding: 8px 12px;
  border-radius: 4px;
}
.said.wrong {
  background: var(--brick-pale);
  color: var(--ink);
  border-left: 4px solid var(--brick);
  font-weight: 600;
}
table {
  --head-cell: 2px 8px;
  --cell: 7px 8px;
  width: 100%;
  white-space: nowrap;
}
.wide {
  width: 100%;
  white-space: normal;
}
.item-picture {
  float: right;
  margin: -5px 0 -5px 8px;
}
.num {
  text-align: right;
}
.big {
  font-size: var(--title);
}
.done td {
  color: var(--soft-ink);
}
.last td {
  background: var(--peg-pale, var(--pale));
}
</style>
