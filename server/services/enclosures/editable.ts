import { createHash } from 'node:crypto'
import { strToU8, zipSync } from 'fflate'
import {
  editableContent,
  editableManifest,
  odtMediaType,
  type EditableLook,
} from '../../../core/documents/editable'
import type { Paper } from '../../../core/documents/paper'

/**
 * A document as an editable text. The same document gives the same bytes; the media type stands first and is stored
 * plainly, so that it can be told by its bytes (OpenDocument 1.3, part 2, section 3.3).
 */
export function editableFile(paper: Paper, pdfName: string, look: EditableLook) {
  const packed = zipSync(
    {
      mimetype: [strToU8(odtMediaType), { level: 0 }],
      'META-INF/manifest.xml': strToU8(editableManifest),
      'content.xml': strToU8(editableContent(paper, look)),
    },
    { mtime: new Date('2000-01-01T12:00:00') },
  )
  const bytes = Buffer.from(packed.buffer, packed.byteOffset, packed.byteLength)
  return {
    name: pdfName.replace(/\.pdf$/i, '.odt'),
    mediaType: odtMediaType,
    bytes,
    sha256: createHash('sha256').update(bytes).digest('hex'),
    isMade: true as const,
  }
}
