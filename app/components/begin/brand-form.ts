import { t } from '../../words'
import type { BodyOf } from '../../composables/api'
import type { BrandView } from '../../contract'
import { countryName } from '../../../core/countries'
import { codeOf, starterColours } from '../../../core/house/starter'

/** A brand as it is written at the beginning. */
export interface BrandForm {
  name: string
  code: string
  legalName: string
  address: string
  country: string
  taxNumber: string
  iban: string
  senderAddress: string
  pricesIncludeTax: boolean
  /** Base64; empty without one. */
  logo: string
  colours: { brand: string; accent: string; ground: string }
}

export const newBrandForm = (company: string, country: string, email: string): BrandForm => ({
  name: company,
  code: codeOf(company),
  legalName: company,
  address: '',
  country: countryName(country),
  taxNumber: '',
  iban: '',
  senderAddress: email,
  pricesIncludeTax: false,
  logo: '',
  colours: { ...starterColours },
})

/** A new brand that is like another; its name and code are its own. */
export const copiedBrand = (brand: BrandView): BrandForm => ({
  name: t('begin.brandCopy', { brand: brand.name }),
  code: codeOf(t('begin.brandCopy', { brand: brand.name })),
  legalName: brand.legalName,
  address: brand.addressLines.join('\n'),
  country: countryName(brand.country),
  taxNumber: brand.taxNumber,
  iban: brand.banks[0]?.iban ?? '',
  senderAddress: brand.senderAddress,
  pricesIncludeTax: brand.pricesIncludeTax,
  logo: '',
  colours: { ...starterColours },
})

/** A form as it is saved. */
export function writtenBrand(form: BrandForm): BodyOf<'/api/brands', 'post'> {
  const { address, iban, logo, ...rest } = form
  return {
    ...rest,
    senderName: form.name,
    addressLines: address
      .split('\n')
      .map((line) => line.trim())
      .filter(Boolean),
    banks: iban.trim() ? [{ name: '', iban: iban.trim(), bic: '', currency: '' as const }] : [],
    ...(logo ? { logo } : {}),
  }
}
