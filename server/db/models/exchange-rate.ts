import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'

/** How much of a currency one unit of the company’s own is, from a day on. */
export class ExchangeRate extends Model<
  InferAttributes<ExchangeRate>,
  InferCreationAttributes<ExchangeRate>
> {
  declare currency: string
  declare day: string
  declare rate: string
  declare source: string

  static start(sequelize: Sequelize): void {
    this.init(
      {
        currency: { type: DataTypes.TEXT, primaryKey: true },
        day: { type: DataTypes.DATEONLY, primaryKey: true },
        rate: { type: DataTypes.DECIMAL, allowNull: false },
        source: { type: DataTypes.TEXT, allowNull: false },
      },
      { sequelize, tableName: 'exchange_rate' },
    )
  }
}
