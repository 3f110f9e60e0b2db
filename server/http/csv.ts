import { Readable } from 'node:stream'
import { stringify as stringifyStream } from 'csv-stringify'
import { stringify } from 'csv-stringify/sync'
import { setResponseHeaders, type H3Event } from 'h3'

/** What a cell can hold: a row of anything else would be written as JSON. */
type Cells<Row> = { [Column in keyof Row]: string | number | boolean | Date | null | undefined }

const format = { header: true, bom: true, escape_formulas: true, record_delimiter: 'windows' } as const

/** Rows as CSV (RFC 4180) with a byte order mark; cells that a spreadsheet would run as a formula are defused. */
function csv<Row extends Cells<Row>>(columns: (keyof Row & string)[], rows: readonly Row[]): string {
  return stringify([...rows], { ...format, columns })
}

/** The same for more rows than memory should hold: batches in, a stream of text out. */
export function csvStream<Row extends Cells<Row>>(
  columns: (keyof Row & string)[],
  batches: AsyncIterable<readonly Row[]>,
): Readable {
  async function* each() {
    for await (const batch of batches) yield* batch
  }
  const source = Readable.from(each())
  const text = stringifyStream({ ...format, columns, cast: { date: (value) => value.toISOString() } })
  source.on('error', (error) => text.destroy(error)) // an error ends the answer, never the process
  return source.pipe(text)
}

/**
 * A whole paged list as CSV, page after page; `shape` gives the columns of a row. The first page is there
 * before the answer begins, so that a refusal is one.
 */
export async function csvPages<Row extends object, Shaped extends Cells<Shaped>>(
  columns: (keyof Shaped & string)[],
  page: (place: { after?: string; limit: number }) => Promise<{ rows: Row[]; after: string | null }>,
  shape: (row: Row) => Shaped,
): Promise<Readable> {
  const first = await page({ limit: 200 })
  async function* batches() {
    for (let found = first; ; found = await page({ after: found.after!, limit: 200 })) {
      yield found.rows.map(shape)
      if (!found.after) return
    }
  }
  return csvStream(columns, batches())
}

/** Answers a list that is never long as a CSV file to be saved. */
export function csvFile<Row extends Cells<Row>>(
  event: H3Event,
  name: string,
  columns: (keyof Row & string)[],
  rows: readonly Row[],
): string {
  setResponseHeaders(event, csvHeaders(name))
  return csv(columns, rows)
}

const csvHeaders = (name: string) => ({
  'content-type': 'text/csv; charset=utf-8',
  'content-disposition': `attachment; filename="${name}.csv"`,
})

/** Answers a stream of CSV as a file to be saved. */
export async function csvAnswer(event: H3Event, name: string, made: Promise<Readable>): Promise<Readable> {
  const stream = await made
  setResponseHeaders(event, csvHeaders(name))
  return stream
}
