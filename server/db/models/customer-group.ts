import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { Terms } from '../../../core/documents/terms'
import type { TaxTreatment } from '../../../core/documents/treatment'
import type { Language } from '../../../core/money/format'
import type { Preferences } from '../../../core/preferences/recipients'

/** What customers have in common: what a new one is given, and how documents reach those that say nothing else. */
export class CustomerGroup extends Model<
  InferAttributes<CustomerGroup>,
  InferCreationAttributes<CustomerGroup>
> {
  declare id: CreationOptional<number>
  declare name: string
  declare language: Language | null
  declare currency: string | null
  declare terms: Terms | null
  declare taxTreatment: TaxTreatment | null
  declare pricesIncludeTax: boolean | null
  declare preferences: CreationOptional<Preferences>
  declare version: CreationOptional<number>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        name: { type: DataTypes.TEXT, allowNull: false },
        language: { type: DataTypes.TEXT },
        currency: { type: DataTypes.TEXT },
        terms: { type: DataTypes.JSONB },
        taxTreatment: { type: DataTypes.TEXT },
        pricesIncludeTax: { type: DataTypes.BOOLEAN },
        preferences: { type: DataTypes.JSONB, allowNull: false, defaultValue: {} },
        version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
      },
      { sequelize, tableName: 'customer_group' },
    )
  }
}
