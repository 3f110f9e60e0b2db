import { kindFacts, type DocumentKind } from '../documents/kinds'
import { channelFacts, channelsFor, type ChannelName } from './channels'
import { isSecond, type Asked } from '../documents/second-look'
import type { Channel } from '../preferences/recipients'

/** What a list says in place of an address where there is nobody to write to. */
export const noAddress = 'No address'

/** What decides whether and how a prepared document goes. */
export interface SendQuestion {
  kind: DocumentKind
  /** What company, kind and customer agree on. */
  channel: Channel
  /** Whether there is somebody to write to. */
  hasAddress: boolean
  /** What keeps it from being issued, in words. */
  problem: string | null
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
  secondLook?: string | null
  /** Who asked for one. */
  asked?: Asked | null
  /** Who sends it; nothing for a routine. */
  senderId?: number | null
}

/** Why a prepared document does not go with a Send. */
export type SendBar = 'stopped' | 'changed' | 'problem' | 'not wanted' | 'no address' | 'second look'

export type SendPlan =
  { goes: true; channels: ChannelName[] } | { goes: false; bar: SendBar; reason: string; help: string }

/** What each bar is called above a list of what it keeps back. */
export const barWords: Readonly<Record<SendBar, string>> = {
  stopped: 'order held or withdrawn',
  changed: 'changed since you looked',
  problem: 'cannot be issued',
  'not wanted': 'customer wants none',
  'no address': 'no email address',
  'second look': 'for a second person',
}

/**
 * The one answer to: would it go, by which channels, and if not, why and what helps. The count on a button,
 * the check before a Send,
 * the Send itself and the report ask here, so they cannot disagree.
 */
export function planSending(of: SendQuestion): SendPlan {
  const bar = (bar: SendBar, reason: string, help: string): SendPlan => ({ goes: false, bar, reason, help })
  if (of.stopped !== null && !of.despite)
    return bar(
      'stopped',
      `Order ${of.orderNumber} is ${of.stopped}.`,
      'Set the order to another status, or send this document alone after reading why.',
    )
  if (of.problem) return bar('problem', of.problem, 'Mend the cause; it is then built again by itself.')
  if (of.changed) return bar('changed', 'It changed since you looked.', 'Look at it again, then send it.')
  if (of.channel === 'nothing' && kindFacts[of.kind].books === null)
    return bar(
      'not wanted',
      `${of.customerName} wants no ${kindFacts[of.kind].many}.`,
      'Take it off the list, or change what the customer wants.',
    )
  const channels = of.issueOnly ? [] : channelsFor(of.channel)
  const addressed = channels.some((one) => channelFacts[one].addressed)
  if (addressed && !of.hasAddress && !of.withoutAddress)
    return bar(
      'no address',
      `${of.customerName} has no email address for it.`,
      'Add a contact, or issue it without: it gets its number and is Stuck until there is one.',
    )
  const { secondLook = null, asked = null, senderId = null } = of
  if (secondLook !== null && !isSecond(asked, senderId))
    return asked === null
      ? bar('second look', secondLook, 'Ask for one: it waits here until somebody else sends it.')
      : bar('second look', `${secondLook} ${asked.name} asked for one.`, 'Somebody else has to send it.')
  return { goes: true, channels }
}
