import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { RoutineSentence } from '../../../core/routines/sentence'

/** A sentence that makes documents when something happens. */
export class Routine extends Model<InferAttributes<Routine>, InferCreationAttributes<Routine>> {
  declare id: CreationOptional<number>
  declare name: string
  declare description: CreationOptional<string>
  declare isOn: CreationOptional<boolean>
  declare appliesSince: Date | null
  declare trust: 'by hand' | 'after a check' | 'automatic'
  declare version: CreationOptional<number>
  declare sentence: RoutineSentence
  declare changedAt: Date
  declare changedBy: string
  /** Of a routine of the clock that is on: when it is due. */
  declare nextTurn: CreationOptional<Date | null>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        name: { type: DataTypes.TEXT, allowNull: false },
        description: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        isOn: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        appliesSince: { type: DataTypes.DATE },
        trust: { type: DataTypes.TEXT, allowNull: false },
        version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
        sentence: { type: DataTypes.JSONB, allowNull: false },
        changedAt: { type: DataTypes.DATE, allowNull: false },
        changedBy: { type: DataTypes.TEXT, allowNull: false },
        nextTurn: { type: DataTypes.DATE },
      },
      { sequelize, tableName: 'routine' },
    )
  }
}
