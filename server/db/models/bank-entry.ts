import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { BankFile } from './bank-file'
import { Payment } from './payment'
import type { Told } from '../../../core/said/told'

/** A movement on a statement, with what it is proposed to settle. */
export class BankEntry extends Model<InferAttributes<BankEntry>, InferCreationAttributes<BankEntry>> {
  declare id: CreationOptional<number>
  declare fileId: number
  declare account: string
  /** Tells the movement in every file that holds it. */
  declare key: string
  declare bookedOn: string
  declare amount: string
  declare currency: string
  declare name: string
  declare iban: string
  declare text: string
  declare reference: string
  declare state: 'sure' | 'unsure' | 'strange' | 'to book' | 'booked' | 'set aside'
  declare reason: Told
  declare proposal: object
  declare paymentId: number | null
  declare decidedBy: CreationOptional<string>
  declare decidedAt: Date | null

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        fileId: { type: DataTypes.INTEGER, allowNull: false },
        account: { type: DataTypes.TEXT, allowNull: false },
        key: { type: DataTypes.TEXT, allowNull: false },
        bookedOn: { type: DataTypes.DATEONLY, allowNull: false },
        amount: { type: DataTypes.DECIMAL, allowNull: false },
        currency: { type: DataTypes.TEXT, allowNull: false },
        name: { type: DataTypes.TEXT, allowNull: false },
        iban: { type: DataTypes.TEXT, allowNull: false },
        text: { type: DataTypes.TEXT, allowNull: false },
        reference: { type: DataTypes.TEXT, allowNull: false },
        state: { type: DataTypes.TEXT, allowNull: false },
        reason: { type: DataTypes.JSONB, allowNull: false },
        proposal: { type: DataTypes.JSONB, allowNull: false },
        paymentId: { type: DataTypes.INTEGER },
        decidedBy: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        decidedAt: { type: DataTypes.DATE },
      },
      { sequelize, tableName: 'bank_entry' },
    )
  }

  static associate(): void {
    this.belongsTo(BankFile, { as: 'file', foreignKey: 'fileId' })
    this.belongsTo(Payment, { as: 'payment', foreignKey: 'paymentId' })
  }
}
