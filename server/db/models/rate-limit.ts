import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'

/** Calls counted per minute and wrong passwords; written by rate-limiter-flexible. */
export class RateLimit extends Model<InferAttributes<RateLimit>, InferCreationAttributes<RateLimit>> {
  declare key: string
  declare points: CreationOptional<number>
  declare expire: string | null

  static start(sequelize: Sequelize): void {
    this.init(
      {
        key: { type: DataTypes.STRING(255), primaryKey: true },
        points: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
        expire: { type: DataTypes.BIGINT },
      },
      { sequelize, tableName: 'rate_limit' },
    )
  }
}
