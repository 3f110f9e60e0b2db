import { PDFDocument } from 'pdf-lib'

/** Several stored PDFs as one, page after page; a file that comes twice is read once. */
export async function merge(files: readonly Uint8Array[]): Promise<Uint8Array> {
  const whole = await PDFDocument.create()
  whole.setTitle('Papers to print')
  const read = new Map<Uint8Array, PDFDocument>()
  for (const file of files) {
    const source = read.get(file) ?? (await PDFDocument.load(file, { updateMetadata: false }))
    read.set(file, source)
    for (const page of await whole.copyPages(source, source.getPageIndices())) whole.addPage(page)
  }
  return whole.save()
}
