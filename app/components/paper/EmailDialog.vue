<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import { useWrongs } from '../../composables/useWrongs'
import { useToasts } from '../../stores/toasts'
import { writeEmail } from '../../calls/prepared'
import type { PreparedView } from '../../contract'

/**
 * What the email of one document says, for this once. What is being written is kept in this browser until it is used
 * or given up: it survives a click elsewhere, and a night.
 */
const props = defineProps<{
  view: PreparedView
  /** What is to be read anew once it is kept: who presses Send next sends what they see. */
  kept: () => Promise<unknown>
}>()
const open = defineModel<boolean>({ required: true })

const words = computed(() => props.view.words!)
const asSaved = () => ({
  subject: words.value.subject,
  text: words.value.text,
  cc: words.value.cc.join(', '),
  bcc: words.value.bcc.join(', '),
})
type Form = ReturnType<typeof asSaved>
/** What is being written, and what stood there when it was begun. */
interface Begun {
  form: Form
  from: Form
}
/** As it was opened: what somebody else writes while this is open is not written over unseen. */
const { revision } = props.view
const opened = asSaved()
const same = (one: Form, other: Form) => JSON.stringify(one) === JSON.stringify(other)
const begun = useLocalStorage<Begun | null>(`email of prepared ${props.view.id}`, null, {
  serializer: { read: (text) => JSON.parse(text) as Begun, write: (one) => JSON.stringify(one) },
})
const form = reactive<Form>({ ...asSaved(), ...begun.value?.form })
/** It was begun before and never used. */
const goesOn = ref(begun.value !== null)
/** Somebody wrote it otherwise since it was begun. */
const otherwise = begun.value !== null && !same(begun.value.from, opened)
watch(form, () => {
  begun.value = same(form, opened) ? null : { form: { ...form }, from: opened }
})

function anew() {
  Object.assign(form, opened)
  goesOn.value = false
}

const { busy, wrong, wrongs, acting } = useWrongs(['subject', 'text', 'cc', 'bcc'])
const listOf = (written: string) => [...new Set(written.split(/[\s,;]+/).filter(Boolean))]
const written = () => ({
  subject: form.subject,
  text: form.text,
  cc: listOf(form.cc),
  bcc: listOf(form.bcc),
})

async function save(own: boolean) {
  const { id } = props.view
  const well = await acting(async () => {
    await writeEmail(id, { revision, own: own ? written() : null })
    await props.kept()
  })
  if (!well) return
  begun.value = null
  open.value = false
  useToasts().say(own ? t('paper.theEmailIsWritten') : t('paper.theEmailIsSuppliedAgain'))
}
</script>

<template>
  <Ask
    v-model="open"
    wide
    :title="t('paper.theEmailThisTime')"
    :go="t('paper.useItThisTime')"
    :busy="busy"
    :disabled="!form.subject.trim() || !form.text.trim()"
    @go="save(true)"
  >
    <p v-if="goesOn" class="notice-line" data-test="goes-on">
      {{ otherwise ? t('paper.writtenOtherwiseMeanwhile') : t('paper.youBeganThisBefore') }}
      <button type="button" class="word" data-test="email-anew" @click="anew">
        {{ t('paper.beginAnew') }}
      </button>
    </p>
    <FormField
      v-model="form.subject"
      :label="t('common.subject')"
      :wrong="wrongs.subject"
      data-test="own-subject"
    />
    <FormField
      v-model="form.text"
      :label="t('paper.text')"
      :lines="11"
      :hint="t('paper.whatStandsInBraces')"
      :wrong="wrongs.text"
      data-test="own-text"
    />
    <div class="copies">
      <FormField
        v-model="form.cc"
        :label="t('paper.furtherCopies')"
        :placeholder="t('common.nameHouseExample')"
        :wrong="wrongs.cc"
        data-test="own-cc"
      />
      <FormField
        v-model="form.bcc"
        :label="t('paper.hiddenCopies')"
        :placeholder="t('common.nameHouseExample')"
        :wrong="wrongs.bcc"
        data-test="own-bcc"
      />
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p v-if="words.own" class="supplied">
      <button type="button" class="word" data-test="as-supplied" :disabled="busy" @click="save(false)">
        {{ t('paper.asTheHouseSays') }}
      </button>
    </p>
  </Ask>
</template>

<style scoped>
.copies {
  margin-top: 8px;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 14px;
}
.supplied,
.notice-line {
  margin: 8px 0 0;
}
</style>
