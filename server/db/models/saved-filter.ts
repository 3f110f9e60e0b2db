import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'

/** What a list is narrowed to, kept by a name for everybody at the desk. */
export class SavedFilter extends Model<InferAttributes<SavedFilter>, InferCreationAttributes<SavedFilter>> {
  declare id: CreationOptional<number>
  /** The list: the name of its page. */
  declare page: string
  declare name: string
  declare filters: Record<string, string>
  declare madeAt: Date
  declare madeBy: string

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        page: { type: DataTypes.TEXT, allowNull: false },
        name: { type: DataTypes.TEXT, allowNull: false },
        filters: { type: DataTypes.JSONB, allowNull: false },
        madeAt: { type: DataTypes.DATE, allowNull: false },
        madeBy: { type: DataTypes.TEXT, allowNull: false },
      },
      { sequelize, tableName: 'saved_filter' },
    )
  }

  static associate(): void {}
}
