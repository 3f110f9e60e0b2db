<script setup lang="ts">
import { t } from '../../words'
import { useEventListener } from '@vueuse/core'
import { fetchBytes } from '../../composables/api'
import { loadPdfjs } from '../../composables/pdfjs'
import type { PDFDocumentProxy } from 'pdfjs-dist'

const PdfLarge = defineAsyncComponent(() => import('./PdfLarge.vue'))

/**
 * The real PDF, drawn with pdf.js page by page. The old pages stay until the new ones are there, so that
 * nothing jumps.
 */
const props = withDefaults(
  defineProps<{
    /** Where it is fetched from, or the PDF itself. */
    url?: string
    bytes?: Uint8Array
    label: string
    /** Times the width of its place. */
    zoom?: number
    /** It stands by itself and cannot be enlarged any more. */
    large?: boolean
  }>(),
  { url: '', bytes: undefined, zoom: 1, large: false },
)
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
    // pdf.js takes the bytes for itself
    const bytes = props.bytes?.slice() ?? (await fetchBytes(props.url))
    const pdfjs = await loadPdfjs()
    if (mine !== turn) return
    const document = await pdfjs.getDocument({ data: bytes, isEvalSupported: false }).promise
    if (mine !== turn) return void document.loadingTask.destroy()
    const drawn: Drawn[] = []
    const width = Math.max(300, (holder.value?.clientWidth ?? 478) - 28) * props.zoom
    for (let number = 1; number <= document.numPages; number++) {
      const page = await document.getPage(number)
      const ratio = Math.min(2.5, window.devicePixelRatio || 1)
      const viewport = page.getViewport({ scale: (width / page.getViewport({ scale: 1 }).width) * ratio })
      const canvas = window.document.createElement('canvas')
      canvas.width = viewport.width
      canvas.height = viewport.height
      canvas.style.width = `${viewport.width / ratio}px`
      canvas.setAttribute('role', 'img')
      canvas.setAttribute(
        'aria-label',
        t('paper.pageOf', { label: props.label, number, pages: document.numPages }),
      )
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
watch(() => [props.url, props.bytes, props.zoom], draw)
const enlarged = ref(false)
useEventListener(document, 'keydown', (event: KeyboardEvent) => {
  const isTyping = (event.target as Element).closest?.('input, textarea, select, [contenteditable]')
  if (event.key !== 'f' || event.ctrlKey || event.metaKey || event.altKey || isTyping || props.large) return
  event.preventDefault()
  enlarged.value = true
})
onUnmounted(() => {
  turn++
  void current?.loadingTask.destroy()
})
</script>

<template>
  <div ref="holder" class="pdf" role="region" tabindex="0" :aria-label="label" :aria-busy="loading">
    <button
      v-if="!large"
      type="button"
      class="enlarge"
      :title="t('paper.fullScreenF')"
      :aria-label="t('paper.showTheDocumentFullScreen')"
      data-test="enlarge"
      @click="enlarged = true"
    >
      ⤢
    </button>
    <PdfLarge v-if="enlarged" v-model="enlarged" :url="url" :bytes="bytes" :label="label" />
    <div v-if="loading && !pages?.childElementCount" class="blank" aria-hidden="true" />
    <div ref="pages" class="pages" data-test="pdf-pages" />
  </div>
</template>

<style scoped>
.pdf {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 14px;
  position: relative;
}
.enlarge {
  position: sticky;
  top: 0;
  float: right;
  z-index: 1;
  width: 30px;
  height: 30px;
  margin: 4px 4px -34px 0;
  border: 1px solid var(--rule);
  border-radius: 3px;
  background: var(--paper);
  color: var(--ink);
  font-size: var(--title);
  line-height: 1;
  cursor: pointer;
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
  max-width: none;
  height: auto;
}
.blank {
  width: 100%;
}
.blank {
  aspect-ratio: 210 / 297;
}
</style>
