import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { FieldKind, FieldSubject } from '../../../core/fields/own-fields'
import type { Language } from '../../../core/money/format'

/** A field of the house's own that orders, lines, items or customers have. */
export class OwnField extends Model<InferAttributes<OwnField>, InferCreationAttributes<OwnField>> {
  declare id: CreationOptional<number>
  declare of: FieldSubject
  declare name: string
  declare kind: FieldKind
  declare choices: CreationOptional<string[]>
  /** How documents call it, by language; its name where there is none. */
  declare labels: CreationOptional<Partial<Record<Language, string>>>
  declare printed: CreationOptional<boolean>
  declare position: number
  declare version: CreationOptional<number>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        of: { type: DataTypes.TEXT, allowNull: false },
        name: { type: DataTypes.TEXT, allowNull: false },
        kind: { type: DataTypes.TEXT, allowNull: false },
        choices: { type: DataTypes.JSONB, allowNull: false, defaultValue: [] },
        labels: { type: DataTypes.JSONB, allowNull: false, defaultValue: {} },
        printed: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        position: { type: DataTypes.INTEGER, allowNull: false },
        version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
      },
      { sequelize, tableName: 'own_field' },
    )
  }
}
