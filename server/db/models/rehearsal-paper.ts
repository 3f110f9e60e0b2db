import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { Paper } from '../../../core/documents/paper'
import { Brand } from './brand'
import { DesignVersion } from './stationery'
import { EmailTextVersion } from './cover-note'
import { IssuedDocument } from './document'
import { PreparedDocument } from './paper'

/** What a rehearsal made: numbered on its own, mailed to the rehearsal address only. */
export class RehearsalPaper extends Model<
  InferAttributes<RehearsalPaper>,
  InferCreationAttributes<RehearsalPaper>
> {
  declare id: CreationOptional<number>
  declare number: string
  declare paperId: number | null
  declare content: Paper
  declare stationeryId: number
  declare coverNoteId: number
  declare wouldGoTo: object
  declare sentTo: string
  declare madeAt: Date
  declare madeBy: string
  declare sentAt: Date | null
  declare lastReply: string | null
  declare documentId: number | null
  declare brandId: number
  declare customerName: CreationOptional<string>
  declare givenUp: string | null
  declare email: object | null

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        number: { type: DataTypes.TEXT, allowNull: false },
        paperId: { type: DataTypes.INTEGER },
        content: { type: DataTypes.JSONB, allowNull: false },
        stationeryId: { type: DataTypes.INTEGER, allowNull: false },
        coverNoteId: { type: DataTypes.INTEGER, allowNull: false },
        wouldGoTo: { type: DataTypes.JSONB, allowNull: false },
        sentTo: { type: DataTypes.TEXT, allowNull: false },
        madeAt: { type: DataTypes.DATE, allowNull: false },
        madeBy: { type: DataTypes.TEXT, allowNull: false },
        sentAt: { type: DataTypes.DATE },
        lastReply: { type: DataTypes.TEXT },
        documentId: { type: DataTypes.INTEGER },
        brandId: { type: DataTypes.INTEGER, allowNull: false },
        customerName: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        givenUp: { type: DataTypes.TEXT },
        email: { type: DataTypes.JSONB },
      },
      { sequelize, tableName: 'rehearsal_paper' },
    )
  }

  static associate(): void {
    this.belongsTo(PreparedDocument, { as: 'prepared', foreignKey: 'paperId' })
    this.belongsTo(DesignVersion, { as: 'stationery', foreignKey: 'stationeryId' })
    this.belongsTo(EmailTextVersion, { as: 'coverNote', foreignKey: 'coverNoteId' })
    this.belongsTo(IssuedDocument, { as: 'document', foreignKey: 'documentId' })
    this.belongsTo(Brand, { as: 'brand', foreignKey: 'brandId' })
  }
}
