import { config } from '../../config'
import { route } from '../../route'
import { gate } from '../../services/house/gate'
import { brands, company } from '../../services/house/house'

/** What every page needs to know of the house. */
export default route({ role: 'reader' }, async () => {
  const { name, timeZone, orderStatuses, orderFields, taxRates, currency, country, smallDifference } =
    await company()
  return {
    company: { name, timeZone, orderStatuses, orderFields, taxRates, currency, country, smallDifference },
    brands: (await brands()).map((brand) => ({ id: brand.id, code: brand.code, name: brand.name })),
    gate: await gate(),
    mailboxesUrl: config.mailboxesUrl,
  }
})
