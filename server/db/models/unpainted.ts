import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { IssuedDocument } from './document'

/** Documents that are issued and still have no PDF. */
export class Unpainted extends Model<InferAttributes<Unpainted>, InferCreationAttributes<Unpainted>> {
  declare documentId: number

  static start(sequelize: Sequelize): void {
    this.init(
      {
        documentId: { type: DataTypes.INTEGER, primaryKey: true },
      },
      { sequelize, tableName: 'unpainted' },
    )
  }

  static associate(): void {
    this.belongsTo(IssuedDocument, { as: 'document', foreignKey: 'documentId' })
  }
}
