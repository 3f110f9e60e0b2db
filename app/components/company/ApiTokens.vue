<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import DateField from '../fields/DateField.vue'
import FormField from '../fields/FormField.vue'
import WordPicker from '../list/WordPicker.vue'
import { attempt } from '../../composables/api'
import { useToasts } from '../../stores/toasts'
import { houseToday, longDay } from '../../composables/format'
import { fetchTokens, makeToken, revokeToken } from '../../calls/tokens'
import type { TokenView } from '../../contract'

/** Tokens with which other programs call the API. A new one is shown once. */
const found = shallowRef<TokenView[]>([])
const name = ref('')
const scope = ref<'read' | 'write'>('read')
/** A year is long for a key; it can be made anew. */
const endsOn = ref(inAYear())
function inAYear(): string {
  const today = houseToday()
  return `${Number(today.slice(0, 4)) + 1}${today.slice(4).replace('-02-29', '-02-28')}`
}
/** What ends within a month is said before it does. */
const soon = (one: TokenView) =>
  !one.ended && one.endsOn !== null && Date.parse(one.endsOn) - Date.parse(houseToday()) < 31 * 86_400_000
const fresh = ref('')
const revoking = ref<TokenView | null>(null)
const asking = computed({
  get: () => revoking.value !== null,
  set: (open) => {
    if (!open) revoking.value = null
  },
})
const load = () =>
  attempt(async () => {
    found.value = await fetchTokens()
  })
onMounted(load)

const make = () =>
  attempt(async () => {
    fresh.value = (
      await makeToken({
        name: name.value.trim(),
        scope: scope.value,
        endsOn: endsOn.value || null,
      })
    ).token
    name.value = ''
    await load()
  })
const revoke = () =>
  attempt(async () => {
    await revokeToken(revoking.value!.id)
    revoking.value = null
    useToasts().say(t('company.theTokenIsRevokedNothing'))
    await load()
  })
const scopes = [
  { value: 'read', words: t('company.readEverything') },
  { value: 'write', words: t('company.doWhatAClerkMay') },
]
</script>

<template>
  <h2>{{ t('company.otherPrograms') }}</h2>
  <p>
    <I18nT keypath="company.theyCallTheAPIWith" scope="global"
      ><template #openapiJson
        ><a href="/api/openapi.json">{{ t('company.openapiJson') }}</a></template
      ></I18nT
    >
  </p>
  <form class="row" @submit.prevent="make">
    <FormField v-model="name" :label="t('company.whichProgram')" /><span class="may"
      ><I18nT keypath="company.mayScope" scope="global"
        ><template #scope
          ><WordPicker
            :label="t('company.scope')"
            :choices="scopes"
            :value="scope"
            @pick="scope = $event as typeof scope" /></template></I18nT
    ></span>
    <div class="until"><DateField v-model="endsOn" :label="t('common.until')" /></div>
    <VBtn type="submit" :disabled="!name.trim()" data-test="make-token">{{ t('company.makeAToken') }}</VBtn>
  </form>
  <p v-if="fresh" class="notice go" role="status" data-test="token">
    <span
      >{{ t('company.copyItNowItIs') }}<br /><code>{{ fresh }}</code></span
    >
  </p>
  <ul>
    <li v-for="one in found" :key="one.id">
      <strong>{{ one.name }}</strong>
      <span class="soft">{{
        t('company.scopesByMadeByOne', {
          scopes: scopes.find((two) => two.value === one.scope)!.words,
          madeBy: one.madeBy,
          one: one.usedOn ? t('company.usedUsedOn', { usedOn: longDay(one.usedOn) }) : t('company.neverUsed'),
        })
      }}</span>
      <span v-if="one.revokedAt" class="tag push">{{ t('company.revoked') }}</span><span
        v-else-if="one.ended"
        class="tag push"
        >{{ t('company.endedEndsOn', { endsOn: longDay(one.endsOn!) }) }}</span
      ><span v-else-if="soon(one)" class="tag wait">{{
        t('company.endsEndsOn', { endsOn: longDay(one.endsOn!) })
      }}</span
      ><span v-else-if="one.endsOn" class="soft">{{
        t('company.untilEndsOn', { endsOn: longDay(one.endsOn) })
      }}</span>
      <button v-if="!one.revokedAt && !one.ended" type="button" class="word push" @click="revoking = one">
        {{ t('company.revoke') }}
      </button>
    </li>
  </ul>
  <Ask
    v-model="asking"
    :title="t('company.revokeTheTokenOfRevoking', { revoking: revoking?.name })"
    :go="t('company.revoke2')"
    danger
    @go="revoke"
    ><p>{{ t('company.thatProgramCanNoLonger') }}</p></Ask
  >
</template>

<style scoped>
h2 {
  margin: 18px 0 4px;
}
p {
  margin: 0 0 6px;
}
.row {
  display: grid;
  grid-template-columns: 1fr auto auto auto;
  gap: 12px;
  align-items: end;
  margin-bottom: 8px;
}
.until {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  font-size: var(--small);
  color: var(--soft-ink);
}
.may {
  padding-bottom: 7px;
}
code {
  font-family: var(--mono);
  overflow-wrap: anywhere;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
li {
  display: flex;
  gap: 8px;
  align-items: baseline;
  padding: 5px 0;
  border-bottom: 1px solid var(--rule);
}
</style>
