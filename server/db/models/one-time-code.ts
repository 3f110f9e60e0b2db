import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { Staff } from './staff'

/**
 * Codes that are good once and for a while; only their hash is kept. The first visit has one before anybody works
 * here; an invitation and a new password are somebody's.
 */
export class OneTimeCode extends Model<InferAttributes<OneTimeCode>, InferCreationAttributes<OneTimeCode>> {
  declare id: CreationOptional<number>
  declare purpose: 'first visit' | 'invitation' | 'new password'
  declare staffId: number | null
  declare hash: string
  declare madeAt: Date
  declare endsAt: Date
  declare usedAt: Date | null

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        purpose: { type: DataTypes.TEXT, allowNull: false },
        staffId: { type: DataTypes.INTEGER },
        hash: { type: DataTypes.TEXT, allowNull: false },
        madeAt: { type: DataTypes.DATE, allowNull: false },
        endsAt: { type: DataTypes.DATE, allowNull: false },
        usedAt: { type: DataTypes.DATE },
      },
      { sequelize, tableName: 'one_time_code' },
    )
  }

  static associate(): void {
    this.belongsTo(Staff, { as: 'staff', foreignKey: 'staffId' })
  }
}
