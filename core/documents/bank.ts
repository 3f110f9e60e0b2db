import type { Currency } from '../money/decimal'
import { formatIban } from './payment-code'

/** One of a brand's bank accounts. */
export interface BankAccount {
  name: string
  /** IBAN (ISO 13616), or an account number where the bank has none; never spaces. */
  iban: string
  /** ISO 9362; may be empty. */
  bic: string
  /** The currency that is paid into it; empty takes any. */
  currency: Currency | ''
}

/**
 * The account a paper in a currency asks to pay into: the first that is kept for it, else the first that
 * takes any, else the first of all.
 * @returns null where the brand has none
 */
export function accountFor(accounts: readonly BankAccount[], currency: Currency): BankAccount | null {
  return (
    accounts.find((one) => one.currency === currency) ??
    accounts.find((one) => one.currency === '') ??
    accounts[0] ??
    null
  )
}

/** An account in a line, e.g. "IBAN IE35 DEMO …, BIC DEMOIE00". */
export function accountWords(account: BankAccount): string {
  return [`IBAN ${formatIban(account.iban)}`, account.bic ? `BIC ${account.bic}` : '']
    .filter(Boolean)
    .join(', ')
}
