import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { Saying } from '../../../core/filled'
import { Dispatch } from './dispatch'
import { IssuedDocument } from './document'
import { PreparedDocument } from './prepared-document'
import { Source } from './source'

/** The history: who did what to which order, document or email, in words. */
export class History extends Model<InferAttributes<History>, InferCreationAttributes<History>> {
  declare id: CreationOptional<number>
  declare at: Date
  declare actor: string
  declare sourceId: number | null
  declare preparedId: number | null
  declare documentId: number | null
  declare dispatchId: number | null
  declare words: string
  declare detail: object | null
  /** Null for what was written before it was kept. */
  declare told: CreationOptional<Saying | null>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        at: { type: DataTypes.DATE, allowNull: false },
        actor: { type: DataTypes.TEXT, allowNull: false },
        sourceId: { type: DataTypes.INTEGER },
        preparedId: { type: DataTypes.INTEGER },
        documentId: { type: DataTypes.INTEGER },
        dispatchId: { type: DataTypes.INTEGER },
        words: { type: DataTypes.TEXT, allowNull: false },
        detail: { type: DataTypes.JSONB },
        told: { type: DataTypes.JSONB },
      },
      { sequelize, tableName: 'history' },
    )
  }

  static associate(): void {
    this.belongsTo(Source, { as: 'source', foreignKey: 'sourceId' })
    this.belongsTo(PreparedDocument, { as: 'prepared', foreignKey: 'preparedId' })
    this.belongsTo(IssuedDocument, { as: 'document', foreignKey: 'documentId' })
    this.belongsTo(Dispatch, { as: 'dispatch', foreignKey: 'dispatchId' })
  }
}
