import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { Routine } from './routine'

/** A turn that a routine of the clock has had. */
export class RoutineTurn extends Model<InferAttributes<RoutineTurn>, InferCreationAttributes<RoutineTurn>> {
  declare routineId: number
  /** When it was due. */
  declare at: Date
  declare takenAt: Date
  /** How many turns before it were missed and passed over. */
  declare passed: number

  static start(sequelize: Sequelize): void {
    this.init(
      {
        routineId: { type: DataTypes.INTEGER, primaryKey: true },
        at: { type: DataTypes.DATE, primaryKey: true },
        takenAt: { type: DataTypes.DATE, allowNull: false },
        passed: { type: DataTypes.INTEGER, allowNull: false },
      },
      { sequelize, tableName: 'routine_turn' },
    )
  }

  static associate(): void {
    this.belongsTo(Routine, { as: 'routine', foreignKey: 'routineId' })
  }
}
