import { draftSource } from './drafts/source'
import { register } from './documents/sources'
import { orderSource } from './orders/source'
import { accountSource } from './receivables/account-source'
import { paymentSource } from './receivables/source'
import { returnSource } from './shipping/return-source'
import { shipmentSource } from './shipping/source'
import { bookPayment } from './receivables/payments'

/** Tells the engine of every source of documents and of what follows from its acts. Each process calls it once. */
export function registerSources(): void {
  register(
    {
      order: orderSource,
      shipment: shipmentSource,
      return: returnSource,
      draft: draftSource,
      payment: paymentSource,
      account: accountSource,
    },
    {
      paidAtOnce: ({ number, documentId, ...payment }, who) =>
        bookPayment(
          {
            ...payment,
            direction: 'in',
            reference: number,
            settle: [{ documentId, amount: payment.amount, discount: '0', writeOff: '0' }],
            another: true,
          },
          who,
        ),
    },
  )
}
