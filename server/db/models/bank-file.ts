import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { ImportFile } from './import'
import type { Told } from '../../../core/said/told'

/** A statement of the bank that was read. */
export class BankFile extends Model<InferAttributes<BankFile>, InferCreationAttributes<BankFile>> {
  declare id: CreationOptional<number>
  declare sha256: string
  declare name: string
  declare account: CreationOptional<string>
  declare state: CreationOptional<'reading' | 'ready' | 'refused'>
  declare reason: Told | null
  declare entries: CreationOptional<number>
  declare known: CreationOptional<number>
  declare madeAt: Date
  declare madeBy: string
  declare importId: number | null

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        sha256: { type: DataTypes.TEXT, allowNull: false },
        name: { type: DataTypes.TEXT, allowNull: false },
        account: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        state: { type: DataTypes.TEXT, allowNull: false, defaultValue: 'reading' },
        reason: { type: DataTypes.JSONB },
        entries: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
        known: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
        madeAt: { type: DataTypes.DATE, allowNull: false },
        madeBy: { type: DataTypes.TEXT, allowNull: false },
        importId: { type: DataTypes.INTEGER },
      },
      { sequelize, tableName: 'bank_file' },
    )
  }

  static associate(): void {
    this.belongsTo(ImportFile, { as: 'import', foreignKey: 'importId' })
  }
}
