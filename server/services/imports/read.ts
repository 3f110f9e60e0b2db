import { Readable } from 'node:stream'
import { parse } from 'csv-parse'
import { parse as parseNow } from 'csv-parse/sync'
import { Refusal } from '../../../core/errors'
import { findDelimiter, findHeading, type Delimiter } from '../../../core/imports/text'

/** A file is read with no more than this in hand: the widest row, and how many columns it may have. */
const widest = 200_000

export const mostColumns = 200

const options = (delimiter: string) =>
  ({
    delimiter,
    bom: true,
    skip_empty_lines: true,
    relax_column_count: true,
    max_record_size: widest,
    trim: true,
    info: true,
  }) as const

/**
 * The names of the columns, on which row they stand, and the first rows after it. @throws Refusal "bad-file"
 * in words
 */
export function headOf(text: string): {
  delimiter: Delimiter
  heading: number
  columns: string[]
  sample: string[][]
} {
  const delimiter = findDelimiter(text)
  const end = text.length > 400_000 ? text.lastIndexOf('\n', 400_000) : text.length
  let found: { record: string[] }[]
  try {
    // with `info` it answers records and where they stand, which its types do not say
    found = parseNow(text.slice(0, end), { ...options(delimiter), to: 30 }) as unknown as {
      record: string[]
    }[]
  } catch (error) {
    throw badFile(error)
  }
  const first = found.map((one) => one.record)
  const heading = findHeading(first)
  const [columns, ...sample] = first.slice(heading, heading + 9)
  if (!columns || sample.length === 0) throw new Refusal('bad-file', { status: 400 })
  if (columns.length > mostColumns)
    throw new Refusal('bad-file/too-wide', {
      values: { columns: columns.length.toLocaleString('en'), mostColumns },
      status: 400,
    })
  return {
    delimiter,
    heading,
    columns: columns.map((name, index) => name.slice(0, 120) || `Column ${index + 1}`),
    sample: sample.map((row) => row.slice(0, mostColumns).map((cell) => cell.slice(0, 300))),
  }
}

const badFile = (error: unknown) =>
  new Refusal('bad-file/not-csv', {
    values: { why: (error as Error).message.replace(/\.$/, '') },
    status: 400,
  })

export interface ReadRow {
  line: number
  cells: string[]
}

/**
 * The rows after the one that names the columns, in batches, with the line each begins on; read piece by
 * piece. @throws Refusal "bad-file"
 */
export async function* rowsOf(
  text: string,
  delimiter: string,
  heading: number,
  size: number,
): AsyncGenerator<ReadRow[]> {
  function* pieces() {
    for (let at = 0; at < text.length; at += 65_536) yield text.slice(at, at + 65_536)
  }
  const parser = Readable.from(pieces()).pipe(parse({ ...options(delimiter), from: heading + 2 }))
  let batch: ReadRow[] = []
  try {
    for await (const { record, info } of parser as AsyncIterable<{
      record: string[]
      info: { lines: number }
    }>) {
      batch.push({ line: info.lines, cells: record.slice(0, mostColumns).map((cell) => cell.slice(0, 4000)) })
      if (batch.length >= size) {
        yield batch
        batch = []
      }
    }
  } catch (error) {
    throw error instanceof Refusal ? error : badFile(error)
  }
  if (batch.length > 0) yield batch
}
