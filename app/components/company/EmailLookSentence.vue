<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import WordPicker from '../list/WordPicker.vue'
import type { EmailLook } from '../../../core/emailtexts/email-look'

/** How every email of a brand begins, as a sentence: its heading, the heading's colour, the letters. */
const look = defineModel<EmailLook>({ required: true })
defineProps<{ disabled: boolean }>()
const set = (change: Partial<EmailLook>) => {
  look.value = { ...look.value, ...change }
}
const headings = [
  { value: 'line', words: t('brands.theNameUnderALine') },
  { value: 'band', words: t('brands.theNameOnABand') },
  { value: 'none', words: t('brands.noHeadingLikeALetter') },
]
const colours = [
  { value: 'brand', words: t('brands.theBrandColour') },
  { value: 'accent', words: t('brands.theAccentColour') },
]
const letters = [
  { value: 'sans', words: t('brands.plainLetters') },
  { value: 'serif', words: t('brands.bookLetters') },
]
</script>

<template>
  <p class="sentence">
    <I18nT keypath="brands.beginsWithHeadingInColour" scope="global"
      ><template #heading
        ><WordPicker
          :label="t('brands.heading')"
          :choices="headings"
          :value="look.heading"
          :disabled="disabled"
          @pick="set({ heading: $event as EmailLook['heading'] })" /></template
      ><template #colour
        ><WordPicker
          :label="t('common.colour')"
          :choices="colours"
          :value="look.colour"
          :disabled="disabled"
          @pick="set({ colour: $event as EmailLook['colour'] })" /></template
      ><template #letters
        ><WordPicker
          :label="t('brands.letters')"
          :choices="letters"
          :value="look.letters"
          :disabled="disabled"
          @pick="set({ letters: $event as EmailLook['letters'] })" /></template
    ></I18nT>
  </p>
</template>

<style scoped>
.sentence {
  white-space: normal;
  margin: 0;
  line-height: 1.9;
}
</style>
