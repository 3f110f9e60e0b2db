import { config } from '../../config'
import { route } from '../../http/route'
import { gate } from '../../services/house/queries'
import { ownFields } from '../../services/fields/own-fields'
import { brands, company } from '../../services/house/house'
import { variantNames } from '../../services/house/variants'
import { brandsOf } from '../../services/people/principal'
import { startPageOf } from '../../services/people/queries'
import { startOfRole } from '../../../core/house/start-pages'

/** What every page needs to know of the house. */
export default route({ role: 'reader', brands: 'own' }, async ({ user }) => {
  const {
    name,
    timeZone,
    orderStatuses,
    statusSteps,
    kindsOff,
    contactRoles,
    taxRates,
    currency,
    country,
    language,
    smallDifference,
    publicAddress,
    editableFiles,
  } = await company()
  return {
    company: {
      name,
      timeZone,
      orderStatuses,
      statusSteps,
      kindsOff,
      contactRoles,
      taxRates,
      currency,
      country,
      language,
      smallDifference,
      linksLead: publicAddress !== '',
      editableFiles,
    },
    brands: brandsOf(user, await brands()).map((brand) => ({
      id: brand.id,
      code: brand.code,
      name: brand.name,
      retired: brand.retired,
    })),
    variants: await variantNames(),
    startPage: (await startPageOf(user.id)) || startOfRole[user.role],
    ownFields: await ownFields(),
    gate: await gate(),
    mailboxesUrl: config.mailboxesUrl,
  }
})
