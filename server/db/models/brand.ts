import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { EmailLook } from '../../../core/emailtexts/email-look'
import type { Asked } from '../../../core/documents/second-look'
import type { BankAccount } from '../../../core/documents/bank'
import type { PaymentMethod } from '../../../core/documents/facts'
import type { Language } from '../../../core/money/format'

/** A name under which the company sells, with the look of its emails. */
export class Brand extends Model<InferAttributes<Brand>, InferCreationAttributes<Brand>> {
  declare id: CreationOptional<number>
  declare code: string
  declare name: string
  declare legalName: string
  declare addressLines: string[]
  declare country: string
  declare phone: CreationOptional<string>
  declare email: CreationOptional<string>
  declare website: CreationOptional<string>
  declare registration: CreationOptional<string>
  declare taxNumber: CreationOptional<string>
  declare senderName: string
  declare senderAddress: string
  declare replyTo: string
  declare version: CreationOptional<number>
  declare banks: CreationOptional<BankAccount[]>
  declare banksChanged: CreationOptional<Asked | null>
  /** Where emails go while their text is being tried. */
  declare textRehearsals: CreationOptional<Partial<Record<DocumentKind, string>>>
  declare emailLook: CreationOptional<EmailLook>
  declare pricesIncludeTax: CreationOptional<boolean>
  declare paymentMethods: CreationOptional<PaymentMethod[]>
  /** What invoices say instead of a tax number, by language. */
  declare withoutTaxNumber: CreationOptional<Partial<Record<Language, string>>>
  declare mailAccountId: number | null
  /** It is not used for new orders and documents any more. */
  declare retiredAt: Date | null

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        code: { type: DataTypes.TEXT, allowNull: false },
        name: { type: DataTypes.TEXT, allowNull: false },
        legalName: { type: DataTypes.TEXT, allowNull: false },
        addressLines: { type: DataTypes.JSONB, allowNull: false },
        country: { type: DataTypes.TEXT, allowNull: false },
        phone: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        email: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        website: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        registration: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        taxNumber: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        senderName: { type: DataTypes.TEXT, allowNull: false },
        senderAddress: { type: DataTypes.TEXT, allowNull: false },
        replyTo: { type: DataTypes.TEXT, allowNull: false },
        version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
        banks: { type: DataTypes.JSONB, allowNull: false, defaultValue: [] },
        banksChanged: { type: DataTypes.JSONB },
        emailLook: {
          type: DataTypes.JSONB,
          allowNull: false,
          defaultValue: JSON.parse(
            '{"colour": "brand", "closing": "", "heading": "line", "letters": "sans"}',
          ),
        },
        pricesIncludeTax: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        paymentMethods: { type: DataTypes.JSONB, allowNull: false, defaultValue: [] },
        withoutTaxNumber: { type: DataTypes.JSONB, allowNull: false, defaultValue: {} },
        mailAccountId: { type: DataTypes.INTEGER },
        retiredAt: { type: DataTypes.DATE },
        textRehearsals: { type: DataTypes.JSONB, allowNull: false, defaultValue: {} },
      },
      { sequelize, tableName: 'brand' },
    )
  }
}
