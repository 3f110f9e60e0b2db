import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'

/** Email texts and designs of their own for some customers, by name. */
export class Variant extends Model<InferAttributes<Variant>, InferCreationAttributes<Variant>> {
  declare id: CreationOptional<number>
  declare name: string
  /** Nobody gets it any more. */
  declare retired: CreationOptional<boolean>
  declare version: CreationOptional<number>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        name: { type: DataTypes.TEXT, allowNull: false },
        retired: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
      },
      { sequelize, tableName: 'variant' },
    )
  }
}
