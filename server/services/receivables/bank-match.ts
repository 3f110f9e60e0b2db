import type { BankEntry } from '../../../core/receivables/bank-statement'
import { lessMatch, matchEntry, numbersIn, type Candidate, type Match } from '../../../core/receivables/match'
import type { Settlement } from '../../../core/receivables/settle'
import { groupBy } from '../../../core/group'
import { Decimal } from '../../../core/money/decimal'
import { asWritten } from '../../../core/said/told'
import { company } from '../house/house'
import { candidatesByAmount, candidatesByLetter, candidatesByNumber, waitingProposals } from './queries'

/* Holds bank movements against what is open. Called while movements are kept, in that transaction. */

/** What an entry would book. */
export interface Proposal {
  customerId: number | null
  customerName: string
  settlements: (Settlement & { number: string; open: string })[]
}

/**
 * Matches batch after batch with two queries each, less what movements that wait to be booked, and earlier
 * ones of the file, would settle.
 */
export class Matcher {
  private taken?: Map<number, Match[]>
  private smallDifference?: string

  /** @param anew a file whose own movements are matched anew, so that what they would settle does not count */
  constructor(private anew: number | null = null) {}

  async match(entries: readonly BankEntry[]): Promise<(Match & { proposal: Proposal })[]> {
    this.smallDifference ??= (await company()).smallDifference
    const taken = (this.taken ??= await this.waiting())
    const numbersOf = entries.map(numbersIn)
    const numbers = [...new Set(numbersOf.flat())]
    const named = [...(await candidatesByNumber(numbers)), ...(await candidatesByLetter(numbers))]
    const byNumber = groupBy(named, (item) => item.bare)
    const amounts = await candidatesByAmount([...new Set(entries.map((entry) => entry.amount))])
    const byAmount = new Map<string, Candidate[]>()
    for (const item of amounts) {
      const key = `${new Decimal(item.open).toString()} ${item.currency}`
      byAmount.set(key, [...(byAmount.get(key) ?? []), item])
    }
    return entries.map((entry, index) => {
      const items = new Map(
        numbersOf[index]!.flatMap((number) => byNumber.get(number) ?? []).map((item) => [item.id, item]),
      )
      const own = [...items.values()].map((item) =>
        (taken.get(item.id) ?? []).reduce((rest, match) => lessMatch(rest, match), item),
      )
      const same = (byAmount.get(`${new Decimal(entry.amount).toString()} ${entry.currency}`) ?? []).filter(
        (item) => !taken.has(item.id),
      )
      const match = matchEntry(entry, own, same, { smallDifference: this.smallDifference! })
      if (match.certainty === 'sure')
        for (const { documentId } of match.settlements)
          taken.set(documentId, [...(taken.get(documentId) ?? []), match])
      const known = new Map([...own, ...same].map((item) => [item.id, item]))
      return {
        ...match,
        proposal: {
          customerId: match.customerId,
          customerName:
            [...known.values()].find((item) => item.customerId === match.customerId)?.customerName ?? '',
          settlements: match.settlements.map((line) => ({
            ...line,
            number: known.get(line.documentId)!.number,
            open: known.get(line.documentId)!.open,
          })),
        },
      }
    })
  }

  /** What sure movements would settle that are kept and not booked yet, by document. */
  private async waiting(): Promise<Map<number, Match[]>> {
    const sure = await waitingProposals(this.anew)
    const taken = new Map<number, Match[]>()
    for (const one of sure)
      for (const { documentId } of one.settlements)
        taken.set(documentId, [
          ...(taken.get(documentId) ?? []),
          { ...one, certainty: 'sure', reason: asWritten('') },
        ])
    return taken
  }
}
