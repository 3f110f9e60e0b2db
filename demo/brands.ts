import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { suppliedDesign, usualPeelOff, type Look } from '../core/designs/supplied'
import { documentKinds, type DocumentKind } from '../core/documents/kinds'
import type { EmailText } from '../core/emailtexts/email-text'
import type { BlockNode } from '../core/emailtexts/nodes'
import { languages } from '../core/money/format'
import { purposesOf } from '../core/emailtexts/purposes'
import { starterText } from '../core/house/starter'
import { clock } from '../server/clock'
import { json, one, run } from '../server/db/connection'
import { keepFile } from '../server/outside/filestore/store'

/* The demo house's brands. */

export interface BrandData {
  code: string
  name: string
  legalName: string
  addressLines: string[]
  country: string
  phone: string
  email: string
  website: string
  registration: string
  taxNumber: string
  pricesIncludeTax?: boolean
  banks: object[]
  emailLook: object
  senderName: string
  senderAddress: string
  replyTo: string
  design: Omit<Look, 'logo' | 'hiddenSums' | 'slip' | 'peelOff' | 'item'>
  /** Its statements and reminders end in a slip. */
  slip?: boolean
  /** What goes with its goods is printed on sheets with a label to peel off. */
  peelOff?: boolean
  logo: string
  logoWidth: number
  series: Record<
    DocumentKind,
    {
      prefix: string
      suffix: string
      length: number
      start: number
      restart: string
      businessYearStart: number
    }
  >
}

/** The shop's confirmations list what was ordered; everything else says what is supplied. */
function demoText(brand: string, kind: DocumentKind, { subject, text }: EmailText): EmailText {
  if (brand !== 'LS' || kind !== 'order confirmation') return { subject, text }
  const [greeting, thanks, ...rest] = text.content
  const lines: BlockNode = { type: 'factTable', attrs: { of: 'lines' } }
  return { subject, text: { type: 'doc', content: [greeting!, thanks!, lines, ...rest] } }
}

/** Puts a brand with its designs, email texts and number series into the house. @param folder of its logo */
export async function loadBrand(brand: BrandData, folder: string): Promise<number> {
  const logo = readFileSync(join(folder, brand.logo))
  const picture = await keepFile(logo, 'image/png')
  const row = await one<{ id: number }>(
    `insert into brand (
      code, name, legal_name, address_lines, country, phone, email, website, registration, tax_number, banks,
      email_look, sender_name, sender_address, reply_to, prices_include_tax
    )
    values ($1, $2, $3, $4::jsonb, $5, $6, $7, $8, $9, $10, $11::jsonb, $12::jsonb, $13, $14, $15, $16)
    returning id`,
    [
      brand.code,
      brand.name,
      brand.legalName,
      json(brand.addressLines),
      brand.country,
      brand.phone,
      brand.email,
      brand.website,
      brand.registration,
      brand.taxNumber,
      json(brand.banks),
      json(brand.emailLook),
      brand.senderName,
      brand.senderAddress,
      brand.replyTo,
      brand.pricesIncludeTax ?? false,
    ],
  )
  const id = row!.id
  const design = suppliedDesign({
    ...brand.design,
    logo: { picture, ratio: logo.readUInt32BE(16) / logo.readUInt32BE(20), width: brand.logoWidth },
    hiddenSums: [],
    slip: brand.slip ?? false,
    peelOff: brand.peelOff ? usualPeelOff : null,
    item: 'own',
  })
  for (const kind of documentKinds) {
    await run(
      `insert into design (brand_id, kind, version, design, made_at, made_by)
      values ($1, $2, 1, $3::jsonb, $4, 'Set-up')`,
      [id, kind, json(design), clock.now()],
    )
    for (const purpose of purposesOf(kind)) {
      for (const language of languages) {
        const supplied = starterText(purpose, kind, language)
        const note = purpose === 'first' ? demoText(brand.code, kind, supplied) : supplied
        await run(
          `insert into email_text (brand_id, kind, purpose, language, version, subject, text, made_at, made_by)
          values ($1, $2, $3, $4, 1, $5::jsonb, $6::jsonb, $7, 'Set-up')`,
          [id, kind, purpose, language, json(note.subject), json(note.text), clock.now()],
        )
      }
    }
    const series = brand.series[kind]
    await run(
      `insert into number_series (kind, brand_id, prefix, suffix, length, start, restart, business_year_start)
      values ($1, $2, $3, $4, $5, $6, $7, $8)`,
      [
        kind,
        id,
        series.prefix,
        series.suffix,
        series.length,
        series.start,
        series.restart,
        series.businessYearStart,
      ],
    )
  }
  return id
}
