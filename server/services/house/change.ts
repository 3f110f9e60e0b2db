import { badInput, Refusal } from '../../../core/errors'
import { emailPurposes } from '../../../core/emailtexts/purposes'
import { documentKinds, type DocumentKind } from '../../../core/documents/kinds'
import type { PaymentMethod } from '../../../core/documents/facts'
import type { BankAccount } from '../../../core/documents/bank'
import { checkIban } from '../../../core/documents/payment-code'
import type { Language } from '../../../core/money/format'
import { readDesign } from '../../../core/designs/check-design'
import {
  colourOf,
  type Design,
  type DesignPicture,
  type HideableSum,
  type ItemNamedBy,
  type Zone,
} from '../../../core/designs/design'
import { isFree, lookOf, suppliedDesign, type Look } from '../../../core/designs/supplied'
import { isAddress } from '../../../core/preferences/recipients'
import { ofVariant } from '../../../core/preferences/variants'
import { groupBy } from '../../../core/group'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { Brand } from '../../db/models'
import { keepFile, readFileBytes } from '../../outside/filestore/store'
import { flattenPicture } from '../../outside/filestore/picture'
import { markStale } from '../outbox/stale'
import { publish } from '../live/publish'
import { raiseVersion } from './brand-version'
import { variantInUse } from './variants'
import { bankChange } from './bank-change'
import {
  brands,
  designsInForce,
  emailTextsInForce,
  type BrandRow,
  type DesignRow,
  type EmailTextRow,
  type SeriesRow,
} from './house'
import { type Principal, brandsOf, theHouse } from '../people/principal'
import { seriesOfKind, usedCounters, insertDesignVersion, waitingByText } from './change-queries'

/*
 * Changing a brand's identity and looks. Papers already issued keep what they were made with;
 * those prepared and waiting are built anew and marked. Refuses what could not be printed, sent or numbered.
 */

export type SeriesView = SeriesRow & { counters: { period: string; last: number }[] }

export interface BrandView extends BrandRow {
  design: DesignRow
  series: SeriesView | null
  /** Closer ones, for a country or a currency. */
  closerSeries: SeriesView[]
  notes: EmailTextView[]
  /** What variants have of their own. */
  ofVariants: { designs: DesignRow[]; notes: EmailTextView[] }
}

/** An email text, with how many documents that are not issued yet say it and would follow a change. */
export interface EmailTextView extends EmailTextRow {
  waiting: number
}

/** The brands with everything a person sets up for them, for one kind of document. */
export async function brandViews(kind: string, who = theHouse): Promise<BrandView[]> {
  const designs = groupBy(await designsInForce(kind), (one) => one.brandId)
  const waiting = new Map((await waitingByText(kind)).map((one) => [one.emailTextId, one.waiting]))
  const notes = groupBy(
    (await emailTextsInForce(kind, emailPurposes)).map((one) => ({
      ...one,
      waiting: waiting.get(one.id) ?? 0,
    })),
    (one) => one.brandId,
  )
  const series = await seriesOfKind(kind)
  const counters = await usedCounters()
  return brandsOf(who, await brands()).map((brand) => {
    const own = series
      .filter((one) => one.brandId === brand.id)
      .map((one) => ({ ...one, counters: counters.filter((counter) => counter.seriesId === one.id) }))
    const ownDesigns = designs.get(brand.id)!
    const ownNotes = notes.get(brand.id) ?? []
    return {
      ...brand,
      design: ownDesigns.find(({ variantId }) => variantId === null)!,
      notes: ownNotes.filter(({ variantId }) => variantId === null),
      ofVariants: {
        designs: ownDesigns.filter(({ variantId }) => variantId !== null),
        notes: ownNotes.filter(({ variantId }) => variantId !== null),
      },
      series: own.find((one) => !one.country && !one.currency) ?? null,
      closerSeries: own.filter((one) => one.country || one.currency),
    }
  })
}

export interface BrandChange {
  version: number
  name: string
  legalName: string
  addressLines: string[]
  country: string
  phone: string
  email: string
  website: string
  registration: string
  taxNumber: string
  withoutTaxNumber: Partial<Record<Language, string>>
  banks: BankAccount[]
  senderName: string
  senderAddress: string
  replyTo: string
  pricesIncludeTax: boolean
  methods: PaymentMethod[]
}

/** Keeps a brand's identity. @throws Refusal for an IBAN or address that cannot be right */
export async function changeBrand(
  brandId: number,
  change: BrandChange,
  who: Principal & { id: number },
): Promise<void> {
  const banks = change.banks.map((bank) => ({
    ...bank,
    iban: bank.iban.replace(/\s/g, '').toUpperCase(),
    bic: bank.bic.trim(),
  }))
  banks.forEach((bank, index) => checkIban(bank.iban, `banks.${index}.iban`))
  for (const field of ['senderAddress', 'replyTo'] as const) {
    if (!isAddress(change[field])) throw badInput('bad-address', field, { address: change[field] })
  }
  await inTransaction(async () => {
    await raiseVersion(brandId, change.version)
    const { banks: before } = (await Brand.findByPk(brandId))!
    await Brand.update(
      {
        ...(await bankChange(before, banks, who)),
        name: change.name,
        legalName: change.legalName,
        addressLines: change.addressLines,
        country: change.country,
        phone: change.phone,
        email: change.email,
        website: change.website,
        registration: change.registration,
        taxNumber: change.taxNumber,
        banks,
        senderName: change.senderName,
        senderAddress: change.senderAddress,
        replyTo: change.replyTo,
        pricesIncludeTax: change.pricesIncludeTax,
        paymentMethods: change.methods,
        withoutTaxNumber: change.withoutTaxNumber,
      },
      { where: { id: brandId } },
    )
    await markStale('brand', brandId)
    publish('house')
  })
}

/** Narrowest and widest logo on a paper, in millimetres. */
const logoWidths = [5, 60] as const

/** The tallest logo that stays in the head of a paper, in millimetres. */
const logoHeight = 26

/** How a brand's papers look; what is left out stays. */
export interface LookChange {
  version: number
  picture?: Uint8Array
  /** Millimetres. */
  width?: number
  noLogo?: boolean
  supplied?: Design['supplied']
  fonts?: Design['fonts']
  colours?: Design['colours']
  hiddenSums?: HideableSum[]
  slip?: boolean
  account?: boolean
  peelOff?: Zone | null
  /** By what lines name their items. */
  item?: ItemNamedBy
  /** Only the papers of this kind; without it all of the brand's. */
  kind?: DocumentKind
  /** Only those of the customers of a variant; null for the brand's own. */
  variantId?: number | null
}

/**
 * Changes logo, colours, fonts or design of the brand's papers, of one kind or all; a new version of each
 * design comes in force.
 */
export async function changeLook(brandId: number, change: LookChange, who: Principal): Promise<void> {
  if (change.width !== undefined && (change.width < logoWidths[0] || change.width > logoWidths[1])) {
    throw badInput('bad-width', 'width', { narrowest: logoWidths[0], widest: logoWidths[1] })
  }
  const { variantId = null } = change
  await variantInUse(variantId)
  const current = (
    await Promise.all((change.kind ? [change.kind] : documentKinds).map((kind) => designsInForce(kind)))
  ).flatMap((designs) => ofVariant(designs, brandId, variantId) ?? [])
  if (current.length === 0) throw new Refusal('no-such-brand', { status: 404 })
  if (change.picture) flattenPicture(change.picture, '#ffffff') // refused before anything is kept
  const uploaded = change.picture && {
    bytes: change.picture,
    original: await keepFile(change.picture, 'application/octet-stream'),
  }
  const looks = await Promise.all(
    current.map(async ({ id, design }) => {
      const before = lookOf(design)
      const { supplied, fonts, colours, hiddenSums, slip, account, peelOff, item } = change
      const look: Look = {
        ...before,
        supplied: supplied ?? before.supplied,
        fonts: fonts ?? before.fonts,
        colours: colours ?? before.colours,
        hiddenSums: hiddenSums ?? before.hiddenSums,
        slip: slip ?? before.slip,
        account: account ?? before.account,
        peelOff: peelOff === undefined ? before.peelOff : peelOff,
        item: item ?? before.item,
      }
      if (look.peelOff && !isFree(look.peelOff, design)) throw badInput('bad-peel-off', 'peelOff')
      const logo = await logoOf(before, look, change, uploaded)
      return { id, design: readDesign(suppliedDesign({ ...look, logo })) }
    }),
  )
  await inTransaction(async () => {
    await raiseVersion(brandId, change.version)
    for (const { id, design } of looks)
      await insertDesignVersion({ id, variantId, design, now: clock.now(), actor: who.name })
    await markStale('brand', brandId)
    publish('house')
  })
}

/** The colour that lies behind the logo. */
const behindLogo = (look: Look): string => {
  const design = suppliedDesign(look)
  const head = design.strips.find((one) => one.strip === 'letterhead')
  return head?.band ? colourOf(design, head.band.colour) : '#ffffff'
}

/** The logo as it is to stand: a new picture, or the old one laid anew on a colour that changed behind it. */
async function logoOf(
  before: Look,
  now: Look,
  change: LookChange,
  uploaded: { bytes: Uint8Array; original: string } | undefined,
): Promise<DesignPicture | null> {
  if (change.noLogo) return null
  const width = change.width ?? before.logo?.width ?? 20
  const original = uploaded?.original ?? before.logo?.original
  if (!uploaded && !before.logo) return null
  const relaid = uploaded || (original && behindLogo(before) !== behindLogo(now))
  if (!relaid) return placed({ ...before.logo!, width })
  const flat = await flattenPicture(uploaded?.bytes ?? (await readFileBytes(original!)), behindLogo(now))
  return placed({
    picture: await keepFile(flat.bytes, flat.mediaType),
    ratio: flat.width / flat.height,
    width,
    original,
  })
}

/** @throws Refusal "logo-too-tall" when it would leave its place at the head */
function placed(logo: DesignPicture): DesignPicture {
  const height = logo.width / logo.ratio
  if (height <= logoHeight) return logo
  const widest = Math.floor(logoHeight * logo.ratio)
  const values = { width: logo.width, height: Math.round(height), most: logoHeight }
  throw widest >= logoWidths[0]
    ? badInput('logo-too-tall', 'width', { ...values, widest })
    : badInput('logo-too-tall/narrow', 'width', values)
}
