import { id, Joi } from '../../../../http/checks'
import { route } from '../../../../http/route'
import { mendRow } from '../../../../services/imports/imports'

/** Mends one row on the spot; it is checked at once. */
export default route<{ id: number; line: number }, object, { cells: string[] }>(
  {
    role: 'clerk',
    brands: 'all',
    params: Joi.object({ id: id.required(), line: id.required() }),
    body: Joi.object({ cells: Joi.array().items(Joi.string().max(4000).allow('')).max(200).required() }),
  },
  ({ params, body }) => mendRow(params.id, params.line, body.cells),
)
