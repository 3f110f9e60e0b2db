import { exampleFacts, exampleFields, type MergeFields } from '../../../core/emailtexts/fields'
import { fillEmailText, type EmailText, type FilledNote } from '../../../core/emailtexts/email-text'
import type { EmailLook } from '../../../core/emailtexts/email-look'
import { Refusal } from '../../../core/errors'
import { asPreview } from '../../../core/documents/issue'
import { withExampleGoods } from '../../../core/documents/example'
import { kindFacts, listsAccount, type DocumentKind } from '../../../core/documents/kinds'
import type { Paper } from '../../../core/documents/paper'
import { exampleStatement } from '../../../core/receivables/statement'
import { dayInZone } from '../../../core/documents/days'
import type { Language } from '../../../core/money/format'
import { ofVariant } from '../../../core/preferences/variants'
import type { Design } from '../../../core/designs/design'
import { clock } from '../../clock'
import { factsOf, fillToday, type Letter } from '../dispatch/compose'
import { lookNow, shownHtml } from '../dispatch/email-look'
import { brands, company, designsInForce } from '../house/house'
import { paperOf } from './found-settings'
import { withItemCodes } from './item-codes'
import { type PaperContext } from './paper-context'
import { sourceOf } from './sources'
import { sampleOrder } from './queries'

/**
 * A paper of the brand's newest supplied order, with today's settings; a preview that consumes nothing.
 * @param as in which language, and for whom: the brand's own, or a variant
 */
export async function samplePaper(
  brandId: number,
  kind: DocumentKind,
  { language, variantId = 0 }: { language?: Language; variantId?: number } = {},
): Promise<{ paper: Paper; design: Design; context: PaperContext }> {
  const order = await sampleOrder(brandId, language ?? '')
  if (!order) throw new Refusal('no-sample', { status: 404 })
  const asOnce = { text: variantId, design: variantId }
  const addressing = { role: kindFacts[kind].to, copyTo: [], asOnce }
  const loaded = await sourceOf('order').load(kind, [order.id], addressing, '')
  const own = (await withItemCodes(loaded)).get(order.id)!
  const inLanguage = language ? { ...own, source: { ...own.source, language } } : own
  const { timeZone, labelPrinting, slipShows } = await company()
  const today = dayInZone(clock.now(), timeZone)
  const context = kindFacts[kind].content === 'account' ? withExample(inLanguage) : inLanguage
  const source = withExampleGoods(context.source, today)
  // drawn only where the design lists it
  if (listsAccount(kind))
    source.account = { day: today, open: exampleStatement(source.order.currency, context.orderDate).open }
  if (source.shipment) Object.assign(source.shipment, { printing: labelPrinting, slip: slipShows })
  const made = paperOf({ ...context, source }, today)
  if ('problem' in made) throw new Refusal('not-drawn', { values: { words: made.problem } })
  return { paper: asPreview(made.paper), design: context.design.design, context }
}

/** The sample of a statement tells of an account as any might be. */
const withExample = (context: PaperContext): PaperContext => ({
  ...context,
  source: {
    ...context.source,
    statement: exampleStatement(context.source.order.currency, context.orderDate),
  },
})

/** An email as it stands on the screen: its text and look may not be kept yet. */
export interface EmailOnScreen extends EmailText {
  language: Language
  look?: EmailLook
  /** Whose it is: the brand's own, or a variant's. */
  variantId?: number
}

/**
 * The email that a brand's sample document would go with: filled from that document, with the brand's sender
 * and small print, just as it would be sent.
 * A brand that has no order yet shows the example's values.
 */
export async function previewEmail(
  brandId: number,
  kind: DocumentKind,
  { look, language, variantId = 0, ...note }: EmailOnScreen,
): Promise<FilledNote & { values: MergeFields }> {
  const brand = (await brands()).find((one) => one.id === brandId)
  const design = ofVariant(await designsInForce(kind), brandId, variantId)?.design
  if (!brand || !design) throw new Refusal('no-such-brand', { status: 404 })
  const emailLook = look ?? brand.emailLook
  try {
    const { paper, context } = await samplePaper(brandId, kind, { language, variantId })
    const letter: Letter = {
      note,
      paper,
      customerName: context.customerName,
      account: { customerId: context.customerId, brandId },
      brand: { ...brand, colours: design.colours, emailLook },
      recipients: context.recipients,
    }
    return await shown(await fillToday(letter), factsOf(letter).values)
  } catch (error) {
    if (!(error instanceof Refusal) || error.code !== 'no-sample') throw error
    const filled = fillEmailText(note, exampleFacts, {
      brandName: brand.name,
      colours: design.colours,
      look: await lookNow(emailLook),
      footLines: [brand.legalName, brand.registration, brand.email].filter(Boolean),
      language,
    })
    return shown(filled, exampleFields)
  }
}

/** With its pictures, for a frame that loads nothing. */
const shown = async (filled: FilledNote, values: MergeFields) => ({
  ...filled,
  html: await shownHtml(filled.html),
  values,
})
