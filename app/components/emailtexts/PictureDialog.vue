<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import FileButton from '../fields/FileButton.vue'
import FormField from '../fields/FormField.vue'
import SelectField from '../fields/SelectField.vue'
import { useWrongs } from '../../composables/useWrongs'
import { base64Of } from '../../composables/fileText'
import { emailPictureUrl, keepEmailPicture } from '../../calls/email-texts'
import { pictureWidths, type EmailPicture } from '../../../core/emailtexts/pictures'

/** A picture for an email: the file, what is said to who does not see it, and how wide it stands. */
const props = defineProps<{ picture?: EmailPicture | null }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ use: [picture: EmailPicture] }>()
const { busy, wrong, wrongs, acting } = useWrongs(['picture', 'alt'])

const kept = ref(props.picture ? { sha256: props.picture.sha256, width: props.picture.width } : undefined)
const alt = ref(props.picture?.alt ?? '')
const part = ref<'whole' | 'half' | 'third'>('whole')
const parts = { whole: 1, half: 2, third: 3 } as const
const choices = [
  { value: 'whole', words: t('emailtexts.asWideAsTheText') },
  { value: 'half', words: t('emailtexts.halfAsWide') },
  { value: 'third', words: t('emailtexts.aThirdAsWide') },
] as const

async function choose(file: File) {
  await acting(async () => {
    kept.value = await keepEmailPicture(await base64Of(file))
    if (!alt.value) alt.value = file.name.replace(/\.[a-z]+$/i, '').replace(/[-_]+/g, ' ')
  })
}
function use() {
  const { sha256, width } = kept.value!
  const most = Math.round(pictureWidths.most / parts[part.value])
  emit('use', { sha256, alt: alt.value.trim(), width: Math.max(pictureWidths.least, Math.min(width, most)) })
  open.value = false
}
</script>

<template>
  <Ask
    v-model="open"
    :title="t('emailtexts.aPicture')"
    :go="t('emailtexts.putItIn')"
    :busy="busy"
    :disabled="!kept || !alt.trim()"
    @go="use"
  >
    <div class="fields">
      <div class="sight"><img v-if="kept" :src="emailPictureUrl(kept.sha256)" :alt="alt" /></div>
      <FileButton accept=".png,.jpg,.jpeg,.svg" :busy="busy" data-test="choose-picture" @file="choose">{{
        kept ? t('emailtexts.anotherPicture') : t('emailtexts.choosePicture')
      }}</FileButton>
      <p v-if="wrongs.picture" class="wrong" role="alert">{{ wrongs.picture }}</p>
      <FormField
        v-model="alt"
        :label="t('emailtexts.inWords')"
        :hint="t('emailtexts.inWordsHelp')"
        :placeholder="t('emailtexts.inWordsExample')"
        :wrong="wrongs.alt"
        data-test="picture-alt"
      />
      <SelectField v-model="part" :label="t('emailtexts.howWide')" :choices="choices" />
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </Ask>
</template>

<style scoped>
.fields {
  display: flex;
  flex-direction: column;
  align-items: start;
  gap: 10px;
}
.fields > :not(span) {
  width: 100%;
}
/* Its room is there before the picture is: nothing moves when it comes. */
.sight {
  height: 160px;
  border: 1px solid var(--rule);
  border-radius: 4px;
}
img {
  display: block;
  width: 100%;
  height: 100%;
  object-fit: contain;
}
</style>
