import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { Dispatch } from './dispatch'
import { IssuedDocument } from './document'

/** The documents of an email or a print job. */
export class DispatchDocument extends Model<
  InferAttributes<DispatchDocument>,
  InferCreationAttributes<DispatchDocument>
> {
  declare dispatchId: number
  declare documentId: number

  static start(sequelize: Sequelize): void {
    this.init(
      {
        dispatchId: { type: DataTypes.INTEGER, primaryKey: true },
        documentId: { type: DataTypes.INTEGER, primaryKey: true },
      },
      { sequelize, tableName: 'dispatch_document' },
    )
  }

  static associate(): void {
    this.belongsTo(Dispatch, { as: 'dispatch', foreignKey: 'dispatchId' })
    this.belongsTo(IssuedDocument, { as: 'document', foreignKey: 'documentId' })
  }
}
