import { appendFileSync, closeSync, existsSync, fsyncSync, openSync, readFileSync } from 'node:fs'
import { join } from 'node:path'

export const ways = ['announced', 'accepted', 'under way', 'delivered', 'held', 'sent back'] as const
export type Way = (typeof ways)[number]

/** A label that somebody bought. */
export interface Sold {
  number: string
  /** What the buyer calls it. */
  reference: string
  product: string
  consignee: string[]
  kilos: number
  price: string
  soldAt: string
  isReturn: boolean
  /** Where the buyer wants to be told. */
  tell: string
  cancelled: boolean
  way: Way
}

type Line = { sold: Sold } | { cancelled: string } | { number: string; way: Way }

/**
 * What was sold, in a file that is on the disk before anybody is answered: a carrier that is killed still knows. It
 * sells again what it is asked for again, as many real ones do.
 */
export class Book {
  private readonly sold = new Map<string, Sold>()

  constructor(
    folder: string,
    private readonly file = join(folder, 'labels.ndjson'),
  ) {
    if (!existsSync(this.file)) return
    for (const line of readFileSync(this.file, 'utf8').split('\n'))
      if (line.endsWith('}')) this.take(JSON.parse(line) as Line)
  }

  all(): Sold[] {
    return [...this.sold.values()]
  }

  of(number: string): Sold | undefined {
    return this.sold.get(number)
  }

  calledBy(reference: string): Sold[] {
    return this.all().filter((one) => one.reference === reference)
  }

  sell(what: Omit<Sold, 'number' | 'cancelled' | 'way'>): Sold {
    const number = `GP${String(48_210_000 + this.sold.size + 1).padStart(9, '0')}IE`
    const sold: Sold = { ...what, number, cancelled: false, way: 'announced' }
    this.write({ sold })
    return sold
  }

  cancel(number: string): void {
    this.write({ cancelled: number })
  }

  goOn(number: string, way: Way): void {
    this.write({ number, way })
  }

  private write(line: Line): void {
    appendFileSync(this.file, `${JSON.stringify(line)}\n`)
    const file = openSync(this.file, 'r')
    fsyncSync(file)
    closeSync(file)
    this.take(line)
  }

  private take(line: Line): void {
    if ('sold' in line) this.sold.set(line.sold.number, { ...line.sold })
    else if ('cancelled' in line) this.sold.get(line.cancelled)!.cancelled = true
    else this.sold.get(line.number)!.way = line.way
  }
}
