import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'

/** When periods were closed and opened again, by whom and why. */
export class PeriodClose extends Model<InferAttributes<PeriodClose>, InferCreationAttributes<PeriodClose>> {
  declare id: CreationOptional<number>
  declare closedUntil: string | null
  declare wasUntil: string | null
  declare at: Date
  declare by: string
  declare reason: CreationOptional<string>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        closedUntil: { type: DataTypes.DATEONLY },
        wasUntil: { type: DataTypes.DATEONLY },
        at: { type: DataTypes.DATE, allowNull: false },
        by: { type: DataTypes.TEXT, allowNull: false },
        reason: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
      },
      { sequelize, tableName: 'period_close' },
    )
  }
}
