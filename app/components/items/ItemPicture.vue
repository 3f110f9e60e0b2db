<script setup lang="ts">
import { t } from '../../words'
import FileButton from '../fields/FileButton.vue'
import { refusalWords } from '../../words/refusals'
import { smallPicture } from '../../composables/smallPicture'

/** An item's picture: where it is shown, or a data URL of one that was just chosen; '' for none. */
const picture = defineModel<string>({ required: true })
const props = defineProps<{ wrong: string | undefined }>()
const unread = ref('')
async function choose(file: File) {
  unread.value = ''
  try {
    picture.value = await smallPicture(file)
  } catch {
    unread.value = refusalWords({ says: 'bad-picture/kind', values: {}, title: '' })
  }
}
const said = computed(() => unread.value || props.wrong)
</script>

<template>
  <div class="picture">
    <img v-if="picture" :src="picture" :alt="t('items.picture')" data-test="item-picture" />
    <FileButton accept="image/png,image/jpeg,image/webp" data-test="choose-picture" @file="choose">{{
      picture ? t('items.anotherPicture') : t('items.choosePicture')
    }}</FileButton>
    <button v-if="picture" type="button" class="word" data-test="drop-picture" @click="picture = ''">
      {{ t('items.noPicture') }}
    </button>
    <span v-else class="soft">{{ t('items.pictureIsFor') }}</span>
  </div>
  <p v-if="said" class="brick" role="alert">{{ said }}</p>
</template>

<style scoped>
.picture {
  display: flex;
  align-items: center;
  gap: 12px;
  margin-top: 8px;
}
img {
  width: 72px;
  height: 72px;
  object-fit: contain;
  background: #fff;
  border: 1px solid var(--rule);
}
.brick {
  color: var(--brick);
  margin: 2px 0 0;
}
</style>
