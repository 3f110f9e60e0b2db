import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { ImportFile } from './import'
import type { Told } from '../../../core/said/told'

/** A row of it, with what is wrong or what became of it. */
export class ImportRow extends Model<InferAttributes<ImportRow>, InferCreationAttributes<ImportRow>> {
  declare importId: number
  declare line: number
  declare key: string
  declare cells: string[]
  declare state: 'right' | 'wrong' | 'written' | 'unchanged'
  declare note: Told | null

  static start(sequelize: Sequelize): void {
    this.init(
      {
        importId: { type: DataTypes.INTEGER, primaryKey: true },
        line: { type: DataTypes.INTEGER, primaryKey: true },
        key: { type: DataTypes.TEXT, allowNull: false },
        cells: { type: DataTypes.JSONB, allowNull: false },
        state: { type: DataTypes.TEXT, allowNull: false },
        note: { type: DataTypes.JSONB },
      },
      { sequelize, tableName: 'import_row' },
    )
  }

  static associate(): void {
    this.belongsTo(ImportFile, { as: 'import', foreignKey: 'importId' })
  }
}
