import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { GoodsReturn } from './goods-return'

/** How much of a line of the order comes back and why, by the line's position. */
export class ReturnLine extends Model<InferAttributes<ReturnLine>, InferCreationAttributes<ReturnLine>> {
  declare returnId: number
  declare position: number
  declare quantity: string
  declare reason: CreationOptional<string>
  /** What came of it; null until it did. */
  declare cameBack: CreationOptional<string | null>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        returnId: { type: DataTypes.INTEGER, primaryKey: true },
        position: { type: DataTypes.INTEGER, primaryKey: true },
        quantity: { type: DataTypes.DECIMAL(14, 3), allowNull: false },
        reason: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        cameBack: { type: DataTypes.DECIMAL(14, 3) },
      },
      { sequelize, tableName: 'return_line' },
    )
  }

  static associate(): void {
    this.belongsTo(GoodsReturn, { as: 'goodsReturn', foreignKey: 'returnId' })
  }
}
