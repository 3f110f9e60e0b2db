import { rows } from '../../db/connection'
import type { SenderView } from './senders'

/* The statements of senders.ts. */

export const senderRows = () =>
  rows<SenderView>(
    `select s.id, s.brand_id "brandId", s.kind, s.routine_id "routineId", r.name "routineName", s.name,
      s.names_person "namesPerson", s.address, s.answers_to "answersTo", s.reply_to "replyTo",
      s.mail_account_id "mailAccountId", a.name "mailAccountName", s.version
    from sender s
    left join routine r on r.id = s.routine_id
    left join mail_account a on a.id = s.mail_account_id
    order by s.routine_id is not null, s.id`,
  )

/** The columns of a sender that an email is written with, where `sender_for` is joined as "sender". */
export const senderColumns = `
  sender.name "senderName", sender.address "senderAddress", sender.reply_to "replyTo"`
