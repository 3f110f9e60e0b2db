import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { Day } from '../../../core/documents/days'
import { Dispatch } from './dispatch'
import { IssuedDocument } from './document'
import { StoredFile } from './file'

/** A link to a file of one email. Its address is made from the id and signed, and never kept. */
export class SignedLink extends Model<InferAttributes<SignedLink>, InferCreationAttributes<SignedLink>> {
  declare id: CreationOptional<number>
  declare dispatchId: number
  declare sha256: string
  declare name: string
  /** The document whose PDF it is; null of what went along with one. */
  declare documentId: CreationOptional<number | null>
  declare madeAt: Date
  /** The last day on which it is good. */
  declare until: Day
  declare endedAt: CreationOptional<Date | null>
  declare endedBy: CreationOptional<string | null>
  declare wrongCodes: CreationOptional<number>
  declare opened: CreationOptional<number>
  declare firstOpenedAt: CreationOptional<Date | null>
  declare lastOpenedAt: CreationOptional<Date | null>
  /** So often it can be had; any number of times where there is none. */
  declare mostOpened: CreationOptional<number | null>
  /** A file of an item that was sold. */
  declare ofItem: CreationOptional<boolean>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        dispatchId: { type: DataTypes.INTEGER, allowNull: false },
        sha256: { type: DataTypes.TEXT, allowNull: false },
        name: { type: DataTypes.TEXT, allowNull: false },
        documentId: { type: DataTypes.INTEGER },
        madeAt: { type: DataTypes.DATE, allowNull: false },
        until: { type: DataTypes.DATEONLY, allowNull: false },
        endedAt: { type: DataTypes.DATE },
        endedBy: { type: DataTypes.TEXT },
        wrongCodes: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
        opened: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
        firstOpenedAt: { type: DataTypes.DATE },
        lastOpenedAt: { type: DataTypes.DATE },
        mostOpened: { type: DataTypes.INTEGER },
        ofItem: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
      },
      { sequelize, tableName: 'signed_link' },
    )
  }

  static associate(): void {
    this.belongsTo(Dispatch, { as: 'dispatch', foreignKey: 'dispatchId' })
    this.belongsTo(StoredFile, { as: 'file', foreignKey: 'sha256' })
    this.belongsTo(IssuedDocument, { as: 'document', foreignKey: 'documentId' })
  }
}
