import { kindFacts, type DocumentKind } from '../documents/kinds'
import { told, toldKind, type Told } from '../said/told'
import { channelFacts, channelsFor, type ChannelName } from './channels'
import { isSecond, type Asked } from '../documents/second-look'
import type { Channel } from '../preferences/recipients'

/** What decides whether and how a prepared document goes. */
export interface SendQuestion {
  kind: DocumentKind
  /** What company, kind and customer agree on. */
  channel: Channel
  /** Whether there is somebody to write to. */
  hasAddress: boolean
  /** What keeps it from being issued. */
  problem: Told | null
  /** It changed since somebody looked. */
  changed: boolean
  /** The status of its order that holds it back; null when none does. */
  stopped: string | null
  orderNumber: string
  customerName: string
  /** Number and book only: nothing goes on its way. */
  issueOnly?: boolean
  /** Somebody read that its order is held or withdrawn, and sends it all the same. */
  despite?: boolean
  /** Somebody read that nobody is there to write to, and issues it all the same. */
  withoutAddress?: boolean
  /** Why a second person has to send it; nothing where one is enough. */
  secondLook?: Told | null
  /** Who asked for one. */
  asked?: Asked | null
  /** Who sends it; nothing for a routine. */
  senderId?: number | null
}

/** Why a prepared document does not go with a Send. */
export type SendBar = 'stopped' | 'changed' | 'problem' | 'not wanted' | 'no address' | 'second look'

export type SendPlan =
  { goes: true; channels: ChannelName[] } | { goes: false; bar: SendBar; reason: Told; help: Told }

/**
 * The one answer to: would it go, by which channels, and if not, why and what helps. The count on a button,
 * the check before a Send,
 * the Send itself and the report ask here, so they cannot disagree.
 */
export function planSending(of: SendQuestion): SendPlan {
  const bar = (bar: SendBar, reason: Told, help: Told): SendPlan => ({ goes: false, bar, reason, help })
  if (of.stopped !== null && !of.despite)
    return bar(
      'stopped',
      told('plan/stopped', { order: of.orderNumber, status: of.stopped }),
      told('plan/stopped-help'),
    )
  if (of.problem) return bar('problem', of.problem, told('plan/problem-help'))
  if (of.changed) return bar('changed', told('plan/changed'), told('plan/changed-help'))
  if (of.channel === 'nothing' && kindFacts[of.kind].books === null)
    return bar(
      'not wanted',
      told('plan/not-wanted', { customer: of.customerName, kinds: toldKind(of.kind, 'many') }),
      told('plan/not-wanted-help'),
    )
  const channels = of.issueOnly ? [] : channelsFor(of.channel)
  const addressed = channels.some((one) => channelFacts[one].addressed)
  if (addressed && !of.hasAddress && !of.withoutAddress)
    return bar(
      'no address',
      told('plan/no-address', { customer: of.customerName }),
      told('plan/no-address-help'),
    )
  const { secondLook = null, asked = null, senderId = null } = of
  if (secondLook !== null && !isSecond(asked, senderId))
    return asked === null
      ? bar('second look', secondLook, told('plan/ask-help'))
      : bar(
          'second look',
          told('plan/asked', { why: secondLook, person: asked.name }),
          told('plan/asked-help'),
        )
  return { goes: true, channels }
}
