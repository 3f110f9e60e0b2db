import type { Model, ModelStatic, Sequelize } from 'sequelize'
import { Allocation } from './allocation'
import { ApiCall } from './api-call'
import { ApiToken } from './api-token'
import { BankEntry } from './bank-entry'
import { BankFile } from './bank-file'
import { Bill } from './bill'
import { Brand } from './brand'
import { Claim } from './claim'
import { Company } from './company'
import { Contact } from './contact'
import { EmailTextVersion } from './cover-note'
import { Customer } from './customer'
import { Dispatch } from './dispatch'
import { DispatchDocument } from './dispatch-document'
import { DispatchRecipient } from './dispatch-recipient'
import { IssuedDocument } from './document'
import { DocumentFile } from './document-file'
import { DocumentVoid } from './document-void'
import { Evaluation } from './evaluation'
import { HouseEvent } from './event'
import { ExchangeRate } from './exchange-rate'
import { StoredFile } from './file'
import { ImportFile } from './import'
import { ImportRow } from './import-row'
import { Item } from './item'
import { MailCopy } from './mail-copy'
import { NumberSeries } from './number-series'
import { NumberSkip } from './number-skip'
import { OpenItem } from './open-item'
import { OrderLine } from './order-line'
import { PreparedDocument } from './paper'
import { Payment } from './payment'
import { PeriodClose } from './period-close'
import { RateLimit } from './rate-limit'
import { RehearsalPaper } from './rehearsal-paper'
import { Routine } from './routine'
import { RoutineVersion } from './routine-version'
import { SalesOrder } from './sales-order'
import { Source } from './source'
import { SendRun } from './send-run'
import { SendRunPaper } from './send-run-paper'
import { SeriesCounter } from './series-counter'
import { Session } from './session'
import { Staff } from './staff'
import { DesignVersion } from './stationery'
import { TaxCode } from './tax-code'
import { TaxRate } from './tax-rate'
import { Trail } from './trail'
import { Undelivered } from './undelivered'
import { Unpainted } from './unpainted'
import { Worker } from './worker'

export {
  Allocation,
  ApiCall,
  ApiToken,
  BankEntry,
  BankFile,
  Bill,
  Brand,
  Claim,
  Company,
  Contact,
  EmailTextVersion,
  Customer,
  Dispatch,
  DispatchDocument,
  DispatchRecipient,
  IssuedDocument,
  DocumentFile,
  DocumentVoid,
  Evaluation,
  HouseEvent,
  ExchangeRate,
  StoredFile,
  ImportFile,
  ImportRow,
  Item,
  MailCopy,
  NumberSeries,
  NumberSkip,
  OpenItem,
  OrderLine,
  PreparedDocument,
  Payment,
  PeriodClose,
  RateLimit,
  RehearsalPaper,
  Routine,
  RoutineVersion,
  SalesOrder,
  SendRun,
  SendRunPaper,
  SeriesCounter,
  Source,
  Session,
  Staff,
  DesignVersion,
  TaxCode,
  TaxRate,
  Trail,
  Undelivered,
  Unpainted,
  Worker,
}

interface HouseModel extends ModelStatic<Model> {
  start: (sequelize: Sequelize) => void
  associate?: () => void
}

/** Every table of the house, in the order of schema.sql. */
export const models: readonly HouseModel[] = [
  Staff,
  Session,
  ApiToken,
  ApiCall,
  RateLimit,
  Company,
  TaxCode,
  TaxRate,
  ExchangeRate,
  Item,
  Brand,
  DesignVersion,
  EmailTextVersion,
  NumberSeries,
  SeriesCounter,
  NumberSkip,
  PeriodClose,
  Customer,
  Contact,
  Source,
  SalesOrder,
  OrderLine,
  Routine,
  RoutineVersion,
  HouseEvent,
  Evaluation,
  StoredFile,
  Bill,
  PreparedDocument,
  IssuedDocument,
  Claim,
  DocumentFile,
  DocumentVoid,
  Unpainted,
  Undelivered,
  SendRun,
  SendRunPaper,
  RehearsalPaper,
  Dispatch,
  DispatchDocument,
  DispatchRecipient,
  MailCopy,
  ImportFile,
  ImportRow,
  Payment,
  OpenItem,
  Allocation,
  BankFile,
  BankEntry,
  Trail,
  Worker,
]

/** Binds the models to the connection, with their associations. */
export function startModels(sequelize: Sequelize): void {
  for (const model of models) model.start(sequelize)
  for (const model of models) model.associate?.()
}
