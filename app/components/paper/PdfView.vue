<script setup lang="ts">
import { fetchBytes } from '../../composables/api'
import { loadPdfjs } from '../../composables/pdfjs'
import type { PDFDocumentProxy } from 'pdfjs-dist'

/**
 * The real PDF, drawn with pdf.js page by page. The old pages stay until the new ones are there, so that
 * nothing jumps.
 */
const props = defineProps<{ url: string; label: string }>()
const emit = defineEmits<{ pages: [count: number]; wrong: [words: string] }>()

interface Drawn {
  canvas: HTMLCanvasElement
  page: number
}

const holder = ref<HTMLElement>()
const pages = ref<HTMLElement>()
const loading = ref(true)
let turn = 0
let current: PDFDocumentProxy | undefined

async function draw() {
  const mine = ++turn
  loading.value = true
  try {
    const bytes = await fetchBytes(props.url)
    const pdfjs = await loadPdfjs()
    if (mine !== turn) return
    const document = await pdfjs.getDocument({ data: bytes, isEvalSupported: false }).promise
    if (mine !== turn) return void document.loadingTask.destroy()
    const drawn: Drawn[] = []
    const width = Math.max(300, (holder.value?.clientWidth ?? 478) - 74)
    for (let number = 1; number <= document.numPages; number++) {
      const page = await document.getPage(number)
      const ratio = Math.min(2.5, window.devicePixelRatio || 1)
      const viewport = page.getViewport({ scale: (width / page.getViewport({ scale: 1 }).width) * ratio })
      const canvas = window.document.createElement('canvas')
      canvas.width = viewport.width
      canvas.height = viewport.height
      canvas.style.width = `${viewport.width / ratio}px`
      canvas.setAttribute('role', 'img')
      canvas.setAttribute('aria-label', `${props.label}, page ${number} of ${document.numPages}`)
      await page.render({ canvas, viewport }).promise
      if (mine !== turn) return void document.loadingTask.destroy()
      drawn.push({ canvas, page: number })
      if (number === 1) pages.value?.replaceChildren(canvas)
      else pages.value?.append(canvas)
      if (number === 1) loading.value = false
    }
    void current?.loadingTask.destroy()
    current = document
    emit('pages', document.numPages)
  } catch (error) {
    if (mine !== turn) return
    pages.value?.replaceChildren()
    emit('wrong', (error as Error).message)
  } finally {
    if (mine === turn) loading.value = false
  }
}

onMounted(draw)
watch(() => props.url, draw)
onUnmounted(() => {
  turn++
  void current?.loadingTask.destroy()
})
</script>

<template>
  <div ref="holder" class="pdf" role="region" tabindex="0" :aria-label="label" :aria-busy="loading">
    <div v-if="loading && !pages?.childElementCount" class="blank" aria-hidden="true" />
    <div ref="pages" class="pages" data-test="pdf-pages" />
  </div>
</template>

<style scoped>
.pdf {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 14px 37px;
}
.pages {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.pages :deep(canvas),
.blank {
  background: var(--paper);
  box-shadow: 0 2px 10px rgb(22 38 43 / 14%);
  width: 100%;
  height: auto;
}
.blank {
  aspect-ratio: 210 / 297;
}
</style>
