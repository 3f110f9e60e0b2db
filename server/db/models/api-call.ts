import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'

/** Answers of calls with an idempotency key: the same call again gets the first answer. */
export class ApiCall extends Model<InferAttributes<ApiCall>, InferCreationAttributes<ApiCall>> {
  declare caller: string
  declare key: string
  declare callHash: string
  declare startedAt: Date
  declare status: number | null
  declare answer: object | null

  static start(sequelize: Sequelize): void {
    this.init(
      {
        caller: { type: DataTypes.TEXT, primaryKey: true },
        key: { type: DataTypes.TEXT, primaryKey: true },
        callHash: { type: DataTypes.TEXT, allowNull: false },
        startedAt: { type: DataTypes.DATE, allowNull: false },
        status: { type: DataTypes.INTEGER },
        answer: { type: DataTypes.JSONB },
      },
      { sequelize, tableName: 'api_call' },
    )
  }
}
