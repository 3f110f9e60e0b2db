import { run, one, rows } from '../../db/connection'

/* The statements of create.ts. */

export const deleteUndelivered = (documentIds: readonly number[]) =>
  run('delete from undelivered where document_id = any($documentIds::int[])', { documentIds })

export const gatheringFor = (gatherKey: string) =>
  one<{ id: number }>(
    `select id from dispatch where gather_key = $gatherKey and state = 'waiting' for update`,
    { gatherKey },
  )

export const notReady = (dispatchId: number) =>
  run('update dispatch set ready = false where id = $dispatchId', { dispatchId })

export const nameGathered = (dispatchId: number) =>
  run(
    `update dispatch s
    set total = c.total,
      number = c.first || case when c.documents > 1 then ' +' || (c.documents - 1) else '' end
    from (
      select sum(d.total) total, count(*) documents, (array_agg(d.number order by d.id))[1] first
      from dispatch_document dd
      join document d on d.id = dd.document_id
      where dd.dispatch_id = $dispatchId
    ) c
    where s.id = $dispatchId and c.documents > 0`,
    { dispatchId },
  )

export const closeGatheringOf = (gatherAs: string) =>
  rows<{ id: number; ready: boolean; notBefore: Date }>(
    `update dispatch set gather_key = null where gather_key like $gatherAs || ' %'
    returning id, ready, not_before "notBefore"`,
    { gatherAs },
  )

export const otherDocumentIn = (dispatchId: number, documentId: number) =>
  one(
    'select document_id from dispatch_document where dispatch_id = $dispatchId and document_id <> $documentId limit 1',
    { dispatchId, documentId },
  )

export const takeDocumentOut = (dispatchId: number, documentId: number) =>
  run('delete from dispatch_document where dispatch_id = $dispatchId and document_id = $documentId', {
    dispatchId,
    documentId,
  })

export const readyIfPainted = (dispatchId: number) =>
  one<{ channel: string }>(
    `update dispatch
    set ready = true
    where id = $dispatchId
      and not ready
      and not exists (
        select
        from dispatch_document dd
        join unpainted u on u.document_id = dd.document_id
        where dd.dispatch_id = dispatch.id
      )
    returning channel`,
    { dispatchId },
  )
