import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { IssuedDocument } from './document'

/** The PDF of a document: its bytes are the original. */
export class DocumentFile extends Model<
  InferAttributes<DocumentFile>,
  InferCreationAttributes<DocumentFile>
> {
  declare documentId: number
  declare sha256: string
  declare fileName: string
  declare renderer: string
  declare pages: number
  declare madeAt: Date

  static start(sequelize: Sequelize): void {
    this.init(
      {
        documentId: { type: DataTypes.INTEGER, primaryKey: true },
        sha256: { type: DataTypes.TEXT, allowNull: false },
        fileName: { type: DataTypes.TEXT, allowNull: false },
        renderer: { type: DataTypes.TEXT, allowNull: false },
        pages: { type: DataTypes.INTEGER, allowNull: false },
        madeAt: { type: DataTypes.DATE, allowNull: false },
      },
      { sequelize, tableName: 'document_file' },
    )
  }

  static associate(): void {
    this.belongsTo(IssuedDocument, { as: 'document', foreignKey: 'documentId' })
  }
}
