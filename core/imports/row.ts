import { countryOf } from '../countries'
import { isAddress } from '../preferences/recipients'
import { Decimal } from '../money/decimal'
import type { OwnFieldFacts } from '../fields/own-fields'
import { joined, told, type Told } from '../said/told'
import { fieldsOf, toldField } from './fields'
import type { ImportField } from './field'
import { directions } from './money-fields'
import { lacking, type ImportSubject } from './subjects'
import { type Mapping } from './mapping'
import { readDay, readNumber, type DayOrder, type DecimalSign } from './text'

/** A record with plain values by field key: exact numbers, ISO days, trimmed text; what is empty is left out. */
export type ImportRecord = Record<string, string>

/** What an item that was open in another program is: what is below zero without a word is a credit note. */
export const oldKind = (record: ImportRecord): 'invoice' | 'credit note' | 'payment' =>
  (record.kind as 'invoice' | undefined) ?? (record.open?.startsWith('-') ? 'credit note' : 'invoice')

export interface Reading {
  mapping: Mapping
  decimalSign: DecimalSign
  dayOrder: DayOrder
}

/** A row's cells by the mapping. */
export function recordOf(cells: readonly string[], { mapping }: Pick<Reading, 'mapping'>): ImportRecord {
  return Object.fromEntries(
    Object.entries(mapping)
      .map(([key, mapped]) => [key, ('fixed' in mapped ? mapped.fixed : (cells[mapped.column] ?? '')).trim()])
      .filter(([, value]) => value !== ''),
  )
}

/**
 * Reads the values of a record, and says everything that is wrong with it. The record of the right fields is
 * given in any case.
 */
export function readRecord(
  subject: ImportSubject,
  raw: ImportRecord,
  how: Pick<Reading, 'decimalSign' | 'dayOrder'>,
  own: readonly OwnFieldFacts[] = [],
): { record: ImportRecord; problems: Told[] } {
  const record: ImportRecord = {}
  const problems: Told[] = []
  const fields = fieldsOf(subject, own)
  for (const field of fields) {
    const cell = raw[field.key]
    if (cell === undefined) {
      if (field.needed) problems.push(told('row/missing', { field: toldField(subject, field) }))
      continue
    }
    const value = readValue(field, cell, how, toldField(subject, field))
    if ('problem' in value) problems.push(value.problem)
    else record[field.key] = value.value
  }
  for (const key of Object.keys(raw))
    if (!fields.some((field) => field.key === key))
      problems.push(
        told('row/unknown-field', { field: key.slice(0, 40), subject: told(`import/${subject}`) }),
      )
  const lacks = lacking(subject, (key) => !!raw[key])
  if (lacks) problems.push(lacks)
  if (subject === 'bank movements' && problems.length === 0) problems.push(...signAmount(record))
  return { record, problems }
}

/**
 * A movement keeps one amount, below zero when the money went out, whichever way its bank writes that.
 * @returns what is wrong
 */
function signAmount(record: ImportRecord): Told[] {
  const { moneyIn = '0', moneyOut = '0', direction } = record
  const [came, went] = [new Decimal(moneyIn).abs(), new Decimal(moneyOut).abs()]
  if (came.gt(0) && went.gt(0)) return [told('row/both-ways')]
  const written = record.amount === undefined ? came.minus(went) : new Decimal(record.amount)
  const amount = direction === undefined ? written : written.abs().times(directions[direction] ? 1 : -1)
  for (const key of ['moneyIn', 'moneyOut', 'direction']) Reflect.deleteProperty(record, key)
  record.amount = amount.toString()
  return amount.isZero() ? [told('row/no-money')] : []
}

function readValue(
  field: ImportField,
  cell: string,
  { decimalSign, dayOrder }: Pick<Reading, 'decimalSign' | 'dayOrder'>,
  called: Told,
): { value: string } | { problem: Told } {
  const wrong = (what: Told) => ({
    problem: told('row/is', { field: called, cell: cell.slice(0, 40), wrong: what }),
  })
  switch (field.kind) {
    case 'number':
    case 'amount': {
      const value = readNumber(cell, decimalSign)
      if (value === undefined)
        return wrong(told('row/no-number', { example: decimalSign === ',' ? '1.234,50' : '1,234.50' }))
      if (!/^-?\d{1,10}(\.\d{1,8})?$/.test(value)) return wrong(told('row/large-number'))
      return field.kind === 'amount' && (value.startsWith('-') || Number(value) === 0)
        ? wrong(told('row/not-over-zero'))
        : { value }
    }
    case 'day': {
      const value = readDay(cell, dayOrder)
      return value === undefined ? wrong(told('row/no-day')) : { value }
    }
    case 'email':
      return isAddress(cell) ? { value: cell } : wrong(told('row/no-email'))
    case 'currency':
      return /^[A-Za-z]{3}$/.test(cell) ? { value: cell.toUpperCase() } : wrong(told('row/no-currency'))
    case 'country': {
      const value = countryOf(cell)
      return value === undefined ? wrong(told('row/no-country')) : { value }
    }
    case 'choice': {
      const value = field.choices!.find((one) => one.toLowerCase() === cell.toLowerCase())
      return value === undefined
        ? wrong(told('row/none-of', { choices: joined(field.choices!, 'list/comma') }))
        : { value }
    }
    case 'text':
      return cell.length > field.most!
        ? { problem: told('row/too-long', { field: called, most: field.most! }) }
        : hasControls(cell)
          ? wrong(told('row/not-plain'))
          : { value: cell }
  }
}

/** Control characters other than a line break have no business in a record. */
const hasControls = (text: string) =>
  [...text].some((character) => {
    const code = character.codePointAt(0)!
    return (
      (code < 32 && code !== 10 && code !== 13 && code !== 9) ||
      code === 127 ||
      (code >= 0xd800 && code <= 0xdfff)
    )
  })
