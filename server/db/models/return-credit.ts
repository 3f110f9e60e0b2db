import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { LinePart } from '../../../core/shipping/quantities'
import { Draft } from './draft'
import { GoodsReturn } from './goods-return'

/** A credit note that was drafted for what came back. */
export class ReturnCredit extends Model<
  InferAttributes<ReturnCredit>,
  InferCreationAttributes<ReturnCredit>
> {
  declare draftId: number
  declare returnId: number
  declare contents: LinePart[]

  static start(sequelize: Sequelize): void {
    this.init(
      {
        draftId: { type: DataTypes.INTEGER, primaryKey: true },
        returnId: { type: DataTypes.INTEGER, allowNull: false },
        contents: { type: DataTypes.JSONB, allowNull: false },
      },
      { sequelize, tableName: 'return_credit' },
    )
  }

  static associate(): void {
    this.belongsTo(Draft, { as: 'draft', foreignKey: 'draftId' })
    this.belongsTo(GoodsReturn, { as: 'goodsReturn', foreignKey: 'returnId' })
  }
}
