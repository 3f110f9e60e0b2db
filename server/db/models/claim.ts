import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { PreparedDocument } from './prepared-document'
import { Source } from './source'

/** What keeps a document from being made twice: one row for each source, kind and occasion. */
export class Claim extends Model<InferAttributes<Claim>, InferCreationAttributes<Claim>> {
  declare sourceId: number
  declare documentKind: string
  declare occasion: string
  declare preparedId: number
  declare documentId: number | null
  declare takenAt: Date

  static start(sequelize: Sequelize): void {
    this.init(
      {
        sourceId: { type: DataTypes.INTEGER, primaryKey: true },
        documentKind: { type: DataTypes.TEXT, primaryKey: true },
        occasion: { type: DataTypes.TEXT, primaryKey: true },
        preparedId: { type: DataTypes.INTEGER, allowNull: false },
        documentId: { type: DataTypes.INTEGER },
        takenAt: { type: DataTypes.DATE, allowNull: false },
      },
      { sequelize, tableName: 'claim' },
    )
  }

  static associate(): void {
    this.belongsTo(Source, { as: 'source', foreignKey: 'sourceId' })
    this.belongsTo(PreparedDocument, { as: 'prepared', foreignKey: 'preparedId' })
  }
}
