import type { BankAccount } from '../../../core/documents/bank'
import { documentKinds } from '../../../core/documents/kinds'
import { checkIban } from '../../../core/documents/payment-code'
import { readDesign } from '../../../core/designs/check-design'
import { suppliedDesign, type Look } from '../../../core/designs/supplied'
import { badInput, Refusal } from '../../../core/errors'
import { coloursOf } from '../../../core/house/logo-colours'
import { purposesOf } from '../../../core/emailtexts/purposes'
import { starterColours, starterLook, starterSeries, starterText } from '../../../core/house/starter'
import { languages } from '../../../core/money/format'
import { isAddress } from '../../../core/preferences/recipients'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { Brand, Company, DesignVersion, EmailTextVersion, NumberSeries } from '../../db/models'
import { keepFile } from '../../outside/filestore/store'
import { flattenPicture, pixelsOf } from '../../outside/filestore/picture'
import { publish } from '../live/publish'
import type { Principal } from '../people/principal'

/*
 * Adds a brand with everything that its documents need: a design, email texts and a number series for each kind.
 * Called by the first visit and from Settings by a supervisor, and by the demo's loader.
 */

export interface NewBrand {
  code: string
  name: string
  legalName: string
  addressLines: string[]
  country: string
  taxNumber: string
  banks: BankAccount[]
  senderName: string
  senderAddress: string
  pricesIncludeTax: boolean
  /** PNG, JPEG or SVG. */
  logo?: Uint8Array
  colours?: Look['colours']
  /** The brand whose designs and email texts it begins with, in place of the supplied ones. */
  copyOf?: number
}

/** Colours that go with a logo. @throws Refusal "bad-picture" */
export function proposeColours(logo: Uint8Array): Look['colours'] {
  flattenPicture(logo, '#ffffff')
  return coloursOf(pixelsOf(logo))
}

/** The logo's place at the head of a document: 26 mm high or 40 mm wide, whichever is reached first. */
const logoPlace = { width: 40, height: 22 }

async function logoFor(bytes: Uint8Array): Promise<Look['logo']> {
  const flat = flattenPicture(bytes, '#ffffff')
  const ratio = flat.width / flat.height
  return {
    picture: await keepFile(flat.bytes, flat.mediaType),
    original: await keepFile(bytes, 'application/octet-stream'),
    ratio,
    width: Math.max(8, Math.floor(Math.min(logoPlace.width, logoPlace.height * ratio))),
  }
}

/** The newest designs by kind, and email texts by purpose, kind and language, of a brand. */
async function looksOf(brandId: number) {
  const order = [['version', 'ASC']] as [string, string][]
  const designs = await DesignVersion.findAll({ where: { brandId, variantId: null }, order })
  const texts = await EmailTextVersion.findAll({ where: { brandId, variantId: null }, order })
  return {
    designs: new Map(designs.map((one) => [one.kind, one.design])),
    texts: new Map(
      texts.map(({ purpose, kind, language, subject, text }) => [
        `${purpose} ${kind} ${language}`,
        { subject, text },
      ]),
    ),
  }
}

/** @returns the brand's id @throws Refusal "bad-address", "same-code", "bad-picture", or of an IBAN */
export async function addBrand(
  { logo, colours, copyOf, ...brand }: NewBrand,
  who: Principal,
): Promise<number> {
  if (!isAddress(brand.senderAddress))
    throw badInput('bad-address', 'senderAddress', { address: brand.senderAddress })
  const banks = brand.banks.map((bank) => ({ ...bank, iban: bank.iban.replace(/\s/g, '').toUpperCase() }))
  banks.forEach((bank, index) => checkIban(bank.iban, `banks.${index}.iban`))
  const chosen = colours ?? (logo ? proposeColours(logo) : starterColours)
  return inTransaction(async () => {
    const company = await Company.findByPk(1, { lock: true })
    if (!company) throw new Refusal('no-company')
    if (await Brand.findOne({ where: { code: brand.code } }))
      throw badInput('same-code', 'code', { code: brand.code })
    const isFirst = (await Brand.count()) === 0
    const { id } = await Brand.create({
      ...brand,
      banks,
      email: brand.senderAddress,
      replyTo: brand.senderAddress,
      mailAccountId: null,
    })
    const design = readDesign(
      suppliedDesign(starterLook(brand.name, chosen, logo ? await logoFor(logo) : null)),
    )
    const made = { brandId: id, version: 1, madeAt: clock.now(), madeBy: who.name }
    const copied = copyOf === undefined ? undefined : await looksOf(copyOf)
    await DesignVersion.bulkCreate(
      documentKinds.map((kind) => ({ ...made, kind, design: copied?.designs.get(kind) ?? design })),
    )
    await EmailTextVersion.bulkCreate(
      documentKinds.flatMap((kind) =>
        purposesOf(kind).flatMap((purpose) =>
          languages.map((language) => ({
            ...made,
            purpose,
            kind,
            language,
            ...(copied?.texts.get(`${purpose} ${kind} ${language}`) ?? starterText(purpose, kind, language)),
          })),
        ),
      ),
    )
    await NumberSeries.bulkCreate(
      documentKinds.map((kind) => ({
        ...starterSeries(kind, isFirst, company.businessYearStart),
        kind,
        brandId: id,
        country: '',
        currency: '',
      })),
    )
    publish('house')
    return id
  })
}
