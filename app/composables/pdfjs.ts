import workerUrl from 'pdfjs-dist/legacy/build/pdf.worker.mjs?url'

type Pdfjs = typeof import('pdfjs-dist')
let loaded: Promise<Pdfjs> | undefined

/** pdf.js, loaded when the first paper is shown, with its worker from our own files. */
export function loadPdfjs(): Promise<Pdfjs> {
  loaded ??= import('pdfjs-dist/legacy/build/pdf.mjs').then((module) => {
    // the build for older browsers has no types of its own
    const pdfjs = module as unknown as Pdfjs
    pdfjs.GlobalWorkerOptions.workerSrc = workerUrl
    return pdfjs
  })
  return loaded
}
