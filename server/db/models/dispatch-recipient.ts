import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { Told } from '../../../core/said/told'
import { Dispatch } from './dispatch'

/** Each recipient with what the mail server said. */
export class DispatchRecipient extends Model<
  InferAttributes<DispatchRecipient>,
  InferCreationAttributes<DispatchRecipient>
> {
  declare dispatchId: number
  declare address: string
  declare name: string
  /** To, cc or bcc. */
  declare placed: string
  /** Why it is written to them, as it was said; null where nobody knows. */
  declare source: Told | null
  declare outcome: string
  declare reply: CreationOptional<string>
  declare at: Date

  static start(sequelize: Sequelize): void {
    this.init(
      {
        dispatchId: { type: DataTypes.INTEGER, primaryKey: true },
        address: { type: DataTypes.TEXT, primaryKey: true },
        name: { type: DataTypes.TEXT, allowNull: false },
        placed: { type: DataTypes.TEXT, allowNull: false },
        source: { type: DataTypes.JSONB },
        outcome: { type: DataTypes.TEXT, allowNull: false },
        reply: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        at: { type: DataTypes.DATE, allowNull: false },
      },
      { sequelize, tableName: 'dispatch_recipient' },
    )
  }

  static associate(): void {
    this.belongsTo(Dispatch, { as: 'dispatch', foreignKey: 'dispatchId' })
  }
}
