import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { Address } from '../../../core/documents/facts'
import { noNeeds, type Needs } from '../../../core/documents/needs'
import type { Terms } from '../../../core/documents/terms'
import type { Language } from '../../../core/money/format'
import type { AddressMail, Preferences } from '../../../core/preferences/recipients'

/** Who buys. How documents reach a customer is written in preferences. */
export class Customer extends Model<InferAttributes<Customer>, InferCreationAttributes<Customer>> {
  declare id: CreationOptional<number>
  declare number: string
  declare name: string
  declare groupName: string
  declare language: Language
  declare currency: string
  declare country: string
  declare terms: Terms
  declare taxNumber: string | null
  declare salesperson: CreationOptional<string>
  /** The postal address; none yet where it is null. */
  declare billing: Address | null
  declare preferences: CreationOptional<Preferences>
  declare version: CreationOptional<number>
  declare taxTreatment: CreationOptional<
    'domestic' | 'reverse charge' | 'intra-Community supply' | 'export' | 'exempt'
  >
  /** Null: as the brand does. */
  declare pricesIncludeTax: boolean | null
  /** The recipients that are kept at the postal address. */
  declare billingMail: CreationOptional<AddressMail>
  declare fields: CreationOptional<Record<string, string>>
  /** What an order has to say before it is invoiced. */
  declare needs: CreationOptional<Needs>
  /** What links ask for before they give anything; empty: nothing. */
  declare linkCode: CreationOptional<string>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        number: { type: DataTypes.TEXT, allowNull: false },
        name: { type: DataTypes.TEXT, allowNull: false },
        groupName: { type: DataTypes.TEXT, allowNull: false },
        language: { type: DataTypes.TEXT, allowNull: false },
        currency: { type: DataTypes.TEXT, allowNull: false },
        country: { type: DataTypes.TEXT, allowNull: false },
        terms: { type: DataTypes.JSONB, allowNull: false },
        taxNumber: { type: DataTypes.TEXT },
        salesperson: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        billing: { type: DataTypes.JSONB },
        preferences: { type: DataTypes.JSONB, allowNull: false, defaultValue: {} },
        version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
        taxTreatment: { type: DataTypes.TEXT, allowNull: false, defaultValue: 'domestic' },
        pricesIncludeTax: { type: DataTypes.BOOLEAN },
        billingMail: { type: DataTypes.JSONB, allowNull: false, defaultValue: {} },
        fields: { type: DataTypes.JSONB, allowNull: false, defaultValue: {} },
        needs: { type: DataTypes.JSONB, allowNull: false, defaultValue: noNeeds },
        linkCode: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
      },
      { sequelize, tableName: 'customer' },
    )
  }
}
