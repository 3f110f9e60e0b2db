import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'

/** Bytes by their SHA-256, each once. Lists never select them. */
export class StoredFile extends Model<InferAttributes<StoredFile>, InferCreationAttributes<StoredFile>> {
  declare sha256: string
  declare mediaType: string
  declare size: number
  declare bytes: Buffer
  declare keptAt: Date

  static start(sequelize: Sequelize): void {
    this.init(
      {
        sha256: { type: DataTypes.TEXT, primaryKey: true },
        mediaType: { type: DataTypes.TEXT, allowNull: false },
        size: { type: DataTypes.INTEGER, allowNull: false },
        bytes: { type: DataTypes.BLOB, allowNull: false },
        keptAt: { type: DataTypes.DATE, allowNull: false },
      },
      { sequelize, tableName: 'file' },
    )
  }
}
