import type { Channel } from '../preferences/recipients'
import { byPost } from './send-to'

/** What holds for a way by which documents leave the house. */
export interface ChannelFacts {
  /** Who hands over: a worker by itself, or a person who says that it was done. */
  handsOver: 'worker' | 'person'
  /** What lists say in place of an address; empty where there are addresses. */
  sendTo: string
  /** Whether it goes to addresses: with none, it goes nowhere. */
  addressed: boolean
  /** Which wishes of a customer it answers. */
  wishes: readonly Channel[]
}

/**
 * Every way by which documents leave, in the order in which they are put on their way. A new one is a row here
 * and, where a worker hands over, its module in server/services/dispatch/channels/.
 */
export const channelFacts = {
  email: {
    handsOver: 'worker',
    sendTo: '',
    addressed: true,
    wishes: ['email', 'both'],
  },
  paper: {
    handsOver: 'person',
    sendTo: byPost,
    addressed: false,
    wishes: ['paper', 'both'],
  },
} as const satisfies Record<string, ChannelFacts>

export type ChannelName = keyof typeof channelFacts

export const channelNames = Object.keys(channelFacts) as ChannelName[]

/** The ways that answer a customer's wish. */
export const channelsFor = (wish: Channel): ChannelName[] =>
  channelNames.filter((name) => (channelFacts[name].wishes as readonly Channel[]).includes(wish))

/** Those that a worker hands over by itself. */
export const workerChannels = channelNames.filter((name) => channelFacts[name].handsOver === 'worker')
export const isByWorker = (name: string): boolean => (workerChannels as string[]).includes(name)
