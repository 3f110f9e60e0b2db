import { isDeepStrictEqual } from 'node:util'
import type { BankAccount } from '../../../core/documents/bank'
import type { Asked } from '../../../core/documents/second-look'
import { clock } from '../../clock'
import type { Principal } from '../people/principal'
import { settingsRow } from './settings-queries'

/**
 * Who changed bank accounts, for the brand that has them, where the house wants somebody else to confirm it; nothing
 * where it does not, or where there were none before.
 */
export async function bankChange(
  before: readonly BankAccount[],
  now: readonly BankAccount[],
  who: Principal & { id: number },
): Promise<{ banksChanged?: Asked }> {
  if (before.length === 0 || isDeepStrictEqual(before, now)) return {}
  if (!(await settingsRow())!.secondLook.newBank) return {}
  return { banksChanged: { id: who.id, name: who.name, at: clock.now().toISOString() } }
}
