import { fromBraces } from '../core/emailtexts/braces'
import { customerDefaults, keepGroup } from '../server/services/customers/groups'
import { brandViews } from '../server/services/house/change'
import { changeEmail } from '../server/services/house/change-email'
import { addVariant } from '../server/services/house/variants'
import { inTheNameOf } from '../server/services/people/principal'

/* A variant in the demo house: schools read other words with their order confirmation. */

const kind = 'order confirmation'
const subject = 'Your school’s order {{ order }}'
const text = [
  '{{ greeting }},',
  'thank you for ordering with us. The confirmation is enclosed; please check it and pass a copy on to your school ' +
    'office, which will have the invoice.',
  'Deliveries to schools come on working days before two o’clock. Should nobody be there then, a word to us is enough.',
  'With kind regards\n{{ sender }}',
].join('\n\n')

/** @param brandId of the brand that writes to schools so */
export async function writeToSchools(brandId: number): Promise<void> {
  const who = inTheNameOf('Maeve Tarrant')
  const variantId = await addVariant('Schools')
  const { version, emailLook: look } = (await brandViews(kind)).find((one) => one.id === brandId)!
  await changeEmail(
    brandId,
    {
      version,
      kind,
      purpose: 'first',
      language: 'en',
      variantId,
      subject: fromBraces(subject),
      text: fromBraces(text),
      look,
    },
    who,
  )
  const schools = (await customerDefaults()).groups.find(({ name }) => name === 'Schools')!
  await keepGroup(
    schools.id,
    {
      ...schools,
      preferences: {
        ...schools.preferences,
        [kind]: { ...schools.preferences[kind], text: variantId },
      },
    },
    schools.version,
  )
}
