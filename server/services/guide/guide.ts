import { documentKinds, kindFacts } from '../../../core/documents/kinds'
import { languages, type Language } from '../../../core/money/format'
import { isAddress } from '../../../core/preferences/recipients'
import { listCustomers } from '../customers/queries'
import { brands, company, emailTexts, newestDesigns } from '../house/house'
import { brandsOf, theHouse } from '../people/principal'
import { canMail } from '../house/mail-accounts-queries'
import { customerLanguages, seriesKinds, routinesOn, started } from './queries'

/*
 * The set-up guide: what must stand before anything can go out, in the order one would do it, each with what
 * is still missing.
 * Called from the Company page. Reads only.
 */

export interface GuideStep {
  key: string
  words: string
  /** What is still missing, in plain words; empty when done. */
  missing: string[]
  /** Without it nothing can go out; else it is only advised. */
  needed: boolean
  /** Where it is mended: a part of the Company page, or a place. */
  to: string
}

const languageWords: Record<Language, string> = { en: 'English', de: 'German', fr: 'French' }

export async function setUpGuide(who = theHouse): Promise<GuideStep[]> {
  const house = await company()
  const all = brandsOf(who, await brands()).filter((brand) => !brand.retired)
  // what the house does not use needs nothing
  const kinds = documentKinds.filter((kind) => !house.kindsOff.includes(kind))
  const used = (await customerLanguages())
    .map((row) => row.language)
    .filter((language) => languages.includes(language))
  const series = await seriesKinds()
  const looks = (await Promise.all(kinds.map((kind) => newestDesigns(kind)))).flat()
  const notes = await Promise.all(kinds.map(async (kind) => ({ kind, notes: await emailTexts(kind) })))
  const routines = (await routinesOn())!
  const begun = (await started())!
  const unreached = (await listCustomers({ trouble: true, limit: 1 }, who)).matching
  const perBrand = (lacks: (brand: (typeof all)[number]) => string[]) =>
    all.flatMap((brand) => lacks(brand).map((what) => `${brand.name}: ${what}`))
  const some = (...found: (string | false)[]) => found.filter((one): one is string => one !== false)
  return [
    {
      key: 'identity',
      words: 'Each brand has its name, address and tax number',
      needed: true,
      to: 'Identity',
      missing: perBrand((brand) =>
        some(
          !brand.legalName && 'legal name',
          brand.addressLines.length === 0 && 'address',
          !brand.taxNumber && !Object.values(brand.withoutTaxNumber ?? {}).some(Boolean) && 'tax number',
        ),
      ),
    },
    {
      key: 'bank',
      words: 'Invoices say where to pay',
      needed: true,
      to: 'Identity',
      missing: perBrand((brand) => some(brand.banks.length === 0 && 'bank account')),
    },
    {
      key: 'logo',
      words: 'Documents carry the logo',
      needed: false,
      to: 'Design',
      missing: perBrand((brand) =>
        some(!looks.some((look) => look.brandId === brand.id && look.design.pictures.logo) && 'logo'),
      ),
    },
    {
      key: 'sender',
      words: 'Emails have a sender, and somebody reads the answers',
      needed: true,
      to: 'Identity',
      missing: perBrand((brand) =>
        some(
          !isAddress(brand.senderAddress) && 'sender address',
          !isAddress(brand.replyTo) && 'address for answers',
        ),
      ),
    },
    {
      key: 'mail',
      words: 'Emails can be sent',
      needed: true,
      to: 'Mail accounts',
      missing: some(!(await canMail()) && 'mail account; emails wait until there is one'),
    },
    {
      key: 'public',
      words: 'Links in emails lead here',
      needed: false,
      to: 'General',
      missing: some(!house.publicAddress && 'public address'),
    },
    {
      key: 'numbers',
      words: 'Each kind of document has its numbers',
      needed: true,
      to: 'Numbers',
      missing: perBrand((brand) =>
        kinds
          .filter((kind) => !series.some((one) => one.kind === kind && one.brandId === brand.id))
          .map((kind) => `numbers for ${kindFacts[kind].many}`),
      ),
    },
    {
      key: 'notes',
      words: 'Each kind has its email text in your customers’ languages',
      needed: true,
      to: 'Email text',
      missing: perBrand((brand) =>
        notes.flatMap(({ kind, notes: found }) =>
          used
            .filter(
              (language) => !found.some((note) => note.brandId === brand.id && note.language === language),
            )
            .map((language) => `${kind} in ${languageWords[language]}`),
        ),
      ),
    },
    {
      key: 'data',
      words: 'Customers and items are there',
      needed: false,
      to: '/customers',
      missing: some(!begun.customer && 'first customer', !begun.item && 'first item'),
    },
    {
      key: 'customers',
      words: 'Every customer can be reached',
      needed: false,
      to: '/customers?trouble=true',
      missing: unreached
        ? [`${unreached} ${unreached === 1 ? 'customer' : 'customers'} without an address or contact`]
        : [],
    },
    {
      key: 'routines',
      words: 'A routine says what goes out when',
      needed: false,
      to: '/routines',
      missing: routines.count === 0 ? ['no routine is switched on'] : [],
    },
    {
      key: 'notices',
      words: 'Somebody is told by mail when something gets stuck',
      needed: false,
      to: 'General',
      missing: some(!isAddress(house.failureNoticeTo) && 'address for failure notices'),
    },
  ]
}
