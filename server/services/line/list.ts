import type { Asked } from '../../../core/documents/second-look'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { SourceRef } from '../../../core/documents/sources'
import { type Stage, type StuckCause } from '../../../core/dispatch/states'
import type { Channel } from '../../../core/preferences/recipients'
import type { Told } from '../../../core/said/told'

/** A row of a stage's list: a paper in the first two stages, a dispatch (or an unsent document) in the others. */
export interface LineRow extends SourceRef {
  id: number
  /** What `id` counts. */
  of: 'paper' | 'dispatch' | 'document'
  kind: DocumentKind
  /** Order number of a paper, document number of a dispatch. */
  number: string
  orderNumber: string
  documentId: number | null
  customerId: number
  customerName: string
  sendTo: string
  total: string
  currency: string
  since: Date
  channel: Channel
  routineId: number | null
  routineName: string | null
  revision: number | null
  changed: boolean
  problem: Told | null
  state: string
  cause: StuckCause | null
  /** The address that was refused or bounced. */
  badAddress: string | null
  reply: string | null
  nextTryAt: Date | null
  how: string | null
  documents: number
  held: boolean
  /** The status of its order that holds it back. */
  stopped: string | null
  /** A routine was to let it go automatically, and could not. */
  keptBack: boolean
  /** A draft with no line yet. */
  unwritten: boolean
  /** It is held until its order has what its customer needs. */
  untilComplete: boolean
  /** Why a second person has to send it, and who asked for one. */
  secondLook: Told | null
  asked: Asked | null
}

export interface LineFilter {
  stage: Stage
  kind?: DocumentKind
  brand?: string
  over?: string
  search?: string
  after?: string
  limit: number
}

export interface LineGroup {
  routineId: number | null
  name: string | null
  count: number
}
