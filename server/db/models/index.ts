import type { Model, ModelStatic, Sequelize } from 'sequelize'
import { Account } from './account'
import { Allocation } from './allocation'
import { ApiCall } from './api-call'
import { ApiToken } from './api-token'
import { BankEntry } from './bank-entry'
import { BankFile } from './bank-file'
import { Draft } from './draft'
import { BookedInterest } from './booked-interest'
import { Branch } from './branch'
import { Brand } from './brand'
import { Carrier } from './carrier'
import { Claim } from './claim'
import { Company } from './company'
import { Contact } from './contact'
import { EmailTextVersion } from './email-text'
import { Customer } from './customer'
import { CustomerAddress } from './customer-address'
import { CustomerGroup } from './customer-group'
import { Dispatch } from './dispatch'
import { DispatchDocument } from './dispatch-document'
import { DispatchRecipient } from './dispatch-recipient'
import { IssuedDocument } from './document'
import { DocumentFile } from './document-file'
import { DocumentVoid } from './document-void'
import { Enclosure } from './enclosure'
import { Evaluation } from './evaluation'
import { HouseEvent } from './event'
import { ExchangeRate } from './exchange-rate'
import { FollowedOffer } from './followed-offer'
import { StoredFile } from './file'
import { EmailOpen } from './email-open'
import { SignedLink } from './signed-link'
import { GoodsReturn } from './goods-return'
import { ImportFile } from './import'
import { ImportRow } from './import-row'
import { Item } from './item'
import { ItemCustomerCode } from './item-customer-code'
import { ItemPrice } from './item-price'
import { Label } from './label'
import { MailAccount } from './mail-account'
import { MailCopy } from './mail-copy'
import { MailSlot } from './mail-slot'
import { NumberSeries } from './number-series'
import { NumberSkip } from './number-skip'
import { OneTimeCode } from './one-time-code'
import { OpenItem } from './open-item'
import { OrderLine } from './order-line'
import { OwnField } from './own-field'
import { Parcel } from './parcel'
import { PreparedDocument } from './prepared-document'
import { Payment } from './payment'
import { PeriodClose } from './period-close'
import { RateLimit } from './rate-limit'
import { RecoveryCode } from './recovery-code'
import { Rehearsal } from './rehearsal'
import { Reminder } from './reminder'
import { ReturnCredit } from './return-credit'
import { ReturnLine } from './return-line'
import { Routine } from './routine'
import { RoutineTurn } from './routine-turn'
import { RoutineVersion } from './routine-version'
import { SalesOrder } from './sales-order'
import { Source } from './source'
import { Sender } from './sender'
import { SendRun } from './send-run'
import { SendRunDocument } from './send-run-document'
import { SavedFilter } from './saved-filter'
import { SeriesCounter } from './series-counter'
import { Session } from './session'
import { Shipment } from './shipment'
import { ShipmentLine } from './shipment-line'
import { Staff } from './staff'
import { StaffBrand } from './staff-brand'
import { StandingText } from './standing-text'
import { Variant } from './variant'
import { DesignVersion } from './design'
import { StatementRun } from './statement-run'
import { StatementRunAccount } from './statement-run-account'
import { TaxCode } from './tax-code'
import { TaxRate } from './tax-rate'
import { History } from './history'
import { Undelivered } from './undelivered'
import { Unpainted } from './unpainted'
import { Worker } from './worker'

export {
  Account,
  Allocation,
  ApiCall,
  ApiToken,
  BankEntry,
  BankFile,
  BookedInterest,
  SavedFilter,
  Draft,
  Branch,
  Brand,
  Carrier,
  Claim,
  Company,
  Contact,
  EmailTextVersion,
  Customer,
  CustomerAddress,
  CustomerGroup,
  Dispatch,
  EmailOpen,
  FollowedOffer,
  SignedLink,
  DispatchDocument,
  DispatchRecipient,
  IssuedDocument,
  DocumentFile,
  DocumentVoid,
  Enclosure,
  Evaluation,
  HouseEvent,
  ExchangeRate,
  StoredFile,
  ImportFile,
  ImportRow,
  Item,
  ItemCustomerCode,
  ItemPrice,
  GoodsReturn,
  ReturnCredit,
  ReturnLine,
  Label,
  MailAccount,
  MailCopy,
  MailSlot,
  NumberSeries,
  NumberSkip,
  OneTimeCode,
  OpenItem,
  OrderLine,
  OwnField,
  Parcel,
  PreparedDocument,
  Payment,
  PeriodClose,
  RateLimit,
  RecoveryCode,
  Rehearsal,
  Routine,
  RoutineVersion,
  RoutineTurn,
  SalesOrder,
  Sender,
  SendRun,
  SendRunDocument,
  SeriesCounter,
  Source,
  Session,
  Shipment,
  ShipmentLine,
  Staff,
  StaffBrand,
  StandingText,
  Variant,
  StatementRun,
  StatementRunAccount,
  Reminder,
  DesignVersion,
  TaxCode,
  TaxRate,
  History,
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
  RecoveryCode,
  Company,
  TaxCode,
  TaxRate,
  ExchangeRate,
  Item,
  ItemCustomerCode,
  ItemPrice,
  Branch,
  Brand,
  StaffBrand,
  StandingText,
  Variant,
  DesignVersion,
  EmailTextVersion,
  NumberSeries,
  SeriesCounter,
  NumberSkip,
  PeriodClose,
  Customer,
  CustomerAddress,
  CustomerGroup,
  Contact,
  Source,
  SalesOrder,
  OrderLine,
  Shipment,
  ShipmentLine,
  Parcel,
  GoodsReturn,
  ReturnLine,
  ReturnCredit,
  Carrier,
  Label,
  OwnField,
  Routine,
  RoutineVersion,
  RoutineTurn,
  HouseEvent,
  Enclosure,
  Evaluation,
  StoredFile,
  Draft,
  PreparedDocument,
  IssuedDocument,
  Claim,
  DocumentFile,
  DocumentVoid,
  Unpainted,
  Undelivered,
  Sender,
  SendRun,
  SendRunDocument,
  Rehearsal,
  Dispatch,
  EmailOpen,
  FollowedOffer,
  SignedLink,
  DispatchDocument,
  DispatchRecipient,
  MailAccount,
  MailSlot,
  MailCopy,
  ImportFile,
  ImportRow,
  Payment,
  OneTimeCode,
  OpenItem,
  Allocation,
  Account,
  StatementRun,
  StatementRunAccount,
  Reminder,
  BookedInterest,
  SavedFilter,
  BankFile,
  BankEntry,
  History,
  Worker,
]

/** Binds the models to the connection, with their associations. */
export function startModels(sequelize: Sequelize): void {
  for (const model of models) model.start(sequelize)
  for (const model of models) model.associate?.()
}
