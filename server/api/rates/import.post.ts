import { Joi } from '../../checks'
import { route } from '../../route'
import { importRates } from '../../services/house/rates'

/** Exchange rates from a CSV file with the columns currency, day, rate and source. */
export default route<object, object, { csv: string }>({ role: 'supervisor', body: Joi.object({ csv: Joi.string().max(900_000).required() }) }, ({ body }) => importRates(body.csv))
