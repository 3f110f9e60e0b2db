import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'

/** The rate of a tax code from a day on. */
export class TaxRate extends Model<InferAttributes<TaxRate>, InferCreationAttributes<TaxRate>> {
  declare code: string
  declare fromDay: string
  declare percent: string

  static start(sequelize: Sequelize): void {
    this.init(
      {
        code: { type: DataTypes.TEXT, primaryKey: true },
        fromDay: { type: DataTypes.DATEONLY, primaryKey: true },
        percent: { type: DataTypes.DECIMAL, allowNull: false },
      },
      { sequelize, tableName: 'tax_rate' },
    )
  }
}
