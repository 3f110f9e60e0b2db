import { randomUUID } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { Refusal } from '../../../core/errors'
import type { DocumentKind } from '../../../core/documents/kinds'
import { clock } from '../../clock'
import { config } from '../../config'
import { inTransaction } from '../../db/connection'
import { log } from '../../log'
import { publish } from '../live/publish'
import { identityRow, closeGate, confirmationCounts, lastNumbers, openAfterConfirming } from './queries'
import type { Principal } from '../people/principal'

/*
 * A copied or restored database must not speak: its id is also kept in a file outside of it, and where the
 * two differ all issuing and
 * sending is paused until a supervisor has confirmed the last number of each series and what waits.
 * Called when web and worker start, and from the band on every screen. Refuses to resume before that.
 */

/**
 * What tells this very database apart from every copy: the installation's id, and the cluster and database it
 * lies in.
 */
async function identity(): Promise<string | undefined> {
  const found = await identityRow()
  return found && `${found.installation} cluster ${found.cluster} database ${found.database}`
}

/** Compares the database with what the file knows; pauses everything where they differ. */
export async function guardInstallation(): Promise<void> {
  const file = config.installationFile
  const now = file ? await identity() : undefined
  if (!now) return
  const kept = existsSync(file) ? readFileSync(file, 'utf8').trim() : ''
  if (kept === now) return
  log.warn(
    'this database is not the one that this installation knows: everything is paused until it is confirmed',
  )
  await closeGate(clock.now())
  publish('house')
}

/** Writes down which database this installation is. */
export async function keepInstallation(): Promise<void> {
  if (!config.installationFile) return
  const now = await identity()
  if (now) writeFileSync(config.installationFile, `${now}\n`, { mode: 0o600 })
}

export interface Confirmation {
  needed: boolean
  series: { brand: string; kind: DocumentKind; period: string; last: string; issuedAt: Date }[]
  papers: number
  emails: number
}

/** What a supervisor has to look at before a copied database speaks: each series' last number, and what would go. */
export async function confirmation(): Promise<Confirmation> {
  const state = (await confirmationCounts())!
  const series = await lastNumbers()
  return { ...state, series }
}

/**
 * A supervisor has looked: this is the installation from now on. It stays paused until somebody resumes.
 * @throws Refusal "nothing-to-confirm"
 */
export async function confirmInstallation(who: Principal): Promise<void> {
  await inTransaction(async () => {
    const id = randomUUID()
    const confirmed = await openAfterConfirming(id, who.name)
    if (confirmed === 0) throw new Refusal('nothing-to-confirm')
    await keepInstallation()
    publish('house')
  })
}
