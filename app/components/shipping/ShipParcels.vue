<script setup lang="ts">
import { quantity } from '../../composables/format'
import { t } from '../../words'
import MoveContent from './MoveContent.vue'
import WordPicker from '../list/WordPicker.vue'
import {
  isTooHeavy,
  joinParcels,
  moveContent,
  type Box,
  type PackedLine,
  type ParcelFacts,
} from '../../../core/shipping/parcels'
import type { LineToShip } from '../../contract'

/** How goods are packed: each parcel with its box, its weight and what is in it; moved between by a few keys. */
const parcels = defineModel<ParcelFacts[]>({ required: true })
const props = defineProps<{
  lines: readonly (Pick<LineToShip, 'position' | 'description' | 'item' | 'unit' | 'each'> & {
    quantity: string
  })[]
  boxes: readonly Box[]
  disabled: boolean
}>()
const packedLines = computed((): PackedLine[] =>
  props.lines.map(({ position, quantity, each }) => ({ position, quantity, each })),
)
const lineAt = (position: number) => props.lines.find((line) => line.position === position)
const boxChoices = computed(() => [
  ...props.boxes.map(({ name }) => ({ value: name, words: name })),
  { value: '', words: t('shipping.ownPacking') },
])
const change = (place: number, parcel: Partial<ParcelFacts>) => {
  parcels.value = parcels.value.map((one, at) => (at === place ? { ...one, ...parcel } : one))
}
const setWeight = (place: number, text: string) => change(place, { weight: text.trim() || null })
function move(from: number, position: number, count: string, to: number) {
  parcels.value = moveContent(
    parcels.value,
    from,
    to,
    { position, quantity: count },
    packedLines.value,
    props.boxes,
  )
}
const join = (from: number, to: number) => {
  parcels.value = joinParcels(parcels.value, from, to, packedLines.value, props.boxes)
}
/** The other parcels, by their number. */
const others = (place: number) =>
  parcels.value.flatMap((_, at) =>
    at === place ? [] : [{ value: String(at), words: t('shipping.parcelOf', numbersOf(at)) }],
  )
const numbersOf = (place: number) => ({ n: place + 1, of: parcels.value.length })
</script>

<template>
  <ol class="parcels">
    <li
      v-for="(parcel, place) in parcels"
      :key="place"
      class="parcel"
      :aria-label="t('shipping.parcelOf', numbersOf(place))"
      :data-test="`parcel-${place + 1}`"
    >
      <div class="head">
        <strong>{{ t('shipping.parcelOf', numbersOf(place)) }}</strong>
        <WordPicker
          v-if="boxes.length"
          :label="t('shipping.box')"
          :choices="boxChoices"
          :value="parcel.box"
          :disabled="disabled"
          @pick="change(place, { box: $event })"
        />
        <label class="push">
          <span class="soft">{{ t('shipping.weightKg') }}</span>
          <input
            class="mono right"
            inputmode="decimal"
            :value="parcel.weight ?? ''"
            :disabled="disabled"
            :class="{ bad: isTooHeavy(parcel, boxes) }"
            :aria-label="t('shipping.weightOfParcel', { n: place + 1 })"
            :data-test="`weight-${place + 1}`"
            @input="setWeight(place, ($event.target as HTMLInputElement).value)"
          />
        </label>
        <WordPicker
          v-if="parcels.length > 1 && !disabled"
          :label="t('shipping.joinParcel', { n: place + 1 })"
          :words="t('shipping.joinTo')"
          :choices="others(place)"
          :value="null"
          @pick="join(place, Number($event))"
        />
      </div>
      <p v-if="isTooHeavy(parcel, boxes)" class="said stuck">
        {{ t('shipping.tooHeavy', { box: parcel.box }) }}
      </p>
      <p v-else-if="parcel.weight === null" class="said soft">{{ t('shipping.notWeighed') }}</p>
      <ul>
        <li v-for="content in parcel.contents" :key="content.position" class="content">
          <span class="mono count"
            >{{ quantity(content.quantity) }} {{ lineAt(content.position)?.unit }}</span
          >
          <span class="cut">{{ lineAt(content.position)?.description }}</span>
          <MoveContent
            v-if="!disabled"
            class="push"
            :parcel="place + 1"
            :item="lineAt(content.position)?.description ?? ''"
            :quantity="content.quantity"
            :others="others(place)"
            :new-at="parcels.length"
            @move="(count, to) => move(place, content.position, count, to)"
          />
        </li>
      </ul>
    </li>
  </ol>
</template>

<style scoped>
.parcels,
.parcels ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.parcel {
  border: 1px solid var(--rule);
  border-radius: 4px;
  padding: 8px 10px;
  margin-bottom: 8px;
  background: var(--paper);
}
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
  white-space: nowrap;
}
.said {
  margin: 4px 0 0;
  font-size: var(--small);
}
.content {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 3px 0;
  border-top: 1px solid var(--rule);
  margin-top: 3px;
}
.count {
  min-width: 64px;
  text-align: right;
}
label {
  display: flex;
  align-items: center;
  gap: 6px;
  font-size: var(--small);
}
input {
  width: 72px;
  border: 1px solid var(--rule);
  border-radius: 3px;
  padding: 3px 5px;
  font-family: var(--mono);
  font-size: var(--body);
  background: var(--paper);
  color: var(--ink);
}
input.bad {
  border-color: var(--brick);
  background: var(--brick-pale);
}
.right {
  text-align: right;
}
</style>
