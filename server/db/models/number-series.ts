import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { Restart } from '../../../core/numbering/series'
import { Brand } from './brand'

/** How documents of a kind are numbered; closer ones for a country or a currency. */
export class NumberSeries extends Model<
  InferAttributes<NumberSeries>,
  InferCreationAttributes<NumberSeries>
> {
  declare id: CreationOptional<number>
  declare kind: DocumentKind
  declare brandId: number
  declare prefix: string
  declare suffix: string
  /** Digits of the counter, padded with zeros. */
  declare length: number
  declare start: number
  declare restart: Restart
  declare businessYearStart: CreationOptional<number>
  declare country: CreationOptional<string>
  declare currency: CreationOptional<string>
  /** Whether it counts itself or takes the order’s number. */
  declare source: CreationOptional<'own' | 'order'>
  declare version: CreationOptional<number>
  /** Closer ones for a branch as well. */
  declare branchId: number | null

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        kind: { type: DataTypes.TEXT, allowNull: false },
        brandId: { type: DataTypes.INTEGER, allowNull: false },
        prefix: { type: DataTypes.TEXT, allowNull: false },
        suffix: { type: DataTypes.TEXT, allowNull: false },
        length: { type: DataTypes.INTEGER, allowNull: false },
        start: { type: DataTypes.INTEGER, allowNull: false },
        restart: { type: DataTypes.TEXT, allowNull: false },
        businessYearStart: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
        country: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        currency: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        source: { type: DataTypes.TEXT, allowNull: false, defaultValue: 'own' },
        version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
        branchId: { type: DataTypes.INTEGER },
      },
      { sequelize, tableName: 'number_series' },
    )
  }

  static associate(): void {
    this.belongsTo(Brand, { as: 'brand', foreignKey: 'brandId' })
  }
}
