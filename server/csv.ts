import { stringify } from 'csv-stringify/sync'

/** Rows as CSV (RFC 4180) with a byte order mark; cells that a spreadsheet would run as a formula are defused. */
export function csv<Row extends object>(columns: (keyof Row & string)[], rows: readonly Row[]): string {
  return stringify([...rows], { header: true, columns, bom: true, escape_formulas: true, record_delimiter: 'windows' })
}
