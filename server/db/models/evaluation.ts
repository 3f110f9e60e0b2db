import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { ConditionSeen } from '../../../core/routines/routine'
import { HouseEvent } from './event'
import { Routine } from './routine'
import { Source } from './source'
import type { Told } from '../../../core/said/told'

/** What a routine made of an event, and each condition with the value seen. */
export class Evaluation extends Model<InferAttributes<Evaluation>, InferCreationAttributes<Evaluation>> {
  declare id: CreationOptional<number>
  declare eventId: number
  declare sourceId: number | null
  declare routineId: number
  declare routineVersion: number
  declare outcome: string
  declare reason: Told | null
  declare seen: ConditionSeen[]
  declare at: Date

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        eventId: { type: DataTypes.INTEGER, allowNull: false },
        sourceId: { type: DataTypes.INTEGER },
        routineId: { type: DataTypes.INTEGER, allowNull: false },
        routineVersion: { type: DataTypes.INTEGER, allowNull: false },
        outcome: { type: DataTypes.TEXT, allowNull: false },
        reason: { type: DataTypes.JSONB },
        seen: { type: DataTypes.JSONB, allowNull: false },
        at: { type: DataTypes.DATE, allowNull: false },
      },
      { sequelize, tableName: 'evaluation' },
    )
  }

  static associate(): void {
    this.belongsTo(HouseEvent, { as: 'event', foreignKey: 'eventId' })
    this.belongsTo(Source, { as: 'source', foreignKey: 'sourceId' })
    this.belongsTo(Routine, { as: 'routine', foreignKey: 'routineId' })
  }
}
