import type { PaperSource } from '../../../core/documents/issue'
import type { BranchView } from '../house/branches'
import type { BrandRow } from '../house/house'

/**
 * What a paper takes from a brand, its address and accounts from the branch where there is one; sender addresses and
 * the like stay out, so that changing them does not change papers.
 */
export function brandFacts(
  {
    id,
    code,
    name,
    legalName,
    addressLines,
    country,
    homeLanguage,
    phone,
    email,
    website,
    registration,
    taxNumber,
    banks,
    methods,
    withoutTaxNumber,
  }: BrandRow,
  branch: BranchView | undefined,
): PaperSource['brand'] {
  return {
    id,
    code,
    name,
    legalName,
    addressLines,
    country,
    homeLanguage,
    phone,
    email,
    website,
    registration,
    taxNumber,
    banks,
    ...(branch
      ? {
          branch: branch.name,
          addressLines: branch.addressLines,
          country: branch.country,
          phone: branch.phone || phone,
          email: branch.email || email,
          banks: branch.banks.length ? branch.banks : banks,
        }
      : {}),
    ...(methods.length ? { methods } : {}),
    ...(taxNumber ? {} : { withoutTaxNumber }),
  }
}
