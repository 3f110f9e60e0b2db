/** Said in several places. */
export const shared = {
  'bad-address': '“{address}” is not an email address. Write one like name@house.example.',
  'no-paper': '{words}',
  'no-such-brand': 'That brand does not exist.',
  'no-such-customer': 'That customer does not exist.',
  'no-such-document': 'That document does not exist.',
  'no-such-order': 'That order does not exist.',
  'no-such-series': 'That number series does not exist.',
  'not-drawn': '{words}',
  'order-stopped': 'Order {order} is {status}, so nothing of it goes.',
  'no-such-region': '“{region}” is no part of your country that has public holidays of its own.',
  'unknown-status': "“{status}” is not a status of the house's orders.",
} as const
