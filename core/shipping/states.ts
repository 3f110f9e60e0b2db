import { lifecycle } from '../lifecycle'

/** A shipment: packed, with what it holds kept for it, or taken back, so that all of it is left to ship again. */
export const shipmentStates = ['packed', 'taken back'] as const
export type ShipmentState = (typeof shipmentStates)[number]

/** What happens to a shipment. */
export type ShipmentEvent = 'take back'

export const shipmentLifecycle = lifecycle<ShipmentState, ShipmentEvent>({
  packed: { 'take back': 'taken back' },
  'taken back': {},
})
