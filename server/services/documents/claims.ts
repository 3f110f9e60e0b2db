import { clock } from '../../clock'
import { run } from '../../db/connection'

/*
 * "Once": a claim stands while a document of a source, kind and occasion is prepared or issued.
 * Called by preparing, voiding and crediting, in their transactions.
 */

/** Voiding or wholly crediting a document sets its source free for another one. */
export async function releaseClaim(documentId: number): Promise<void> {
  await run(
    `delete from claim c using document d
    where d.id = $1
      and c.document_id = d.id
      and c.prepared_id = d.prepared_id
      and (
        exists (select from document_void v where v.document_id = d.id)
          or d.total <= coalesce(
            (
              select sum(k.total)
              from document k
              where k.credits_id = d.id
                and not exists (select from document_void v where v.document_id = k.id)
            ),
            0
          )
      )`,
    [documentId],
  )
}

/** A document that stands again takes its claim again, where no other took it meanwhile. */
export async function claimAgain(documentId: number): Promise<void> {
  await run(
    `insert into claim (source_id, document_kind, occasion, prepared_id, document_id, taken_at)
    select p.source_id, p.kind, p.occasion, p.id, d.id, $2
    from document d
    join prepared_document p on p.id = d.prepared_id
    where d.id = $1
    on conflict do nothing`,
    [documentId, clock.now()],
  )
}
