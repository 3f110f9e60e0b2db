import { documentKinds, type DocumentKind } from '../../../core/documents/kinds'
import { Refusal } from '../../../core/errors'
import { raised, told, toldKind, type Told } from '../../../core/said/told'
import { inTransaction } from '../../db/connection'
import { Company } from '../../db/models'
import { publish } from '../live/publish'
import { usesOfKinds } from './kinds-queries'

/*
 * Which kinds of document the house uses. Called from Settings, Documents, by a supervisor, and by everything that
 * prepares. What waits already of a kind that is switched off stays and may go.
 */

export interface KindView {
  kind: DocumentKind
  on: boolean
  /** Routines that are on and make it. */
  routines: string[]
  /** Prepared and due ones that nothing was decided of. */
  waiting: number
}

export async function kindViews(): Promise<KindView[]> {
  const { kindsOff } = (await Company.findByPk(1))!
  const uses = await usesOfKinds()
  return documentKinds.map((kind) => {
    const use = uses.find((one) => one.kind === kind)
    return {
      kind,
      on: !kindsOff.includes(kind),
      routines: use?.routines ?? [],
      waiting: use?.waiting ?? 0,
    }
  })
}

export async function switchKind(kind: DocumentKind, on: boolean): Promise<void> {
  await inTransaction(async () => {
    const company = (await Company.findByPk(1, { lock: true }))!
    const off = documentKinds.filter((one) => (one === kind ? !on : company.kindsOff.includes(one)))
    await company.update({ kindsOff: off })
    publish('house')
  })
}

/** Why nothing of a kind is made: by a routine, and where a person asks. */
export const toldKindOff = (kind: DocumentKind): Told =>
  told('problem/kind-off', { kinds: raised(toldKind(kind, 'many')) })

/** @throws Refusal "kind-off" */
export function refuseKindOff(kind: DocumentKind, kindsOff: readonly DocumentKind[]): void {
  if (kindsOff.includes(kind))
    throw new Refusal('kind-off', {
      values: { kinds: raised(toldKind(kind, 'many')) },
      about: { field: 'kind' },
    })
}
