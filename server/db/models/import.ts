import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { Mapping } from '../../../core/imports/mapping'
import type { Told } from '../../../core/said/told'

/** A CSV that is read, with the columns it was mapped by. */
export class ImportFile extends Model<InferAttributes<ImportFile>, InferCreationAttributes<ImportFile>> {
  declare id: CreationOptional<number>
  declare subject: string
  declare name: string
  declare sha256: string
  declare encoding: string
  declare delimiter: string
  declare columns: string[]
  declare sample: string[][]
  declare mapping: Mapping
  declare decimalSign: string
  declare dayOrder: string
  declare state: CreationOptional<'new' | 'checking' | 'checked' | 'writing' | 'done' | 'refused'>
  declare reason: Told | null
  declare madeAt: Date
  declare madeBy: string
  declare since: Date
  declare heading: CreationOptional<number>
  declare asBefore: CreationOptional<boolean>
  declare tellRoutines: CreationOptional<boolean>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        subject: { type: DataTypes.TEXT, allowNull: false },
        name: { type: DataTypes.TEXT, allowNull: false },
        sha256: { type: DataTypes.TEXT, allowNull: false },
        encoding: { type: DataTypes.TEXT, allowNull: false },
        delimiter: { type: DataTypes.TEXT, allowNull: false },
        columns: { type: DataTypes.JSONB, allowNull: false },
        sample: { type: DataTypes.JSONB, allowNull: false },
        mapping: { type: DataTypes.JSONB, allowNull: false },
        decimalSign: { type: DataTypes.TEXT, allowNull: false },
        dayOrder: { type: DataTypes.TEXT, allowNull: false },
        state: { type: DataTypes.TEXT, allowNull: false, defaultValue: 'new' },
        reason: { type: DataTypes.JSONB },
        madeAt: { type: DataTypes.DATE, allowNull: false },
        madeBy: { type: DataTypes.TEXT, allowNull: false },
        since: { type: DataTypes.DATE, allowNull: false },
        heading: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
        asBefore: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        tellRoutines: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
      },
      { sequelize, tableName: 'import' },
    )
  }
}
