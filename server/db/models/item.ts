import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { Language } from '../../../core/money/format'

/** What is sold, with names by language. */
export class Item extends Model<InferAttributes<Item>, InferCreationAttributes<Item>> {
  declare id: CreationOptional<number>
  declare code: string
  declare names: Partial<Record<Language, string>>
  declare unit: CreationOptional<string>
  declare price: string
  declare taxCode: string

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        code: { type: DataTypes.TEXT, allowNull: false },
        names: { type: DataTypes.JSONB, allowNull: false },
        unit: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        price: { type: DataTypes.DECIMAL(14, 4), allowNull: false },
        taxCode: { type: DataTypes.TEXT, allowNull: false },
      },
      { sequelize, tableName: 'item' },
    )
  }
}
