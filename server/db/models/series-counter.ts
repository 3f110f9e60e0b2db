import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { NumberSeries } from './number-series'

/** The last number drawn of a series in a period. Its row is locked last in every issuing. */
export class SeriesCounter extends Model<
  InferAttributes<SeriesCounter>,
  InferCreationAttributes<SeriesCounter>
> {
  declare seriesId: number
  declare period: string
  declare last: number

  static start(sequelize: Sequelize): void {
    this.init(
      {
        seriesId: { type: DataTypes.INTEGER, primaryKey: true },
        period: { type: DataTypes.TEXT, primaryKey: true },
        last: { type: DataTypes.INTEGER, allowNull: false },
      },
      { sequelize, tableName: 'series_counter' },
    )
  }

  static associate(): void {
    this.belongsTo(NumberSeries, { as: 'series', foreignKey: 'seriesId' })
  }
}
