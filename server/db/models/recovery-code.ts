import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { Staff } from './staff'

/** Codes that stand for a second factor once each, for a lost phone. Only their hash is kept. */
export class RecoveryCode extends Model<
  InferAttributes<RecoveryCode>,
  InferCreationAttributes<RecoveryCode>
> {
  declare staffId: number
  declare hash: string
  declare usedAt: Date | null

  static start(sequelize: Sequelize): void {
    this.init(
      {
        staffId: { type: DataTypes.INTEGER, primaryKey: true },
        hash: { type: DataTypes.TEXT, primaryKey: true },
        usedAt: { type: DataTypes.DATE },
      },
      { sequelize, tableName: 'recovery_code' },
    )
  }

  static associate(): void {
    this.belongsTo(Staff, { as: 'staff', foreignKey: 'staffId' })
  }
}
