import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { AnswersTo } from '../../../core/dispatch/sender'
import type { DocumentKind } from '../../../core/documents/kinds'
import { Brand } from './brand'

/** Who emails of a kind, or those that a routine makes, come from, where that is not their brand itself. */
export class Sender extends Model<InferAttributes<Sender>, InferCreationAttributes<Sender>> {
  declare id: CreationOptional<number>
  declare brandId: number
  /** One of kind and routine is named. */
  declare kind: DocumentKind | null
  declare routineId: number | null
  /** Empty for the brand's. */
  declare name: CreationOptional<string>
  /** The person who works is named before it. */
  declare namesPerson: CreationOptional<boolean>
  declare address: CreationOptional<string>
  declare answersTo: AnswersTo
  declare replyTo: CreationOptional<string>
  declare mailAccountId: number | null
  declare version: CreationOptional<number>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        brandId: { type: DataTypes.INTEGER, allowNull: false },
        kind: { type: DataTypes.TEXT },
        routineId: { type: DataTypes.INTEGER },
        name: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        namesPerson: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        address: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        answersTo: { type: DataTypes.TEXT, allowNull: false },
        replyTo: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        mailAccountId: { type: DataTypes.INTEGER },
        version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
      },
      { sequelize, tableName: 'sender' },
    )
  }

  static associate(): void {
    this.belongsTo(Brand, { as: 'brand', foreignKey: 'brandId' })
  }
}
