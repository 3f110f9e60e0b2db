import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { ContactRole } from '../../../core/preferences/recipients'
import { Customer } from './customer'

/** The people of a customer, by what they are for. */
export class Contact extends Model<InferAttributes<Contact>, InferCreationAttributes<Contact>> {
  declare id: CreationOptional<number>
  declare customerId: number
  declare name: string
  declare email: string
  declare role: ContactRole

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        customerId: { type: DataTypes.INTEGER, allowNull: false },
        name: { type: DataTypes.TEXT, allowNull: false },
        email: { type: DataTypes.TEXT, allowNull: false },
        role: { type: DataTypes.TEXT, allowNull: false },
      },
      { sequelize, tableName: 'contact' },
    )
  }

  static associate(): void {
    this.belongsTo(Customer, { as: 'customer', foreignKey: 'customerId' })
  }
}
