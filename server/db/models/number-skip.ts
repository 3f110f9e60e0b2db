import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { NumberSeries } from './number-series'

/** Numbers that a supervisor left out on purpose, with the reason: they are no gap. */
export class NumberSkip extends Model<InferAttributes<NumberSkip>, InferCreationAttributes<NumberSkip>> {
  declare id: CreationOptional<number>
  declare seriesId: number
  declare period: string
  declare first: number
  declare last: number
  declare reason: string
  declare at: Date
  declare by: string

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        seriesId: { type: DataTypes.INTEGER, allowNull: false },
        period: { type: DataTypes.TEXT, allowNull: false },
        first: { type: DataTypes.INTEGER, allowNull: false },
        last: { type: DataTypes.INTEGER, allowNull: false },
        reason: { type: DataTypes.TEXT, allowNull: false },
        at: { type: DataTypes.DATE, allowNull: false },
        by: { type: DataTypes.TEXT, allowNull: false },
      },
      { sequelize, tableName: 'number_skip' },
    )
  }

  static associate(): void {
    this.belongsTo(NumberSeries, { as: 'series', foreignKey: 'seriesId' })
  }
}
