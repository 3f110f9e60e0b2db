import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { Shipment } from './shipment'

/** How much of a line of the order goes with a shipment, by the line's position. */
export class ShipmentLine extends Model<
  InferAttributes<ShipmentLine>,
  InferCreationAttributes<ShipmentLine>
> {
  declare shipmentId: number
  declare position: number
  declare quantity: string

  static start(sequelize: Sequelize): void {
    this.init(
      {
        shipmentId: { type: DataTypes.INTEGER, primaryKey: true },
        position: { type: DataTypes.INTEGER, primaryKey: true },
        quantity: { type: DataTypes.DECIMAL(14, 3), allowNull: false },
      },
      { sequelize, tableName: 'shipment_line' },
    )
  }

  static associate(): void {
    this.belongsTo(Shipment, { as: 'shipment', foreignKey: 'shipmentId' })
  }
}
