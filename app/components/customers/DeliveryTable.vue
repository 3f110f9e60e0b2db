<script setup lang="ts">
import { t } from '../../words'
import { type Told } from '../../../core/said/told'
import { saidWords } from '../../words/speech'
import { kindTitle, kindWords } from '../../composables/kinds'
import PreferenceDialog from './PreferenceDialog.vue'
import { beneathFor, channelWords, levelOf, toWords, type Beneath } from './delivery'
import { documentKinds, type DocumentKind } from '../../../core/documents/kinds'
import type { Preference, Preferences } from '../../../core/preferences/recipients'
import { useSession } from '../../stores/session'
import type { CustomerView } from '../../contract'

/**
 * How each kind of document goes, one row a kind so that they compare: how, to whom, with what copies, and who says
 * so. A row opens what can be changed of it.
 */
const props = defineProps<{
  /** What is said at this level itself. */
  own: Preferences
  /** What this level is called: "this customer". */
  level: string
  beneath: readonly Beneath[]
  may: boolean
  /** What stops a kind now, for a customer. */
  ways?: CustomerView['ways']
}>()
const emit = defineEmits<{
  change: [kind: DocumentKind, preference: Preference]
  address: []
  contacts: []
}>()
const editing = ref<DocumentKind>()
const wishOf = (kind: DocumentKind): Preference => ({
  ...beneathFor(props.beneath, kind),
  ...props.own[kind],
})
const byEmail = (wish: Preference) => ['email', 'both'].includes(wish.channel ?? 'email')
const wayOf = (kind: DocumentKind) => props.ways?.find((one) => one.kind === kind)
const copies = (wish: Preference) =>
  [
    wish.cc?.length ? t('customers.ccWish', { wish: wish.cc.join(', ') }) : '',
    wish.bcc?.length ? t('customers.bccWish', { wish: wish.bcc.join(', ') }) : '',
  ]
    .filter(Boolean)
    .join('; ')
/** ", with the email text of “Schools”, in their design": what of it is another than the brand's own. */
const { variants, company } = useSession().house!
const nameOf = (id: number | undefined) => variants.find((one) => one.id === id && !one.retired)?.name
function variantWords(wish: Preference): string {
  const [text, design] = [byEmail(wish) ? nameOf(wish.text) : undefined, nameOf(wish.design)]
  return [
    text ? t('customers.withTheTextOf', { variant: text }) : '',
    design ? t('customers.inTheDesignOf', { variant: design }) : '',
    byEmail(wish) && wish.form === 'odt' && company.editableFiles ? t('customers.andToBeEdited') : '',
  ].join('')
}
const lacksAddress = (kind: DocumentKind) => wayOf(kind)?.problem?.says === 'way/no-postal-address'
const problemWords = (kind: DocumentKind, problem: Told) =>
  lacksAddress(kind)
    ? t('customers.withoutAPostalAddressKind', { kind: kindWords(kind, 'one') })
    : t('customers.thereIsProblemAndNobody', { problem: saidWords(problem), kind: kindWords(kind, 'one') })
</script>

<template>
  <table class="delivery">
    <thead>
      <tr>
        <th>{{ t('common.documents') }}</th>
        <th>{{ t('customers.howAndToWhom') }}</th>
        <th v-if="may" />
      </tr>
    </thead>
    <tbody>
      <template v-for="kind in documentKinds" :key="kind">
        <tr :data-test="`wish-${kind}`">
          <td class="kind">
            {{ kindTitle(kind, 'many') }}
            <span v-if="beneath.length" class="soft now">{{ levelOf(own[kind], level, beneath, kind) }}</span>
          </td>
          <td class="to">
            {{ channelWords[wishOf(kind).channel ?? 'email']
            }}<template v-if="byEmail(wishOf(kind))">
              {{ t('customers.toToWords', { toWords: toWords(wishOf(kind), kind) }) }}</template
            ><template v-if="wishOf(kind).attach === 'link'">{{ t('customers.andAsALink') }}</template
            ><template v-else-if="wishOf(kind).attach === 'both'">{{
              t('customers.andAttachedAndAsALink')
            }}</template
            ><template v-else-if="wishOf(kind).attach === 'body'">{{ t('customers.andInTheEmail') }}</template
            ><template v-if="wishOf(kind).copies === 'zip'">{{ t('customers.andCopiesInOneZIP') }}</template
            ><template v-else-if="wishOf(kind).copies === 'singly'">{{
              t('customers.andCopiesSingly')
            }}</template
            ><template v-if="wishOf(kind).gathered">{{ t('customers.oneEmailASend') }}</template
            ><template v-if="wishOf(kind).unreachable === 'print'">{{ t('customers.elseOnPaper') }}</template>
            <template v-if="variantWords(wishOf(kind))">{{ variantWords(wishOf(kind)) }}</template>
            <span
              v-if="byEmail(wishOf(kind)) && wayOf(kind)?.to && !wishOf(kind).addresses"
              class="soft now"
              >{{ wayOf(kind)!.to }}</span><span
              v-if="byEmail(wishOf(kind)) && copies(wishOf(kind))"
              class="soft now"
              >{{ copies(wishOf(kind)) }}</span
            >
          </td>
          <td v-if="may">
            <button
              type="button"
              class="word"
              :aria-label="t('customers.changeHowKindsGo', { kinds: kindWords(kind, 'many') })"
              :data-test="`change-${kind}`"
              @click="editing = kind"
            >
              {{ t('customers.change') }}
            </button>
          </td>
        </tr>
        <tr v-if="wayOf(kind)?.problem" class="trouble" :data-test="`trouble-${kind}`">
          <td :colspan="3">
            <p class="notice stuck" role="status">
              <span>{{ problemWords(kind, wayOf(kind)!.problem!) }}</span>
              <VBtn
                v-if="may"
                class="push"
                height="28"
                @click="lacksAddress(kind) ? emit('address') : emit('contacts')"
                >{{ lacksAddress(kind) ? t('customers.writeTheAddress') : t('customers.addAContact') }}</VBtn
              >
            </p>
          </td>
        </tr>
      </template>
    </tbody>
  </table>
  <PreferenceDialog
    v-if="editing"
    :kind="editing"
    :own="own[editing] ?? {}"
    :beneath="beneathFor(beneath, editing)"
    :beneath-level="beneath.length ? levelOf(undefined, '', beneath, editing) : ''"
    @leave="editing = undefined"
    @keep="(preference) => emit('change', editing!, preference)"
  />
</template>

<style scoped>
.delivery {
  width: 100%;
  border-collapse: collapse;
}
th {
  text-align: left;
  font-size: var(--small);
  font-weight: 600;
  color: var(--soft-ink);
  border-bottom: 1px solid var(--rule);
  padding: 2px 8px 2px 0;
}
td {
  padding: 5px 8px 5px 0;
  border-bottom: 1px solid var(--rule);
  vertical-align: baseline;
}
.kind {
  white-space: nowrap;
}
.to {
  width: 100%;
}
.now {
  display: block;
  font-size: var(--small);
  overflow-wrap: anywhere;
}
.trouble td {
  padding: 0 0 6px;
}
.notice {
  margin: 0;
}
</style>
