<script setup lang="ts">
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
    useToasts().say('The token is revoked. Nothing gets in with it any more.')
    await load()
  })
const scopes = [
  { value: 'read', words: 'read everything' },
  { value: 'write', words: 'do what a clerk may' },
]
</script>

<template>
  <h2>Other programs</h2>
  <p>
    They call the API with a token, each with its own. What they can call stands in
    <a href="/api/openapi.json">openapi.json</a>.
  </p>
  <form class="row" @submit.prevent="make">
    <FormField v-model="name" label="Which program" /><span class="may"
      >may <WordPicker label="Scope" :choices="scopes" :value="scope" @pick="scope = $event as typeof scope"
    /></span>
    <div class="until"><DateField v-model="endsOn" label="Until" /></div>
    <VBtn type="submit" :disabled="!name.trim()" data-test="make-token">Make a token</VBtn>
  </form>
  <p v-if="fresh" class="notice go" role="status" data-test="token">
    <span
      >Copy it now; it is not shown again:<br /><code>{{ fresh }}</code></span
    >
  </p>
  <ul>
    <li v-for="one in found" :key="one.id">
      <strong>{{ one.name }}</strong>
      <span class="soft"
        >{{ scopes.find((two) => two.value === one.scope)!.words }} · by {{ one.madeBy }} ·
        {{ one.usedOn ? `used ${longDay(one.usedOn)}` : 'never used' }}</span
      >
      <span v-if="one.revokedAt" class="tag push">revoked</span
      ><span v-else-if="one.ended" class="tag push">ended {{ longDay(one.endsOn!) }}</span
      ><span v-else-if="soon(one)" class="tag wait">ends {{ longDay(one.endsOn!) }}</span
      ><span v-else-if="one.endsOn" class="soft">until {{ longDay(one.endsOn) }}</span>
      <button v-if="!one.revokedAt && !one.ended" type="button" class="word push" @click="revoking = one">
        revoke
      </button>
    </li>
  </ul>
  <Ask v-model="asking" :title="`Revoke the token of ${revoking?.name}?`" go="Revoke" danger @go="revoke"
    ><p>That program can no longer read or do anything here.</p></Ask
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
