import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { Language } from '../../../core/money/format'

/** Tax codes with their words; their rates over time are beside. */
export class TaxCode extends Model<InferAttributes<TaxCode>, InferCreationAttributes<TaxCode>> {
  declare code: string
  declare position: CreationOptional<number>
  declare category: 'S' | 'Z' | 'E' | 'O'
  declare names: Partial<Record<Language, string>>
  declare reasons: CreationOptional<Partial<Record<Language, string>>>
  declare version: CreationOptional<number>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        code: { type: DataTypes.TEXT, primaryKey: true },
        position: { type: DataTypes.INTEGER, autoIncrementIdentity: true, allowNull: false },
        category: { type: DataTypes.TEXT, allowNull: false },
        names: { type: DataTypes.JSONB, allowNull: false },
        reasons: { type: DataTypes.JSONB, allowNull: false, defaultValue: {} },
        version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
      },
      { sequelize, tableName: 'tax_code' },
    )
  }
}
