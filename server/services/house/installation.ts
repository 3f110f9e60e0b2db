import { randomUUID } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { Refusal } from '../../../core/errors'
import { clock } from '../../clock'
import { config } from '../../config'
import { inTransaction, one, rows, run } from '../../db/connection'
import { log } from '../../log'
import { publish } from '../live/publish'

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
  const found = await one<{ installation: string; cluster: string; database: string }>(
    `select c.installation_id installation, (select system_identifier::text from pg_control_system()) cluster,
      (select oid::text from pg_database where datname = current_database()) "database"
    from company c`,
  )
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
  await run(
    `update company
    set confirm_needed = true, paused_at = coalesce(paused_at, $1),
      paused_by = coalesce(paused_by, 'Clothespin'),
      pause_reason = case when pause_reason = '' then 'This database was copied or restored.' else
        pause_reason end`,
    [clock.now()],
  )
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
  series: { brand: string; kind: string; period: string; last: string; issuedAt: Date }[]
  papers: number
  emails: number
}

/** What a supervisor has to look at before a copied database speaks: each series' last number, and what would go. */
export async function confirmation(): Promise<Confirmation> {
  const state = (await one<{
    needed: boolean
    papers: number
    emails: number
  }>(`
    select confirm_needed needed,
      (select count(*)::int from prepared_document where state = 'prepared' and automatic) papers,
      (select count(*)::int from dispatch where state = 'waiting' and channel = 'email' and not held) emails
    from company`))!
  const series = await rows<Confirmation['series'][number]>(`
    select distinct on (d.series_id, d.period) b.name brand, d.kind, d.period, d.number last,
      d.issued_at "issuedAt"
    from document d
    join brand b on b.id = d.brand_id
    order by d.series_id, d.period desc, d.counter desc`)
  return { ...state, series }
}

/**
 * A supervisor has looked: this is the installation from now on. It stays paused until somebody resumes.
 * @throws Refusal "nothing-to-confirm"
 */
export async function confirmInstallation(actor: string): Promise<void> {
  await inTransaction(async () => {
    const id = randomUUID()
    const confirmed = await run(
      `update company
      set confirm_needed = false, installation_id = $1, paused_by = $2,
        pause_reason = 'Confirmed after a restore; not resumed yet.'
      where confirm_needed`,
      [id, actor],
    )
    if (confirmed === 0) throw new Refusal('nothing-to-confirm', 'This database is already confirmed.')
    await keepInstallation()
    publish('house')
  })
}
