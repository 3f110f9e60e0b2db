import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { RoutineSentence, Trust } from '../../../core/routines/sentence'
import { Routine } from './routine'

/** A routine as it was after each change. */
export class RoutineVersion extends Model<
  InferAttributes<RoutineVersion>,
  InferCreationAttributes<RoutineVersion>
> {
  declare routineId: number
  declare version: number
  declare name: string
  declare isOn: boolean
  declare trust: Trust
  declare sentence: RoutineSentence
  declare madeAt: Date
  declare madeBy: string

  static start(sequelize: Sequelize): void {
    this.init(
      {
        routineId: { type: DataTypes.INTEGER, primaryKey: true },
        version: { type: DataTypes.INTEGER, primaryKey: true },
        name: { type: DataTypes.TEXT, allowNull: false },
        isOn: { type: DataTypes.BOOLEAN, allowNull: false },
        trust: { type: DataTypes.TEXT, allowNull: false },
        sentence: { type: DataTypes.JSONB, allowNull: false },
        madeAt: { type: DataTypes.DATE, allowNull: false },
        madeBy: { type: DataTypes.TEXT, allowNull: false },
      },
      { sequelize, tableName: 'routine_version' },
    )
  }

  static associate(): void {
    this.belongsTo(Routine, { as: 'routine', foreignKey: 'routineId' })
  }
}
