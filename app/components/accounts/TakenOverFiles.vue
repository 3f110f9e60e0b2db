<script setup lang="ts">
import { t } from '../../words'
import { plural } from '../../composables/format'
import type { TakenOverPdfs, TakenOverView } from '../../contract'

/** The PDFs of documents that came over: how many have theirs, a ZIP of more, and what came of the last one. */
defineProps<{ view: TakenOverView; told: TakenOverPdfs | undefined; disabled: boolean }>()
const emit = defineEmits<{ bring: [zip: File] }>()
const zip = ref<HTMLInputElement>()
function bring(event: Event) {
  const input = event.target as HTMLInputElement
  const [file] = input.files ?? []
  if (file) emit('bring', file)
  input.value = ''
}
</script>

<template>
  <h2>{{ t('accounts.theirPDFs') }}</h2>
  <p class="soft">
    {{
      t('accounts.withPdfOfDocumentsCameWith', {
        withPdf: view.withPdf,
        documents: plural(view.documents, 'document'),
      })
    }}
  </p>
  <template v-if="!disabled">
    <VBtn @click="zip?.click()">{{ t('accounts.addAZIPOfPDFs') }}</VBtn>
    <span class="soft beside">{{ t('accounts.eachNamedByItsNumber') }}</span>
    <input
      ref="zip"
      type="file"
      class="file"
      accept=".zip"
      :aria-label="t('accounts.aZIPOfPDFs')"
      data-test="pdfs"
      @change="bring"
    />
  </template>
  <p
    v-if="told"
    class="notice"
    :class="{ wait: told.unknown.length > 0 }"
    role="status"
    data-test="pdfs-told"
  >
    {{ t('accounts.pDFsAdded', { PDFs: plural(told.added, 'PDF') })
    }}<template v-if="told.before">{{
      t('accounts.beforeWereThereBefore', { before: told.before })
    }}</template
    >.
    <template v-if="told.unknown.length">{{
      t('accounts.noDocumentOfThisNumber', {
        pdfs: told.unknown.slice(0, 12).join(', '),
        pdfs2: told.unknown.length > 12 ? t('accounts.andPdfsMore', { pdfs: told.unknown.length - 12 }) : '',
      })
    }}</template>
  </p>
</template>

<style scoped>
h2 {
  margin: 20px 0 4px;
}
.file {
  display: none;
}
.beside {
  margin-left: 12px;
}
</style>
