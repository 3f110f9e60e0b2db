import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { Day } from '../../../core/documents/days'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { Language } from '../../../core/money/format'
import { Brand } from './brand'
import { Customer } from './customer'
import { CustomerGroup } from './customer-group'
import { StoredFile } from './file'
import { Item } from './item'
import { PreparedDocument } from './prepared-document'
import { Source } from './source'

/** Files that go along with documents. What a condition leaves open holds for all. */
export class Enclosure extends Model<InferAttributes<Enclosure>, InferCreationAttributes<Enclosure>> {
  declare id: CreationOptional<number>
  /** What the receiver sees, with its ending. */
  declare name: string
  declare sha256: string
  /** Kinds of document; all of them where there is none. */
  declare kinds: CreationOptional<DocumentKind[]>
  declare brandId: CreationOptional<number | null>
  declare groupId: CreationOptional<number | null>
  declare customerId: CreationOptional<number | null>
  declare sourceId: CreationOptional<number | null>
  /** Added for one sending of this document. */
  declare preparedId: CreationOptional<number | null>
  declare language: CreationOptional<Language | null>
  /** By the day on which it leaves. */
  declare fromDay: CreationOptional<Day | null>
  declare untilDay: CreationOptional<Day | null>
  /** False: kept, and it never leaves. */
  declare goes: CreationOptional<boolean>
  declare addedBy: string
  declare addedAt: Date
  declare version: CreationOptional<number>
  /** It goes along with what bills this item. */
  declare itemId: CreationOptional<number | null>
  /** So often each receiver may have it, by a link. */
  declare mostDownloads: CreationOptional<number | null>
  /** So many days its link is good. */
  declare goodDays: CreationOptional<number | null>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        name: { type: DataTypes.TEXT, allowNull: false },
        sha256: { type: DataTypes.TEXT, allowNull: false },
        kinds: { type: DataTypes.JSONB, allowNull: false, defaultValue: [] },
        brandId: { type: DataTypes.INTEGER },
        groupId: { type: DataTypes.INTEGER },
        customerId: { type: DataTypes.INTEGER },
        sourceId: { type: DataTypes.INTEGER },
        preparedId: { type: DataTypes.INTEGER },
        language: { type: DataTypes.TEXT },
        fromDay: { type: DataTypes.DATEONLY },
        untilDay: { type: DataTypes.DATEONLY },
        goes: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: true },
        addedBy: { type: DataTypes.TEXT, allowNull: false },
        addedAt: { type: DataTypes.DATE, allowNull: false },
        version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
        itemId: { type: DataTypes.INTEGER },
        mostDownloads: { type: DataTypes.INTEGER },
        goodDays: { type: DataTypes.INTEGER },
      },
      { sequelize, tableName: 'enclosure' },
    )
  }

  static associate(): void {
    this.belongsTo(StoredFile, { as: 'file', foreignKey: 'sha256' })
    this.belongsTo(Item, { as: 'item', foreignKey: 'itemId' })
    this.belongsTo(Brand, { as: 'brand', foreignKey: 'brandId' })
    this.belongsTo(CustomerGroup, { as: 'group', foreignKey: 'groupId' })
    this.belongsTo(Customer, { as: 'customer', foreignKey: 'customerId' })
    this.belongsTo(Source, { as: 'source', foreignKey: 'sourceId' })
    this.belongsTo(PreparedDocument, { as: 'preparedDocument', foreignKey: 'preparedId' })
  }
}
