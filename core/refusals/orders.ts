/** Orders and their statuses. */
export const orders = {
  'changed-meanwhile/order':
    'Somebody changed order {order} while you were at it. Load it again; your changes are still on the screen to copy.',
  'changed-meanwhile/statuses': 'Somebody changed these lists meanwhile. Load the page again.',
  'fixed-status':
    '{draftStatus} stays the first status, and {suppliedStatus} stays: it gives an order its date of supply.',
  'in-use/status': '{orders} {status}. Set them to another status first.',
  'in-use/status-of-routine': 'The routine “{routine}” waits for {status}. Change it first.',
  'in-use/status-that-stops': '{status} holds or withdraws orders. Change that in Settings, General, first.',
  'no-such-address': 'That is not one of the customer’s billing addresses any more. Choose another.',
  'no-such-order/one': 'One of the orders does not exist any more. Load the list again.',
  'not-yet': '{words}',
  'same-number/order': 'There is already an order with the number {number}.',
  'status-step': '{sentence}',
  'unknown-status/set': '"{status}" is not one of the order statuses: {statuses}.',
} as const
