import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

/** The kinds of trouble that can be played. */
export const behaviours = [
  'bounce at once',
  'bounce later',
  'refuse for minutes',
  'accept slowly',
  'mailbox full',
  'drop during data',
  'no report',
  'is away',
  'is there no more',
  'complains',
] as const
export type Behaviour = (typeof behaviours)[number]

/** What happens to mail for an address ("name@house.example") or a whole domain ("house.example"). */
export interface Rule {
  who: string
  does: Behaviour
  /** For "refuse for minutes": refused until this instant (ISO). */
  until?: string
  /** For "accept slowly" and "bounce later": seconds. */
  seconds?: number
}

/** The rules, kept in a file so that a restart plays on. */
export class Rules {
  private rules: Rule[] = []

  constructor(
    folder: string,
    private readonly file = join(folder, 'rules.json'),
  ) {
    if (existsSync(this.file)) this.rules = JSON.parse(readFileSync(this.file, 'utf8')) as Rule[]
  }

  all(): readonly Rule[] {
    return this.rules
  }

  set(rule: Rule): void {
    this.rules = [...this.rules.filter((other) => other.who !== rule.who), rule]
    this.keep()
  }

  remove(who: string): void {
    this.rules = this.rules.filter((rule) => rule.who !== who)
    this.keep()
  }

  /** The rule for an address: its own before its domain's. */
  of(address: string): Rule | undefined {
    const whole = address.toLowerCase()
    const domain = whole.slice(whole.lastIndexOf('@') + 1)
    return this.rules.find((rule) => rule.who === whole) ?? this.rules.find((rule) => rule.who === domain)
  }

  private keep(): void {
    writeFileSync(`${this.file}.new`, JSON.stringify(this.rules, null, 1))
    renameSync(`${this.file}.new`, this.file)
  }
}
