import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { Staff } from './staff'

/** Tokens of other programs: only their hash is kept; each acts for the person who made it. */
export class ApiToken extends Model<InferAttributes<ApiToken>, InferCreationAttributes<ApiToken>> {
  declare id: CreationOptional<number>
  declare name: string
  declare scope: 'read' | 'write'
  declare hash: string
  declare staffId: number
  declare madeAt: Date
  declare usedOn: string | null
  declare revokedAt: Date | null
  /** The last day on which it opens anything; null for one without an end. */
  declare endsOn: string | null

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        name: { type: DataTypes.TEXT, allowNull: false },
        scope: { type: DataTypes.TEXT, allowNull: false },
        hash: { type: DataTypes.TEXT, allowNull: false },
        staffId: { type: DataTypes.INTEGER, allowNull: false },
        madeAt: { type: DataTypes.DATE, allowNull: false },
        usedOn: { type: DataTypes.DATEONLY },
        revokedAt: { type: DataTypes.DATE },
        endsOn: { type: DataTypes.DATEONLY },
      },
      { sequelize, tableName: 'api_token' },
    )
  }

  static associate(): void {
    this.belongsTo(Staff, { as: 'staff', foreignKey: 'staffId' })
  }
}
