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
import { DesignVersion } from './design'
import { EmailTextVersion } from './email-text'
import { IssuedDocument } from './document'
import { PreparedDocument } from './prepared-document'

/** What a rehearsal made: numbered on its own, mailed to the rehearsal address only. */
export class Rehearsal extends Model<InferAttributes<Rehearsal>, InferCreationAttributes<Rehearsal>> {
  declare id: CreationOptional<number>
  declare number: string
  declare preparedId: number | null
  declare content: Paper
  declare designId: number
  declare emailTextId: number
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
        preparedId: { type: DataTypes.INTEGER },
        content: { type: DataTypes.JSONB, allowNull: false },
        designId: { type: DataTypes.INTEGER, allowNull: false },
        emailTextId: { type: DataTypes.INTEGER, allowNull: false },
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
      { sequelize, tableName: 'rehearsal' },
    )
  }

  static associate(): void {
    this.belongsTo(PreparedDocument, { as: 'prepared', foreignKey: 'preparedId' })
    this.belongsTo(DesignVersion, { as: 'design', foreignKey: 'designId' })
    this.belongsTo(EmailTextVersion, { as: 'emailText', foreignKey: 'emailTextId' })
    this.belongsTo(IssuedDocument, { as: 'document', foreignKey: 'documentId' })
    this.belongsTo(Brand, { as: 'brand', foreignKey: 'brandId' })
  }
}
