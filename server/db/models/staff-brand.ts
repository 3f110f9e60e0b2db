import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { Brand } from './brand'
import { Staff } from './staff'

/** The brands that a person is limited to; who has none here sees them all. */
export class StaffBrand extends Model<InferAttributes<StaffBrand>, InferCreationAttributes<StaffBrand>> {
  declare staffId: number
  declare brandId: number

  static start(sequelize: Sequelize): void {
    this.init(
      {
        staffId: { type: DataTypes.INTEGER, primaryKey: true },
        brandId: { type: DataTypes.INTEGER, primaryKey: true },
      },
      { sequelize, tableName: 'staff_brand' },
    )
  }

  static associate(): void {
    this.belongsTo(Staff, { as: 'person', foreignKey: 'staffId' })
    this.belongsTo(Brand, { as: 'brand', foreignKey: 'brandId' })
  }
}
