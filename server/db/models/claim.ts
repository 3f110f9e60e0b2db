import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { PreparedDocument } from './paper'
import { Source } from './source'

/** What keeps a document from being made twice: one row for each source, kind and occasion. */
export class Claim extends Model<InferAttributes<Claim>, InferCreationAttributes<Claim>> {
  declare sourceId: number
  declare documentKind: string
  declare occasion: string
  declare paperId: number
  declare documentId: number | null
  declare takenAt: Date

  static start(sequelize: Sequelize): void {
    this.init(
      {
        sourceId: { type: DataTypes.INTEGER, primaryKey: true },
        documentKind: { type: DataTypes.TEXT, primaryKey: true },
        occasion: { type: DataTypes.TEXT, primaryKey: true },
        paperId: { type: DataTypes.INTEGER, allowNull: false },
        documentId: { type: DataTypes.INTEGER },
        takenAt: { type: DataTypes.DATE, allowNull: false },
      },
      { sequelize, tableName: 'claim' },
    )
  }

  static associate(): void {
    this.belongsTo(Source, { as: 'source', foreignKey: 'sourceId' })
    this.belongsTo(PreparedDocument, { as: 'prepared', foreignKey: 'paperId' })
  }
}
