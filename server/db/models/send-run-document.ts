import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { IssuedDocument } from './document'
import { PreparedDocument } from './prepared-document'
import { SendRun } from './send-run'
import type { Told } from '../../../core/said/told'

/** What became of each document of a Send. */
export class SendRunDocument extends Model<
  InferAttributes<SendRunDocument>,
  InferCreationAttributes<SendRunDocument>
> {
  declare runId: number
  declare preparedId: number
  declare revision: number
  declare outcome: string | null
  declare reason: Told | null
  declare documentId: number | null

  static start(sequelize: Sequelize): void {
    this.init(
      {
        runId: { type: DataTypes.INTEGER, primaryKey: true },
        preparedId: { type: DataTypes.INTEGER, primaryKey: true },
        revision: { type: DataTypes.INTEGER, allowNull: false },
        outcome: { type: DataTypes.TEXT },
        reason: { type: DataTypes.JSONB },
        documentId: { type: DataTypes.INTEGER },
      },
      { sequelize, tableName: 'send_run_document' },
    )
  }

  static associate(): void {
    this.belongsTo(SendRun, { as: 'run', foreignKey: 'runId' })
    this.belongsTo(PreparedDocument, { as: 'prepared', foreignKey: 'preparedId' })
    this.belongsTo(IssuedDocument, { as: 'document', foreignKey: 'documentId' })
  }
}
