import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'

/**
 * Who works here. Passwords are kept as scrypt hashes; there is none until an invitation is taken up. Who has left
 * keeps the row, and the name in the history, and nothing else.
 */
export class Staff extends Model<InferAttributes<Staff>, InferCreationAttributes<Staff>> {
  declare id: CreationOptional<number>
  declare email: string
  declare name: string
  declare role: 'clerk' | 'supervisor' | 'reader'
  declare passwordHash: CreationOptional<string>
  declare leftAt: Date | null
  declare version: CreationOptional<number>
  /** The sealed secret of a second factor; empty for none. */
  declare sealedSecondFactor: CreationOptional<string>
  /** The last of its steps that was used. */
  declare secondFactorStep: string | null
  /** Where one begins after signing in; by the role where it is empty. */
  declare startPage: CreationOptional<string>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        email: { type: DataTypes.TEXT, allowNull: false },
        name: { type: DataTypes.TEXT, allowNull: false },
        role: { type: DataTypes.TEXT, allowNull: false },
        passwordHash: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        leftAt: { type: DataTypes.DATE },
        version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
        sealedSecondFactor: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        secondFactorStep: { type: DataTypes.BIGINT },
        startPage: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
      },
      { sequelize, tableName: 'staff' },
    )
  }
}
