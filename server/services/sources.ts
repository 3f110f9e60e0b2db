import { loadBillContexts } from './bills/context'
import { checkBill, releaseIfSettled, settleBill } from './bills/settle'
import { registerHooks, registerSource } from './documents/sources'
import { loadPaymentContexts } from './receivables/context'
import { bookPayment } from './receivables/payments'

/** Tells the engine of every source of documents and of what follows from its acts. Each process calls it once. */
export function registerSources(): void {
  registerSource('bill', { load: loadBillContexts, check: checkBill, issued: settleBill })
  registerSource('payment', { load: loadPaymentContexts })
  registerHooks({
    voided: releaseIfSettled,
    paidAtOnce: ({ number, documentId, ...payment }, actor) =>
      bookPayment(
        {
          ...payment,
          direction: 'in',
          reference: number,
          settle: [{ documentId, amount: payment.amount, discount: '0', writeOff: '0' }],
          another: true,
        },
        actor,
      ),
  })
}
