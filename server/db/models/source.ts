import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { SourceKind } from '../../../core/documents/sources'
import { Brand } from './brand'
import { Customer } from './customer'

/**
 * What documents are made of: one row for each order, shipment, draft and payment, with the same id as its own. The
 * database writes and keeps it when the other is written.
 */
export class Source extends Model<InferAttributes<Source>, InferCreationAttributes<Source>> {
  declare id: CreationOptional<number>
  declare kind: SourceKind
  declare customerId: number
  declare brandId: number
  /** What a person calls it: its number, or its kind and id. */
  declare label: string
  /** The source that it is a part of: the order of a draft. */
  declare partOf: number | null
  /** What its documents hang on: the whole that it is a part of, or itself. */
  declare rootId: CreationOptional<number>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        kind: { type: DataTypes.TEXT, allowNull: false },
        customerId: { type: DataTypes.INTEGER, allowNull: false },
        brandId: { type: DataTypes.INTEGER, allowNull: false },
        label: { type: DataTypes.TEXT, allowNull: false },
        partOf: { type: DataTypes.INTEGER },
        rootId: { type: DataTypes.INTEGER, allowNull: false },
      },
      { sequelize, tableName: 'source' },
    )
  }

  static associate(): void {
    this.belongsTo(Customer, { as: 'customer', foreignKey: 'customerId' })
    this.belongsTo(Brand, { as: 'brand', foreignKey: 'brandId' })
    this.belongsTo(Source, { as: 'whole', foreignKey: 'partOf' })
  }
}
