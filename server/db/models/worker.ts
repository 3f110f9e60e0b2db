import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'

/** Workers that are alive, by their heartbeat. */
export class Worker extends Model<InferAttributes<Worker>, InferCreationAttributes<Worker>> {
  declare id: string
  declare startedAt: Date
  declare beatAt: Date
  declare queueWorkers: CreationOptional<string[]>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.TEXT, primaryKey: true },
        startedAt: { type: DataTypes.DATE, allowNull: false },
        beatAt: { type: DataTypes.DATE, allowNull: false },
        queueWorkers: { type: DataTypes.ARRAY(DataTypes.TEXT), allowNull: false, defaultValue: [] },
      },
      { sequelize, tableName: 'worker' },
    )
  }
}
