/** Shipments and parcels. */
export const shipping = {
  'bad-box': 'Box “{name}” may be heavier packed than empty: enter the most that it may weigh.',
  'changed-meanwhile/shipment': 'Somebody changed shipment {shipment} meanwhile. Load it again.',
  'no-such-number': 'There is no order {code}. Scan the bar code on its packing slip, or type its number.',
  'no-such-shipment': 'That shipment does not exist.',
  'not-shipped': 'Order {order} is {status}, so nothing of it is shipped.',
  'nothing-cancelled': 'Nothing of order {order} is left that could be cancelled.',
  'nothing-shipped': 'What was shipped of order {order} is billed already.',
  'nothing-to-ship': 'Nothing is chosen. Enter how much of a line goes.',
  'over-left': 'Of “{item}” only {left} are left to ship, not {quantity}.',
  'parcel-weight': 'The weight of parcel {parcel} is in kilograms, more than nothing and under 100,000.',
  'parcels-differ': 'Of “{item}” {packed} are in the parcels, and {going} go. Put the difference right.',
  'same-name/box': 'There are two boxes called “{name}”.',
  'shipped-line':
    'Line {line}, “{item}”, was shipped: {shipped} of it. It stays in its place with at least that many; take the shipment back first.',
  'shipment-taken-back': 'Shipment {shipment} was taken back. Make a new one.',
  'shipment-documented':
    '{documents} {are} issued for shipment {shipment}. They stay as they are when it is taken back.',
  'ship-to-nobody': '{customer} has no address to ship to. Enter one at the order or the customer.',
} as const
