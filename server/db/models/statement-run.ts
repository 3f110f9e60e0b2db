import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { StatementPeriod } from '../../../core/receivables/statement'

/** Statements that somebody had prepared of many accounts. */
export class StatementRun extends Model<
  InferAttributes<StatementRun>,
  InferCreationAttributes<StatementRun>
> {
  declare id: CreationOptional<number>
  declare period: StatementPeriod
  declare madeAt: Date
  declare madeBy: string
  declare stoppedAt: Date | null

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        period: { type: DataTypes.JSONB, allowNull: false },
        madeAt: { type: DataTypes.DATE, allowNull: false },
        madeBy: { type: DataTypes.TEXT, allowNull: false },
        stoppedAt: { type: DataTypes.DATE },
      },
      { sequelize, tableName: 'statement_run' },
    )
  }
}
