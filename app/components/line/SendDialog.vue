<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { said, saidWords } from '../../words/speech'
import Ask from '../frame/Ask.vue'
import CheckField from '../fields/CheckField.vue'
import { useRuns } from '../../stores/runs'
import { useToasts } from '../../stores/toasts'
import { attempt } from '../../composables/api'
import { moneyWithSign, plural } from '../../composables/format'
import { askSecond, checkSend, sendPrepared } from '../../calls/prepared'
import type { SendCheck } from '../../contract'

/**
 * Asks before documents leave: how many, in how many emails, over what sum, and what is left out and why, as
 * the server says at this moment.
 */
const props = defineProps<{
  /** Either what was picked, or the filter of all that match. */
  papers?: { id: number; revision: number }[]
  matching?: Record<string, string>
}>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ done: [] }>()
const runs = useRuns()
const key = crypto.randomUUID()
const postOnly = ref(false)
const withoutAddress = ref(false)
const check = shallowRef<SendCheck>()
const busy = ref(false)

const which = computed(() => (props.papers ? { papers: props.papers } : { matching: props.matching }))
const how = computed(() => ({ postOnly: postOnly.value, withoutAddress: withoutAddress.value }))

async function look() {
  const well = await attempt(async () => {
    check.value = await checkSend({ ...which.value, ...how.value })
  })
  if (!well) open.value = false
}
watch(how, look, { immediate: true })

const verb = computed(() => (postOnly.value ? t('common.issue') : t('common.send')))
const count = computed(() => check.value?.documents ?? 0)
const ways = computed(() => {
  const { emails = 0, prints = 0, toNobody = 0 } = check.value ?? {}
  return [
    emails ? plural(emails, 'email') : '',
    prints ? plural(prints, 'print job') : '',
    toNobody ? t('line.toNobodyToNobodyAsThe', { toNobody }) : '',
  ].filter(Boolean)
})
const noAddress = computed(() => check.value?.leftOut.some((one) => one.bar === 'no address') ?? false)

/** Those that need a second person wait for one; the others can still go. */
async function ask() {
  busy.value = true
  await attempt(async () => {
    const { asked } = await askSecond({ papers: check.value!.toAsk, back: false })
    useToasts().say(t('line.secondIsAskedFor', { documents: plural(asked, 'document') }))
    await look()
  })
  busy.value = false
  if (count.value === 0) open.value = false
}

async function send() {
  busy.value = true
  const well = await attempt(async () => {
    const { runId } = await sendPrepared({
      key,
      ...how.value,
      ...(props.papers ? { papers: check.value!.going } : { matching: props.matching, count: count.value }),
    })
    await runs.watchRun(runId)
  })
  busy.value = false
  open.value = false
  if (well) emit('done')
}
</script>

<template>
  <Ask
    v-if="check"
    v-model="open"
    wide
    :title="count ? `${verb} ${plural(count, 'document')}?` : t('line.noneOfTheseCanBe')"
    :go="`${verb} ${count}`"
    :busy="busy"
    :disabled="count === 0"
    @go="send"
  >
    <template v-if="count">
      <p v-if="check.documents > check.rehearsed" data-test="send-sum">
        <I18nT keypath="line.togetherAmountEachGetsIts" scope="global"
          ><template #amount
            ><strong v-for="one in check.sums" :key="one.currency" class="mono"
              >{{ moneyWithSign(one.sum, one.currency) }}
            </strong></template
          ><template #postOnly>{{ postOnly ? t('line.andWaitsInToSend') : '.' }}</template></I18nT
        >
      </p>
      <p v-if="check.rehearsed > 0" class="strong" data-test="rehearsed">
        {{ t('line.rehearsedOnly', { documents: plural(check.rehearsed, 'document') }) }}
      </p>
      <p v-if="check.asSecond > 0" class="strong" data-test="as-second">
        {{ t('line.asSecond', { documents: plural(check.asSecond, 'document') }) }}
      </p>
      <p v-if="!postOnly && ways.length" data-test="send-ways">{{ ways.join(', ') }}.</p>
    </template>
    <section v-for="one in check.leftOut" :key="one.bar" class="left-out" :data-test="`left-out-${one.bar}`">
      <strong>{{ t('line.leftOutCountWords', { count: one.count, words: said(`bar/${one.bar}`) }) }}</strong>
      <ul>
        <li v-for="row in one.rows" :key="row.id">
          <span class="mono">{{ row.orderNumber || t('line.noOrder') }}</span> {{ row.customerName }}:
          <span class="soft">{{ saidWords(row.reason) }}</span>
        </li>
        <li v-if="one.count > one.rows.length" class="soft">
          {{ t('line.andCountMore', { count: one.count - one.rows.length }) }}
        </li>
      </ul>
      <p class="soft">{{ saidWords(one.help) }}</p>
      <VBtn
        v-if="one.bar === 'second look' && check.toAsk.length > 0"
        height="28"
        class="ask-second"
        :disabled="busy"
        data-test="ask-second"
        @click="ask"
        >{{ t('line.askSecondFor', { documents: plural(check.toAsk.length, 'document') }) }}</VBtn
      >
    </section>
    <CheckField v-if="noAddress || withoutAddress" v-model="withoutAddress" data-test="without-address">{{
      t('line.issueThoseWithoutAnAddress')
    }}</CheckField>
    <CheckField v-model="postOnly" data-test="post-only">{{ t('common.onlyIssueNumberAndBook') }}</CheckField>
  </Ask>
</template>

<style scoped>
p {
  margin: 0 0 8px;
}
.left-out {
  border-left: 3px solid var(--peg);
  background: var(--peg-pale);
  padding: 7px 12px;
  margin-bottom: 8px;
}
.left-out p {
  margin: 4px 0 0;
  font-size: var(--small);
}

.ask-second {
  margin-top: 6px;
}
ul {
  margin: 4px 0 0;
  padding-left: 18px;
  max-height: 116px;
  overflow: auto;
  font-size: var(--small);
}
</style>
