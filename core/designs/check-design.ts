import Ajv from 'ajv'
import { badInput } from '../errors'
import type { Design } from './design'
import schema from './design.schema.json'

const validate = new Ajv({ discriminator: true, allErrors: false }).compile<Design>(schema)

/**
 * Reads a design from data that was kept or came from elsewhere, by design.schema.json.
 * @throws Refusal "bad-design" naming the place in it, "no-such-picture"
 */
export function readDesign(data: unknown): Design {
  if (!validate(data)) {
    const [error] = validate.errors!
    const place = error!.instancePath.slice(1).replaceAll('/', '.')
    throw badInput('bad-design', place || 'design', {
      place: place && ` at ${place}`,
      fault: error!.message!,
    })
  }
  const pieces = data.strips.flatMap((one) => ('pieces' in one ? one.pieces : []))
  const lost = pieces.find((one) => one.piece === 'picture' && !(one.picture in data.pictures))
  if (lost?.piece === 'picture') throw badInput('no-such-picture', 'pictures', { picture: lost.picture })
  return data
}
