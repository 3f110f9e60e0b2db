import iconv from 'iconv-lite'
import { isDay, type Day } from '../documents/days'
import { Refusal } from '../errors'

export type Encoding = 'UTF-8' | 'UTF-16LE' | 'UTF-16BE' | 'Windows-1252'

/**
 * The text of a file of unknown encoding: by its byte order mark, else UTF-8 where it is valid, else Windows-1252.
 * @throws Refusal "not-text" for what holds bytes that no text has
 */
export function decodeText(bytes: Uint8Array): { text: string; encoding: Encoding } {
  const head = bytes.subarray(0, 3)
  if (head[0] === 0xff && head[1] === 0xfe)
    return { text: new TextDecoder('utf-16le').decode(bytes), encoding: 'UTF-16LE' }
  if (head[0] === 0xfe && head[1] === 0xff)
    return { text: new TextDecoder('utf-16be').decode(bytes), encoding: 'UTF-16BE' }
  if (bytes.subarray(0, 8000).includes(0)) throw new Refusal('not-text', { status: 400 })
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'UTF-8' }
  } catch {
    // the platform's own decoder takes it for ISO 8859-1
    return { text: iconv.decode(Buffer.from(bytes), 'win1252'), encoding: 'Windows-1252' }
  }
}

export const delimiters = [',', ';', '\t', '|'] as const
export type Delimiter = (typeof delimiters)[number]

/**
 * What stands between the cells: the sign that comes equally often, and most often, in the first lines;
 * quoted text does not count.
 */
export function findDelimiter(text: string): Delimiter {
  const lines = text
    .slice(0, 20_000)
    .replace(/"(?:[^"]|"")*"/g, '')
    .split(/\r\n|\n|\r/)
    .filter((line) => line.trim())
    .slice(0, 24)
  const score = (sign: string) => {
    const counts = lines.map((line) => line.split(sign).length - 1).filter((count) => count > 0)
    return Math.max(
      0,
      ...counts.map((count) => counts.filter((other) => other === count).length * 1000 + count),
    )
  }
  return [...delimiters].sort((a, b) => score(b) - score(a))[0]!
}

export type DecimalSign = '.' | ','

const looksLikeValue = (cell: string) => /^[+-]?[\d.,:/\s'-]*\d[\d.,:/\s'-]*([€£%]|[A-Z]{3})?$/.test(cell)

/**
 * Which of the first rows names the columns, counted from 0: banks and ledgers write their own name, an
 * account or a period above. It is the first row
 * that holds no number or day and is filled as widely as the rows that follow; the very first where none is.
 */
export function findHeading(rows: readonly (readonly string[])[]): number {
  const filled = rows.map((row) => row.filter((cell) => cell.trim() !== '').length)
  const most = Math.max(0, ...filled)
  const wide = most > 4 ? most - 1 : most
  return Math.max(
    0,
    rows.findIndex(
      (row, index) => filled[index]! >= wide && !row.some((cell) => looksLikeValue(cell.trim())),
    ),
  )
}

/**
 * Which sign is the decimal one in these cells: a sign before any but three last digits decides; a point
 * where nothing does.
 */
export function findDecimalSign(cells: readonly string[]): DecimalSign {
  let comma = 0
  let point = 0
  for (const cell of cells) {
    const bare = cell.trim().replace(/^[^\d-]+|[^\d]+$/g, '')
    if (/^-?[\d.' ]*,(\d{1,2}|\d{4,})$/.test(bare) || /^-?\d{1,3}(\.\d{3})+,\d+$/.test(bare)) comma++
    else if (/^-?[\d,' ]*\.(\d{1,2}|\d{4,})$/.test(bare) || /^-?\d{1,3}(,\d{3})+\.\d+$/.test(bare)) point++
  }
  return comma > point ? ',' : '.'
}

/** A cell as an exact number: "1.234,50 €" with a comma is "1234.50". Undefined when it is none. */
export function readNumber(cell: string, sign: DecimalSign): string | undefined {
  const bare = cell
    .trim()
    .replace('−', '-')
    .replace(/^(?:€|£|EUR|GBP|USD)\s*|\s*(?:€|£|EUR|GBP|USD|%)$/gi, '')
    .replace(/[\s'’]/g, '')
    .replace(/^\+|\+$/, '')
    .replace(/^(\d.*)-$/, '-$1')
  const grouped =
    sign === ',' ? /^-?(\d+|\d{1,3}(\.\d{3})+)(,\d{1,8})?$/ : /^-?(\d+|\d{1,3}(,\d{3})+)(\.\d{1,8})?$/
  if (!grouped.test(bare) || bare.length > 22) return undefined
  return sign === ',' ? bare.replaceAll('.', '').replace(',', '.') : bare.replaceAll(',', '')
}

/** Whether the day or the month stands first where a date is written with both as numbers. */
export type DayOrder = 'day first' | 'month first'

export function findDayOrder(cells: readonly string[]): DayOrder {
  const parts = cells.flatMap((cell) => {
    const match = /^(\d{1,2})[./-](\d{1,2})[./-]\d{2,4}$/.exec(cell.trim())
    return match ? [[Number(match[1]), Number(match[2])] as const] : []
  })
  return parts.some(([, second]) => second > 12) && !parts.some(([first]) => first > 12)
    ? 'month first'
    : 'day first'
}

/** A cell as a day: "2026-11-24", "24.11.2026", "24/11/26", "2026-11-24T10:00". Undefined when it is none. */
export function readDay(cell: string, order: DayOrder): Day | undefined {
  const text = cell.trim()
  const iso = /^(\d{4})-?(\d{2})-?(\d{2})(?:[T ].*)?$/.exec(text)
  const other = /^(\d{1,2})[./-](\d{1,2})[./-](\d{2}|\d{4})$/.exec(text)
  if (!iso && !other) return undefined
  const [year, month, day] = iso
    ? [iso[1]!, iso[2]!, iso[3]!]
    : [
        other![3]!.length === 2 ? `20${other![3]}` : other![3]!,
        other![order === 'day first' ? 2 : 1]!,
        other![order === 'day first' ? 1 : 2]!,
      ]
  const found = `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`
  return isDay(found) && found >= '1900-01-01' && found <= '2199-12-31' ? found : undefined
}
