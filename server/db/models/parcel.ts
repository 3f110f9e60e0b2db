import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { LinePart } from '../../../core/shipping/quantities'
import { Source } from './source'

/** What is packed together: of goods that go out, or come back. */
export class Parcel extends Model<InferAttributes<Parcel>, InferCreationAttributes<Parcel>> {
  declare id: CreationOptional<number>
  declare sourceId: number
  /** From 1 within what it is of. */
  declare number: number
  declare box: CreationOptional<string>
  /** Packed, in kilograms; null where nobody weighed it. */
  declare weight: string | null
  declare contents: LinePart[]

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        sourceId: { type: DataTypes.INTEGER, allowNull: false },
        number: { type: DataTypes.INTEGER, allowNull: false },
        box: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        weight: { type: DataTypes.DECIMAL },
        contents: { type: DataTypes.JSONB, allowNull: false },
      },
      { sequelize, tableName: 'parcel' },
    )
  }

  static associate(): void {
    this.belongsTo(Source, { as: 'source', foreignKey: 'sourceId' })
  }
}
