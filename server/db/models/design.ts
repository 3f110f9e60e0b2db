import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { Design } from '../../../core/designs/design'
import { Brand } from './brand'
import { Variant } from './variant'

/** The design of a kind of document: a new version with every change, none is ever changed. */
export class DesignVersion extends Model<
  InferAttributes<DesignVersion>,
  InferCreationAttributes<DesignVersion>
> {
  declare id: CreationOptional<number>
  declare brandId: number
  declare kind: DocumentKind
  declare version: number
  declare design: Design
  declare madeAt: Date
  declare madeBy: string
  /** Null: the brand's own. */
  declare variantId: CreationOptional<number | null>
  /** From this version on the variant has none of its own. */
  declare givenUp: CreationOptional<boolean>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        brandId: { type: DataTypes.INTEGER, allowNull: false },
        kind: { type: DataTypes.TEXT, allowNull: false },
        version: { type: DataTypes.INTEGER, allowNull: false },
        design: { type: DataTypes.JSONB, allowNull: false },
        madeAt: { type: DataTypes.DATE, allowNull: false },
        madeBy: { type: DataTypes.TEXT, allowNull: false },
        variantId: { type: DataTypes.INTEGER },
        givenUp: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
      },
      { sequelize, tableName: 'design' },
    )
  }

  static associate(): void {
    this.belongsTo(Brand, { as: 'brand', foreignKey: 'brandId' })
    this.belongsTo(Variant, { as: 'variant', foreignKey: 'variantId' })
  }
}
