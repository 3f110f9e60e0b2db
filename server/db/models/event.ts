import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { EventFacts } from '../../../core/routines/routine'
import { IssuedDocument } from './document'
import { Source } from './source'

/** What happened to an order, a document or a payment, with the facts that routines test, as they were. */
export class HouseEvent extends Model<InferAttributes<HouseEvent>, InferCreationAttributes<HouseEvent>> {
  declare id: CreationOptional<number>
  declare kind: string
  declare sourceId: number | null
  /** What routines test; of a void only its number and why. */
  declare facts: EventFacts | { number: string; reason: string }
  declare schemaVersion: number
  declare at: Date
  declare actor: string
  /** Null until routines looked at it. */
  declare lookedAt: Date | null
  /** Caught up for this routine alone. */
  declare onlyRoutine: number | null
  declare documentId: number | null

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        kind: { type: DataTypes.TEXT, allowNull: false },
        sourceId: { type: DataTypes.INTEGER },
        facts: { type: DataTypes.JSONB, allowNull: false },
        schemaVersion: { type: DataTypes.INTEGER, allowNull: false },
        at: { type: DataTypes.DATE, allowNull: false },
        actor: { type: DataTypes.TEXT, allowNull: false },
        lookedAt: { type: DataTypes.DATE },
        onlyRoutine: { type: DataTypes.INTEGER },
        documentId: { type: DataTypes.INTEGER },
      },
      { sequelize, tableName: 'event' },
    )
  }

  static associate(): void {
    this.belongsTo(Source, { as: 'source', foreignKey: 'sourceId' })
    this.belongsTo(IssuedDocument, { as: 'document', foreignKey: 'documentId' })
  }
}
