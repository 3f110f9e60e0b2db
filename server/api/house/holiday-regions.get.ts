import { route } from '../../http/route'
import { holidayRegions } from '../../services/house/calendar'
import { company } from '../../services/house/house'

/** The parts of the house's country that have public holidays of their own. */
export default route({ role: 'reader', brands: 'none' }, async () => ({
  regions: await holidayRegions((await company()).country),
}))
