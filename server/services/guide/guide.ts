import { documentKinds, kindFacts } from '../../../core/documents/kinds'
import { languages, type Language } from '../../../core/money/format'
import { isAddress } from '../../../core/preferences/recipients'
import { told, type Told } from '../../../core/said/told'
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
  key:
    | 'identity'
    | 'bank'
    | 'logo'
    | 'sender'
    | 'mail'
    | 'public'
    | 'numbers'
    | 'notes'
    | 'data'
    | 'customers'
    | 'routines'
    | 'notices'
  /** What is still missing; empty when done. */
  missing: Told[]
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
  const some = (...found: (Told | false)[]) => found.filter((one): one is Told => one !== false)
  return [
    {
      key: 'identity',
      needed: true,
      to: 'Identity',
      missing: all.flatMap(({ name: brand, ...own }) =>
        some(
          !own.legalName && told('guide/legal-name', { brand }),
          own.addressLines.length === 0 && told('guide/address', { brand }),
          !own.taxNumber &&
            !Object.values(own.withoutTaxNumber ?? {}).some(Boolean) &&
            told('guide/tax-number', { brand }),
        ),
      ),
    },
    {
      key: 'bank',
      needed: true,
      to: 'Identity',
      missing: all
        .filter(({ banks }) => banks.length === 0)
        .map(({ name: brand }) => told('guide/bank', { brand })),
    },
    {
      key: 'logo',
      needed: false,
      to: 'Design',
      missing: all
        .filter(({ id }) => !looks.some((look) => look.brandId === id && look.design.pictures.logo))
        .map(({ name: brand }) => told('guide/logo', { brand })),
    },
    {
      key: 'sender',
      needed: true,
      to: 'Identity',
      missing: all.flatMap(({ name: brand, senderAddress, replyTo }) =>
        some(
          !isAddress(senderAddress) && told('guide/sender', { brand }),
          !isAddress(replyTo) && told('guide/answers', { brand }),
        ),
      ),
    },
    {
      key: 'mail',
      needed: true,
      to: 'Mail accounts',
      missing: some(!(await canMail()) && told('guide/mail')),
    },
    {
      key: 'public',
      needed: false,
      to: 'General',
      missing: some(!house.publicAddress && told('guide/public')),
    },
    {
      key: 'numbers',
      needed: true,
      to: 'Numbers',
      missing: all.flatMap(({ id, name: brand }) =>
        kinds
          .filter((kind) => !series.some((one) => one.kind === kind && one.brandId === id))
          .map((kind) => told('guide/numbers', { brand, kinds: kindFacts[kind].many })),
      ),
    },
    {
      key: 'notes',
      needed: true,
      to: 'Email text',
      missing: all.flatMap(({ id, name: brand }) =>
        notes.flatMap(({ kind, notes: found }) =>
          used
            .filter((language) => !found.some((note) => note.brandId === id && note.language === language))
            .map((language) => told('guide/email-text', { brand, kind, language: languageWords[language] })),
        ),
      ),
    },
    {
      key: 'data',
      needed: false,
      to: '/customers',
      missing: some(!begun.customer && told('guide/first-customer'), !begun.item && told('guide/first-item')),
    },
    {
      key: 'customers',
      needed: false,
      to: '/customers?trouble=true',
      missing: some(
        unreached === 1 && told('guide/unreached-one'),
        unreached > 1 && told('guide/unreached', { customers: unreached }),
      ),
    },
    {
      key: 'routines',
      needed: false,
      to: '/routines',
      missing: some(routines.count === 0 && told('guide/routines')),
    },
    {
      key: 'notices',
      needed: false,
      to: 'General',
      missing: some(!isAddress(house.failureNoticeTo) && told('guide/notices')),
    },
  ]
}
