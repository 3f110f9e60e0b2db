/** A kind of file that may go along: what nothing can be started with. */
export interface FileKind {
  mediaType: string
  ending: string
}

const kind = (ending: string, mediaType: string): FileKind => ({ ending, mediaType })

const office = 'application/vnd.openxmlformats-officedocument'
const open = 'application/vnd.oasis.opendocument'

/** Told by their bytes. Office files without macros only; no archives, since nobody sees what is in them. */
export const fileKinds: readonly FileKind[] = [
  kind('pdf', 'application/pdf'),
  kind('png', 'image/png'),
  kind('jpg', 'image/jpeg'),
  kind('docx', `${office}.wordprocessingml.document`),
  kind('xlsx', `${office}.spreadsheetml.sheet`),
  kind('odt', `${open}.text`),
  kind('ods', `${open}.spreadsheet`),
]

/** Kinds without a mark in their bytes: plain text, told by the ending. */
export const plainKinds: readonly FileKind[] = [kind('csv', 'text/csv'), kind('txt', 'text/plain')]

/** Endings of one kind that are written in several ways. */
const alike: Readonly<Record<string, string>> = { jpeg: 'jpg' }

/** A file name with the ending of its kind, whatever it was called. */
export function nameWithEnding(name: string, { ending }: FileKind): string {
  const written = /\.([^.]*)$/.exec(name)?.[1]?.toLowerCase() ?? ''
  return written === ending || alike[written] === ending ? name : `${name}.${ending}`
}
