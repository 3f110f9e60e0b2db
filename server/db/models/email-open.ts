import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { Dispatch } from './dispatch'

/** How often an email's picture of one dot was fetched. Who fetched it is not kept. */
export class EmailOpen extends Model<InferAttributes<EmailOpen>, InferCreationAttributes<EmailOpen>> {
  declare dispatchId: number
  declare opened: CreationOptional<number>
  /** By programs, before anybody could have read it. */
  declare byMachine: CreationOptional<number>
  declare firstOpenedAt: Date | null
  declare lastOpenedAt: Date | null

  static start(sequelize: Sequelize): void {
    this.init(
      {
        dispatchId: { type: DataTypes.INTEGER, primaryKey: true },
        opened: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
        byMachine: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
        firstOpenedAt: { type: DataTypes.DATE },
        lastOpenedAt: { type: DataTypes.DATE },
      },
      { sequelize, tableName: 'email_open' },
    )
  }

  static associate(): void {
    this.belongsTo(Dispatch, { as: 'dispatch', foreignKey: 'dispatchId' })
  }
}
