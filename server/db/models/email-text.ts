import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { Body, Line } from '../../../core/emailtexts/nodes'
import type { EmailPurpose } from '../../../core/emailtexts/purposes'
import type { Language } from '../../../core/money/format'
import { Brand } from './brand'
import { Variant } from './variant'

/** The email text of a kind, for a purpose, in a language: a new version with every change, none is ever changed. */
export class EmailTextVersion extends Model<
  InferAttributes<EmailTextVersion>,
  InferCreationAttributes<EmailTextVersion>
> {
  declare id: CreationOptional<number>
  declare brandId: number
  declare kind: DocumentKind
  declare language: Language
  declare version: number
  declare subject: Line
  declare text: Body
  declare madeAt: Date
  declare madeBy: string
  declare purpose: CreationOptional<EmailPurpose>
  /** Null: the brand's own. */
  declare variantId: CreationOptional<number | null>
  /** From this version on the variant has none of its own. */
  declare givenUp: CreationOptional<boolean>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        brandId: { type: DataTypes.INTEGER, allowNull: false },
        kind: { type: DataTypes.TEXT, allowNull: false },
        language: { type: DataTypes.TEXT, allowNull: false },
        version: { type: DataTypes.INTEGER, allowNull: false },
        subject: { type: DataTypes.JSONB, allowNull: false },
        text: { type: DataTypes.JSONB, allowNull: false },
        madeAt: { type: DataTypes.DATE, allowNull: false },
        madeBy: { type: DataTypes.TEXT, allowNull: false },
        purpose: { type: DataTypes.TEXT, allowNull: false, defaultValue: 'first' },
        variantId: { type: DataTypes.INTEGER },
        givenUp: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
      },
      { sequelize, tableName: 'email_text' },
    )
  }

  static associate(): void {
    this.belongsTo(Brand, { as: 'brand', foreignKey: 'brandId' })
    this.belongsTo(Variant, { as: 'variant', foreignKey: 'variantId' })
  }
}
