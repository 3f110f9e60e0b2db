<script setup lang="ts">
/** A button that opens the computer's files and gives the one that was chosen; its words are the slot. */
withDefaults(defineProps<{ accept?: string; busy?: boolean }>(), { accept: '', busy: false })
const emit = defineEmits<{ file: [file: File] }>()
const input = ref<HTMLInputElement>()
function chosen() {
  const file = input.value!.files?.[0]
  if (file) emit('file', file)
  // the same file can be chosen again
  input.value!.value = ''
}
</script>

<template>
  <span>
    <VBtn height="30" :loading="busy" @click="input!.click()"><slot /></VBtn>
    <input ref="input" type="file" hidden :accept="accept" @change="chosen" />
  </span>
</template>
