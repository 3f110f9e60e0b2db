import { byWorker } from '../../db/by-worker'
import { stopOf } from './stopped-queries'
import { run, one, rows } from '../../db/connection'

/* The statements of sweep.ts. */

/** A worker that has not been heard for so long is dead; longer than a busy event loop can be silent. */
export const deadAfterSeconds = 20

export const sweepLock = 7205119

export const keepBeat = (given: { workerId: string; startedAt: Date; queueWorkers: readonly string[] }) =>
  run(
    `insert into worker (id, started_at, beat_at, queue_workers)
    values ($workerId, $startedAt, now(), $queueWorkers::text[])
    on conflict (id) do update set beat_at = now(), queue_workers = excluded.queue_workers`,
    given,
  )

export const forgetWorker = (workerId: string) => run('delete from worker where id = $workerId', { workerId })

export const trySweepLock = (sweepLock: number) =>
  one<{ mine: boolean }>('select pg_try_advisory_xact_lock($sweepLock) mine', { sweepLock })

export const bankFilesHalfRead = () =>
  rows<{ id: number }>(
    `select id from bank_file where state = 'reading' and made_at < now() - interval '1 minute'`,
  )

export const bankFilesHalfBooked = (before: Date) =>
  rows<{ id: number }>(
    `select distinct file_id id from bank_entry where state = 'to book' and decided_at < $before`,
    { before },
  )

/** Whether colleagues are to be told what went since they were last, by the house's clock. */
export const digestDue = (now: Date) =>
  one(
    `select c.id
    from company c
    cross join lateral (
      values (
        (($now::timestamptz at time zone c.time_zone)::date + (c.digest ->> 'time')::time) at time zone c.time_zone
      )
    ) due (at)
    where c.digest is not null and due.at <= $now and (c.digest_until is null or c.digest_until < due.at)`,
    { now },
  )

/** Whether the email of the morning is due and was not sent today, by the house's clock. */
export const morningDue = (now: Date) =>
  one(
    `select id
    from company
    where morning ->> 'to' <> ''
      and morning_sent is distinct from ($now::timestamptz at time zone time_zone)::date
      and morning ->> 'time' <= to_char($now::timestamptz at time zone time_zone, 'HH24:MI')`,
    { now },
  )

/** Routines of the clock whose turn has come. */
export const turnsDue = (now: Date) =>
  rows<{ id: number }>('select id from routine where is_on and next_turn <= $now::timestamptz order by id', {
    now,
  })

/** Runs of statements of which something waits. */
export const statementRunsWaiting = () =>
  rows<{ id: number }>(
    'select distinct run_id id from statement_run_account where outcome is null order by 1',
  )

export const importsHalfDone = () =>
  rows<{ id: number }>(
    `select id from import where state in ('checking', 'writing') and since < now() - interval '1 minute'`,
  )

export const runsDue = () =>
  rows<{ id: number }>('select id from send_run where ended_at is null and goes_at <= now()')

export const deleteDeadWorkers = (deadAfterSeconds: number) =>
  rows<{ id: string; queueWorkers: string[] }>(
    `delete from worker
    where beat_at < now() - make_interval(secs => $deadAfterSeconds)
    returning id, queue_workers "queueWorkers"`,
    { deadAfterSeconds },
  )

export const jobsHeldBy = (queueWorkers: readonly string[]) =>
  one<{ jobs: number }>(
    'select count(*)::int jobs from graphile_worker._private_jobs where locked_by = any($queueWorkers::text[])',
    { queueWorkers },
  )

export const unlockJobs = (queueWorkers: readonly string[]) =>
  run('select graphile_worker.force_unlock_workers($queueWorkers::text[])', { queueWorkers })

/** Dispatches in a state of a claim whose worker is gone, or was too slow; locked. */
export const lockLapsed = (state: 'claimed' | 'handing over', now: Date) =>
  rows<{ id: number }>(
    `select id
    from dispatch
    where state = $state
      and (lease_until < $now or not exists (select from worker w where w.id = claimed_by))
    order by id
    for update`,
    { state, now },
  )

export const forgottenEvents = (before: Date) =>
  rows<{ id: number }>(
    'select id from event where looked_at is null and at < $before order by id limit 500',
    { before },
  )

export const staleForgotten = (before: Date) =>
  rows<{ id: number }>('select id from prepared_document where stale and since < $before limit 500', {
    before,
  })

export const automaticForgotten = (before: Date) =>
  rows<{ id: number }>(
    `select id
    from prepared_document
    where state = 'prepared' and automatic and since < $before and ${stopOf('prepared_document')} is null
    order by order_date, id
    limit 500`,
    { before },
  )

export const unpaintedForgotten = (before: Date) =>
  rows<{ id: number }>(
    `select u.document_id id
    from unpainted u
    join document d on d.id = u.document_id
    where d.issued_at < $before
    limit 500`,
    { before },
  )

export const dispatchesForgotten = (before: Date) =>
  rows<{ id: number }>(
    `select id
    from dispatch
    where state = 'waiting'
      and ${byWorker('channel')}
      and ready
      and not held
      and gather_key is null
      and next_try_at < $before
    order by next_try_at
    limit 1000`,
    { before },
  )

/** What waits for PDFs that are all there is ready. */
export const markReadyForgotten = (before: Date) =>
  run(
    `update dispatch s
    set ready = true
    where s.state = 'waiting' and not s.ready and s.created_at < $before
      and not exists (
        select
        from dispatch_document dd
        left join document_file f on f.document_id = dd.document_id
        where dd.dispatch_id = s.id and f.document_id is null
      )`,
    { before },
  )

export const rehearsalsForgotten = (before: Date) =>
  rows<{ id: number }>(
    `select id
    from rehearsal
    where sent_at is null and given_up is null and made_at < $before
    order by id
    limit 200`,
    { before },
  )

export const labelsForgotten = (before: Date) =>
  rows<{ id: number }>(
    `select id
    from label
    where state in ('asked', 'unclear', 'cancelling') and next_try_at < $before
    order by next_try_at
    limit 200`,
    { before },
  )

/** Carriers that are to be asked again what they carry. One of kind http has it written down in Settings. */
export const carriersToRenew = (now: Date) =>
  rows<{ id: number }>(
    `select id
    from carrier
    where kind = 'simulated' and ask_services_at <= $now
    order by id`,
    { now },
  )

export const lockLapsedBookings = (now: Date) =>
  rows<{ id: number; sourceId: number; parcel: number }>(
    `select id, source_id "sourceId", parcel
    from label
    where state = 'booking' and claimed_until < $now
    order by id
    for update skip locked`,
    { now },
  )

/** Shipments and returns with labels that are bought and wait for nothing, and of which no document is prepared. */
export const labelsUnprepared = (before: Date) =>
  rows<{ id: number }>(
    `select distinct l.source_id id
    from label l
    join consignment s on s.id = l.source_id and s.stands
    where l.state = 'made' and l.document_id is null
      -- what nobody wants a document of is not looked at for good
      and l.made_at between $before::timestamptz - interval '1 hour' and $before
      and not exists (
        select from label o
        where o.source_id = l.source_id
          and (o.state = 'booking' or (o.state in ('asked', 'unclear') and o.tries = 0))
      )
      and not exists (
        select from prepared_document p
        where p.source_id = l.source_id and p.kind in ('shipping label', 'return note')
          and (p.state in ('due', 'prepared', 'put back') or p.state = 'dropped' and p.since > l.made_at)
      )
    limit 100`,
    { before },
  )

/** Some label of a return is bought that is not wanted any more: its last day is over, or it is not expected. */
export const returnLabelsEnded = (now: Date) =>
  one<{ some: boolean }>(
    `select exists (
      select from label l
      join goods_return r on r.id = l.source_id
      where l.state = 'made' and l.way = 'announced' and l.asked ->> 'isReturn' = 'true'
        and (r.state <> 'expected' or r.until < ($now at time zone (select time_zone from company))::date)
        and (l.reply = '' or l.next_try_at < $now::timestamptz - interval '1 day')
    ) some`,
    { now },
  )

export const parcelsToAskAbout = (before: Date) =>
  rows<{ id: number }>(
    `select id
    from label
    where ask_way_at < $before and state = 'made'
    order by carrier_id, ask_way_at
    limit 500`,
    { before },
  )
