import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { Paper } from '../../../core/documents/paper'
import type { Language } from '../../../core/money/format'
import { Brand } from './brand'
import { Customer } from './customer'
import { DesignVersion } from './design'
import { EmailTextVersion } from './email-text'
import { NumberSeries } from './number-series'
import { PreparedDocument } from './prepared-document'
import { Source } from './source'

/** An issued document, for good. Its sums and its printed facts never change. */
export class IssuedDocument extends Model<
  InferAttributes<IssuedDocument>,
  InferCreationAttributes<IssuedDocument>
> {
  declare id: CreationOptional<number>
  declare kind: DocumentKind
  declare number: string
  /** None where it was taken over from the program before. */
  declare seriesId: number | null
  declare period: string
  declare counter: number | null
  declare date: string
  declare dueDate: string | null
  declare sourceId: number
  declare orderNumber: string
  declare customerId: number
  declare customerName: string
  declare brandId: number
  declare language: Language
  declare currency: string
  declare net: string
  declare tax: string
  declare total: string
  /** What the document asks for. */
  declare toPay: string
  /** What is printed, frozen. */
  declare paper: Paper
  declare designId: number
  declare emailTextId: number
  declare preparedId: number
  declare issuedAt: Date
  declare issuedBy: string
  declare search: string
  declare creditsId: number | null
  declare replacesId: number | null
  /** The newer date before it in its series, where that was allowed. */
  declare earlierThan: string | null

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        kind: { type: DataTypes.TEXT, allowNull: false },
        number: { type: DataTypes.TEXT, allowNull: false },
        seriesId: { type: DataTypes.INTEGER },
        period: { type: DataTypes.TEXT, allowNull: false },
        counter: { type: DataTypes.INTEGER },
        date: { type: DataTypes.DATEONLY, allowNull: false },
        dueDate: { type: DataTypes.DATEONLY },
        sourceId: { type: DataTypes.INTEGER, allowNull: false },
        orderNumber: { type: DataTypes.TEXT, allowNull: false },
        customerId: { type: DataTypes.INTEGER, allowNull: false },
        customerName: { type: DataTypes.TEXT, allowNull: false },
        brandId: { type: DataTypes.INTEGER, allowNull: false },
        language: { type: DataTypes.TEXT, allowNull: false },
        currency: { type: DataTypes.TEXT, allowNull: false },
        net: { type: DataTypes.DECIMAL, allowNull: false },
        tax: { type: DataTypes.DECIMAL, allowNull: false },
        total: { type: DataTypes.DECIMAL, allowNull: false },
        toPay: { type: DataTypes.DECIMAL, allowNull: false },
        paper: { type: DataTypes.JSONB, allowNull: false },
        designId: { type: DataTypes.INTEGER, allowNull: false },
        emailTextId: { type: DataTypes.INTEGER, allowNull: false },
        preparedId: { type: DataTypes.INTEGER, allowNull: false },
        issuedAt: { type: DataTypes.DATE, allowNull: false },
        issuedBy: { type: DataTypes.TEXT, allowNull: false },
        search: { type: DataTypes.TEXT, allowNull: false },
        creditsId: { type: DataTypes.INTEGER },
        replacesId: { type: DataTypes.INTEGER },
        earlierThan: { type: DataTypes.DATEONLY },
      },
      { sequelize, tableName: 'document' },
    )
  }

  static associate(): void {
    this.belongsTo(NumberSeries, { as: 'series', foreignKey: 'seriesId' })
    this.belongsTo(Source, { as: 'source', foreignKey: 'sourceId' })
    this.belongsTo(Customer, { as: 'customer', foreignKey: 'customerId' })
    this.belongsTo(Brand, { as: 'brand', foreignKey: 'brandId' })
    this.belongsTo(DesignVersion, { as: 'design', foreignKey: 'designId' })
    this.belongsTo(EmailTextVersion, { as: 'emailText', foreignKey: 'emailTextId' })
    this.belongsTo(PreparedDocument, { as: 'prepared', foreignKey: 'preparedId' })
    this.belongsTo(IssuedDocument, { as: 'credits', foreignKey: 'creditsId' })
    this.belongsTo(IssuedDocument, { as: 'replaces', foreignKey: 'replacesId' })
  }
}
