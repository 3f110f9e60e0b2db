import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { IssuedDocument } from './document'

/** Documents that were voided. Their numbers stay. */
export class DocumentVoid extends Model<
  InferAttributes<DocumentVoid>,
  InferCreationAttributes<DocumentVoid>
> {
  declare documentId: number
  declare at: Date
  declare by: string
  declare reason: string

  static start(sequelize: Sequelize): void {
    this.init(
      {
        documentId: { type: DataTypes.INTEGER, primaryKey: true },
        at: { type: DataTypes.DATE, allowNull: false },
        by: { type: DataTypes.TEXT, allowNull: false },
        reason: { type: DataTypes.TEXT, allowNull: false },
      },
      { sequelize, tableName: 'document_void' },
    )
  }

  static associate(): void {
    this.belongsTo(IssuedDocument, { as: 'document', foreignKey: 'documentId' })
  }
}
