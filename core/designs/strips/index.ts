import type { StripKind } from '../design'
import { account } from './account'
import { address } from './address'
import { ageing } from './ageing'
import { barcode } from './barcode'
import { note, payment, sums } from './closing'
import { facts } from './facts'
import { footer } from './footer'
import { free } from './free'
import { heading } from './heading'
import { letterhead } from './letterhead'
import { lineTable } from './lines'
import { peelOff } from './peel-off'
import { signature } from './signature'
import { slip } from './slip'
import type { Renderer } from './strip'

/** What draws each kind of strip. A new one is its row in the type of the design, its file and a row here. */
export const renderers: { readonly [Kind in StripKind]: Renderer<Kind> } = {
  letterhead: { part: 'head', draw: letterhead },
  address: { part: 'head', draw: address },
  facts: { part: 'head', draw: facts },
  heading: { part: 'head', draw: heading },
  lines: { part: 'table', draw: lineTable },
  sums: { part: 'closing', block: sums },
  payment: { part: 'closing', block: payment },
  ageing: { part: 'closing', block: ageing },
  account: { part: 'closing', block: account },
  note: { part: 'closing', block: note },
  barcode: { part: 'closing', block: barcode },
  signature: { part: 'closing', block: signature },
  slip: { part: 'closing', block: slip },
  'peel-off': { part: 'page', draw: peelOff },
  footer: { part: 'page', draw: footer },
  free: { part: 'page', draw: free },
}
