import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { PaymentMethod } from '../../../core/documents/facts'
import { Staff } from './staff'

/** A Send: many documents issued and put on their way at once. */
export class SendRun extends Model<InferAttributes<SendRun>, InferCreationAttributes<SendRun>> {
  declare id: CreationOptional<number>
  /** The idempotency key of the request. */
  declare key: string
  declare startedBy: string
  declare startedById: number
  declare startedAt: Date
  declare endedAt: Date | null
  /** Looked at between batches. */
  declare stopAsked: CreationOptional<boolean>
  /** Until then it can be taken back whole. */
  declare goesAt: Date
  declare takenBackBy: string | null
  declare stoppedBy: string | null
  declare postOnly: CreationOptional<boolean>
  declare paidBy: PaymentMethod | null
  declare despite: CreationOptional<boolean>
  declare withoutAddress: CreationOptional<boolean>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        key: { type: DataTypes.TEXT, allowNull: false },
        startedBy: { type: DataTypes.TEXT, allowNull: false },
        startedById: { type: DataTypes.INTEGER, allowNull: false },
        startedAt: { type: DataTypes.DATE, allowNull: false },
        endedAt: { type: DataTypes.DATE },
        stopAsked: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        goesAt: { type: DataTypes.DATE, allowNull: false },
        takenBackBy: { type: DataTypes.TEXT },
        stoppedBy: { type: DataTypes.TEXT },
        postOnly: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        paidBy: { type: DataTypes.TEXT },
        despite: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        withoutAddress: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
      },
      { sequelize, tableName: 'send_run' },
    )
  }

  static associate(): void {
    this.belongsTo(Staff, { as: 'starter', foreignKey: 'startedById' })
  }
}
