import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { AskedOfCarrier, GoesOn, LabelFailure, LabelState } from '../../../core/shipping/labels'
import type { ParcelWay } from '../../../core/shipping/tracking'
import { Carrier } from './carrier'
import { IssuedDocument } from './document'
import { Parcel } from './parcel'
import { Source } from './source'
import type { Told } from '../../../core/said/told'

/** A label as it is bought of a carrier: at most one that stands for each parcel. */
export class Label extends Model<InferAttributes<Label>, InferCreationAttributes<Label>> {
  declare id: CreationOptional<number>
  declare sourceId: number
  /** Null once the parcel is packed otherwise. */
  declare parcelId: number | null
  /** Which parcel of how many it was. */
  declare parcel: number
  declare parcels: number
  declare carrierId: number
  declare service: string
  declare serviceName: string
  /** Where the service was said. */
  declare serviceSource: Told
  /** What the carrier finds it by; written down before it is asked. */
  declare key: string
  declare state: CreationOptional<LabelState>
  declare asked: AskedOfCarrier
  declare goesOn: GoesOn
  declare askedAt: Date
  declare askedBy: string
  declare claim: CreationOptional<string | null>
  declare claimedUntil: CreationOptional<Date | null>
  declare tries: CreationOptional<number>
  declare nextTryAt: Date
  declare failure: CreationOptional<LabelFailure | null>
  /** What the carrier said to it. */
  declare reply: CreationOptional<string>
  declare price: CreationOptional<string | null>
  declare currency: CreationOptional<string | null>
  declare tracking: CreationOptional<string>
  declare trackingUrl: CreationOptional<string>
  declare barcode: CreationOptional<string>
  declare sscc: CreationOptional<string>
  /** The carrier's own label, by its SHA-256. */
  declare file: CreationOptional<string | null>
  declare madeAt: CreationOptional<Date | null>
  declare way: CreationOptional<ParcelWay | null>
  declare wayAt: CreationOptional<Date | null>
  /** When the carrier is asked next how far it is; null once it is there. */
  declare askWayAt: CreationOptional<Date | null>
  /** A person was told that it could not be bought. */
  declare noticed: CreationOptional<boolean>
  /** The document that it is printed on. */
  declare documentId: CreationOptional<number | null>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        sourceId: { type: DataTypes.INTEGER, allowNull: false },
        parcelId: { type: DataTypes.INTEGER },
        parcel: { type: DataTypes.INTEGER, allowNull: false },
        parcels: { type: DataTypes.INTEGER, allowNull: false },
        carrierId: { type: DataTypes.INTEGER, allowNull: false },
        service: { type: DataTypes.TEXT, allowNull: false },
        serviceName: { type: DataTypes.TEXT, allowNull: false },
        serviceSource: { type: DataTypes.JSONB, allowNull: false },
        key: { type: DataTypes.UUID, allowNull: false },
        state: { type: DataTypes.TEXT, allowNull: false, defaultValue: 'asked' },
        asked: { type: DataTypes.JSONB, allowNull: false },
        goesOn: { type: DataTypes.JSONB, allowNull: false },
        askedAt: { type: DataTypes.DATE, allowNull: false },
        askedBy: { type: DataTypes.TEXT, allowNull: false },
        claim: { type: DataTypes.UUID },
        claimedUntil: { type: DataTypes.DATE },
        tries: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
        nextTryAt: { type: DataTypes.DATE, allowNull: false },
        failure: { type: DataTypes.TEXT },
        reply: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        price: { type: DataTypes.DECIMAL },
        currency: { type: DataTypes.TEXT },
        tracking: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        trackingUrl: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        barcode: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        sscc: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        file: { type: DataTypes.TEXT },
        madeAt: { type: DataTypes.DATE },
        way: { type: DataTypes.TEXT },
        wayAt: { type: DataTypes.DATE },
        askWayAt: { type: DataTypes.DATE },
        noticed: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        documentId: { type: DataTypes.INTEGER },
      },
      { sequelize, tableName: 'label' },
    )
  }

  static associate(): void {
    this.belongsTo(Source, { as: 'source', foreignKey: 'sourceId' })
    this.belongsTo(Parcel, { as: 'packed', foreignKey: 'parcelId' })
    this.belongsTo(Carrier, { as: 'carrier', foreignKey: 'carrierId' })
    this.belongsTo(IssuedDocument, { as: 'document', foreignKey: 'documentId' })
  }
}
