import { ids, Joi, name } from '../../http/checks'
import { route } from '../../http/route'
import { askLabelsOfMany } from '../../services/shipping/labels'

/** Has labels bought for many shipments and returns; one that is refused never keeps the others back. */
export default route<object, object, { sourceIds: number[]; service?: string }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ body }) => ({ sources: body.sourceIds }),
    body: Joi.object({ sourceIds: ids, service: name(80) }),
  },
  ({ body: { sourceIds, ...how }, user }) => askLabelsOfMany(sourceIds, how, user),
)
