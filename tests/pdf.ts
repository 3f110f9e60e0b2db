import { execFileSync } from 'node:child_process'

/** What can be read on a PDF, laid out as it stands there. */
export const textOfPdf = (bytes: Uint8Array): string =>
  execFileSync('pdftotext', ['-layout', '-', '-'], { input: bytes, encoding: 'utf8' })
