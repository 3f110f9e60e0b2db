import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { IssuedDocument } from './document'
import { Routine } from './routine'

/** Documents that are issued and were never put on their way. */
export class Undelivered extends Model<InferAttributes<Undelivered>, InferCreationAttributes<Undelivered>> {
  declare documentId: number
  declare since: Date
  declare routineId: number | null

  static start(sequelize: Sequelize): void {
    this.init(
      {
        documentId: { type: DataTypes.INTEGER, primaryKey: true },
        since: { type: DataTypes.DATE, allowNull: false },
        routineId: { type: DataTypes.INTEGER },
      },
      { sequelize, tableName: 'undelivered' },
    )
  }

  static associate(): void {
    this.belongsTo(IssuedDocument, { as: 'document', foreignKey: 'documentId' })
    this.belongsTo(Routine, { as: 'routine', foreignKey: 'routineId' })
  }
}
