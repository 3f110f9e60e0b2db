import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { Account } from './account'
import { PreparedDocument } from './prepared-document'
import { StatementRun } from './statement-run'
import type { Told } from '../../../core/said/told'

export type StatementOutcome = 'prepared' | 'already' | 'nothing' | 'refused' | 'stopped'

/** What came of one account of a run; null while it waits. */
export class StatementRunAccount extends Model<
  InferAttributes<StatementRunAccount>,
  InferCreationAttributes<StatementRunAccount>
> {
  declare runId: number
  declare accountId: number
  declare outcome: StatementOutcome | null
  declare reason: Told | null
  declare preparedId: number | null

  static start(sequelize: Sequelize): void {
    this.init(
      {
        runId: { type: DataTypes.INTEGER, primaryKey: true },
        accountId: { type: DataTypes.INTEGER, primaryKey: true },
        outcome: { type: DataTypes.TEXT },
        reason: { type: DataTypes.JSONB },
        preparedId: { type: DataTypes.INTEGER },
      },
      { sequelize, tableName: 'statement_run_account' },
    )
  }

  static associate(): void {
    this.belongsTo(StatementRun, { as: 'run', foreignKey: 'runId' })
    this.belongsTo(Account, { as: 'account', foreignKey: 'accountId' })
    this.belongsTo(PreparedDocument, { as: 'prepared', foreignKey: 'preparedId' })
  }
}
