import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { Dispatch } from './dispatch'

/** How often the offer of an email was followed. Who did is not kept. */
export class FollowedOffer extends Model<
  InferAttributes<FollowedOffer>,
  InferCreationAttributes<FollowedOffer>
> {
  declare id: CreationOptional<number>
  declare dispatchId: number
  /** Where it leads. */
  declare href: string
  declare followed: CreationOptional<number>
  /** By programs that look into links. */
  declare byMachine: CreationOptional<number>
  declare firstFollowedAt: Date | null
  declare lastFollowedAt: Date | null

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        dispatchId: { type: DataTypes.INTEGER, allowNull: false },
        href: { type: DataTypes.TEXT, allowNull: false },
        followed: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
        byMachine: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
        firstFollowedAt: { type: DataTypes.DATE },
        lastFollowedAt: { type: DataTypes.DATE },
      },
      { sequelize, tableName: 'followed_offer' },
    )
  }

  static associate(): void {
    this.belongsTo(Dispatch, { as: 'dispatch', foreignKey: 'dispatchId' })
  }
}
