import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { Staff } from './staff'

/** Who is signed in. A row that is gone ends the session at once, also its open stream. */
export class Session extends Model<InferAttributes<Session>, InferCreationAttributes<Session>> {
  declare id: string
  declare staffId: number
  declare role: 'reader' | 'clerk' | 'supervisor'
  declare madeAt: Date
  declare endsAt: Date
  /** The browser and system that somebody signed in with. */
  declare device: CreationOptional<string>
  /** When they last showed who they are: by signing in, or by their password again. */
  declare provedAt: Date

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.TEXT, primaryKey: true },
        staffId: { type: DataTypes.INTEGER, allowNull: false },
        role: { type: DataTypes.TEXT, allowNull: false },
        madeAt: { type: DataTypes.DATE, allowNull: false },
        endsAt: { type: DataTypes.DATE, allowNull: false },
        device: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        provedAt: { type: DataTypes.DATE, allowNull: false },
      },
      { sequelize, tableName: 'session' },
    )
  }

  static associate(): void {
    this.belongsTo(Staff, { as: 'staff', foreignKey: 'staffId' })
  }
}
