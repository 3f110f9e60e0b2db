<script setup lang="ts">
import { t } from '../../words'
import CheckField from '../fields/CheckField.vue'
import FileButton from '../fields/FileButton.vue'
import { limits, tooHeavy, whyWords } from './where'
import { base64Of } from '../../composables/fileText'
import { useActing } from '../../composables/useActing'
import { addForOnce } from '../../calls/enclosures'
import { documentAsARule, mailSize, sizeWords } from '../../../core/enclosures/mail-size'
import type { EmailView } from '../../contract'

/** Files of one email that is being written: each can be left out this time, and others added for this once. */
const props = defineProps<{ preparedId: number; email: EmailView; wrong: string }>()
const leftOut = defineModel<number[]>('leftOut', { required: true })
const added = defineModel<{ id: number; name: string; size: number }[]>('added', { required: true })

const documents = computed(() => props.email.files.filter((file) => !file.enclosure))
const standing = computed(() =>
  props.email.files.filter((file) => file.enclosure && file.enclosure.source !== 'once'),
)
const goes = (id: number) => !leftOut.value.includes(id)
const turn = (id: number) => {
  leftOut.value = goes(id) ? [...leftOut.value, id] : leftOut.value.filter((one) => one !== id)
}
const size = computed(() =>
  mailSize([
    props.email.pictures,
    ...documents.value.map((file) => file.size ?? documentAsARule),
    ...standing.value
      .filter((file) => goes(file.enclosure!.id) && file.by !== 'link')
      .map((file) => file.size!),
    ...added.value.map((file) => file.size),
  ]),
)
const { busy, wrong: notAdded, acting } = useActing()
const heavy = ref('')
async function add(file: File) {
  heavy.value = tooHeavy(file)
  if (heavy.value) return
  await acting(async () => {
    const kept = await addForOnce(props.preparedId, { name: file.name, file: await base64Of(file) })
    if (!added.value.some((one) => one.id === kept.id)) added.value = [...added.value, kept]
  })
}
const remove = (id: number) => {
  added.value = added.value.filter((one) => one.id !== id)
}
</script>

<template>
  <fieldset data-test="email-files">
    <legend>{{ t('enclosures.enclosedThisTime') }}</legend>
    <ul>
      <li v-for="file in documents" :key="file.name">
        <span class="cut">{{ file.name }}</span>
      </li>
      <li v-for="file in standing" :key="file.enclosure!.id">
        <CheckField
          :model-value="goes(file.enclosure!.id)"
          :data-test="`goes-${file.name}`"
          @update:model-value="turn(file.enclosure!.id)"
          ><span :class="{ out: !goes(file.enclosure!.id) }">{{ file.name }}</span></CheckField
        >
        <span class="soft">{{ sizeWords(file.size!) }}</span>
        <span class="soft">{{
          goes(file.enclosure!.id)
            ? [whyWords(file.enclosure!.source), limits(file.enclosure!)].filter(Boolean).join(', ')
            : t('enclosures.leftOut')
        }}</span>
      </li>
      <li v-for="file in added" :key="file.id">
        <span class="cut">{{ file.name }}</span>
        <span class="soft">{{ sizeWords(file.size) }}</span>
        <button
          type="button"
          class="word"
          :aria-label="t('enclosures.remove', { name: file.name })"
          @click="remove(file.id)"
        >
          {{ t('enclosures.removeWord') }}
        </button>
      </li>
    </ul>
    <p class="under">
      <FileButton :busy="busy" data-test="add-once" @file="add">{{ t('enclosures.addForOnce') }}</FileButton>
      <span v-if="email.splits && size > email.most!" class="soft">{{
        t('enclosures.goesInSeveral', { size: sizeWords(size), most: sizeWords(email.most!) })
      }}</span>
      <span v-else-if="email.most && size > email.most" class="brick">{{
        t('enclosures.tooMuch', { size: sizeWords(size), most: sizeWords(email.most) })
      }}</span>
      <span v-else-if="email.most && standing.length + added.length > 0" class="soft">{{
        t('enclosures.sum', { size: sizeWords(size), most: sizeWords(email.most) })
      }}</span>
    </p>
    <p v-if="heavy || wrong || notAdded" class="brick" role="alert">{{ heavy || wrong || notAdded }}</p>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 10px 0 0;
}
legend {
  font-size: var(--small);
  color: var(--soft-ink);
  padding: 0;
}
ul {
  list-style: none;
  padding: 0;
  margin: 2px 0 6px;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 60px 170px;
  gap: 12px;
  align-items: center;
  padding: 3px 0;
  border-top: 1px solid var(--rule);
}
.out {
  text-decoration: line-through;
}
.under {
  display: flex;
  gap: 12px;
  align-items: center;
  margin: 0;
}
.brick {
  color: var(--brick);
  margin: 2px 0 0;
}
button {
  justify-self: start;
}
</style>
