import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { ItemOption } from '../../../core/items/options'
import type { Language } from '../../../core/money/format'

/** What is sold, with names by language. */
export class Item extends Model<InferAttributes<Item>, InferCreationAttributes<Item>> {
  declare id: CreationOptional<number>
  declare code: string
  declare names: Partial<Record<Language, string>>
  declare unit: CreationOptional<string>
  declare price: string
  declare taxCode: string
  declare version: CreationOptional<number>
  declare gtin: CreationOptional<string>
  /** Kilograms. */
  declare weight: string | null
  declare size: CreationOptional<string>
  declare commodityCode: CreationOptional<string>
  /** Two letters of its country (ISO 3166-1). */
  declare origin: CreationOptional<string>
  /** Where it lies. */
  declare place: CreationOptional<string>
  declare category: CreationOptional<string>
  /** By language, where the unit has another word there. */
  declare units: CreationOptional<Partial<Record<Language, string>>>
  declare fields: CreationOptional<Record<string, string>>
  /** What a buyer chooses of it. */
  declare options: CreationOptional<ItemOption[]>
  /** SHA-256 of its picture. */
  declare picture: CreationOptional<string | null>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        code: { type: DataTypes.TEXT, allowNull: false },
        names: { type: DataTypes.JSONB, allowNull: false },
        unit: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        price: { type: DataTypes.DECIMAL(14, 4), allowNull: false },
        taxCode: { type: DataTypes.TEXT, allowNull: false },
        version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
        gtin: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        weight: { type: DataTypes.DECIMAL },
        size: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        commodityCode: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        origin: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        place: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        category: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        units: { type: DataTypes.JSONB, allowNull: false, defaultValue: {} },
        fields: { type: DataTypes.JSONB, allowNull: false, defaultValue: {} },
        options: { type: DataTypes.JSONB, allowNull: false, defaultValue: [] },
        picture: { type: DataTypes.TEXT },
      },
      { sequelize, tableName: 'item' },
    )
  }
}
