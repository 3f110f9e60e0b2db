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
import type { TextAudience, TextPlace } from '../../../core/documents/standing-texts'
import type { Language } from '../../../core/money/format'
import { Brand } from './brand'

/** Texts of the house that stand on documents: terms, a footer, a remark for one kind. */
export class StandingText extends Model<
  InferAttributes<StandingText>,
  InferCreationAttributes<StandingText>
> {
  declare id: CreationOptional<number>
  declare name: string
  /** Kinds of document it stands on; all of them where there is none. */
  declare kinds: CreationOptional<DocumentKind[]>
  /** Null: on those of all brands. */
  declare brandId: number | null
  /** Business: those with a VAT number. */
  declare customers: CreationOptional<TextAudience>
  declare place: TextPlace
  declare texts: Partial<Record<Language, string>>
  declare fromDay: Day | null
  declare untilDay: Day | null
  declare version: CreationOptional<number>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        name: { type: DataTypes.TEXT, allowNull: false },
        kinds: { type: DataTypes.JSONB, allowNull: false, defaultValue: [] },
        brandId: { type: DataTypes.INTEGER },
        customers: { type: DataTypes.TEXT, allowNull: false, defaultValue: 'all' },
        place: { type: DataTypes.TEXT, allowNull: false },
        texts: { type: DataTypes.JSONB, allowNull: false },
        fromDay: { type: DataTypes.DATEONLY },
        untilDay: { type: DataTypes.DATEONLY },
        version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
      },
      { sequelize, tableName: 'standing_text' },
    )
  }

  static associate(): void {
    this.belongsTo(Brand, { as: 'brand', foreignKey: 'brandId' })
  }
}
