import { PDFDocument } from 'pdf-lib'

/**
 * A proof as one PDF: its pages, then those of the document, and the document's file as it was sent, attached
 * unchanged, so that its checksum can be taken anew.
 */
export async function withDocument(
  pages: Uint8Array,
  document: { name: string; bytes: Uint8Array } | null,
  madeAt: Date,
): Promise<Uint8Array> {
  if (!document) return pages
  const whole = await PDFDocument.load(pages, { updateMetadata: false })
  const source = await PDFDocument.load(document.bytes, { updateMetadata: false })
  for (const page of await whole.copyPages(source, source.getPageIndices())) whole.addPage(page)
  await whole.attach(document.bytes, document.name, {
    mimeType: 'application/pdf',
    description: 'The document as it was sent',
    creationDate: madeAt,
    modificationDate: madeAt,
  })
  return whole.save()
}
