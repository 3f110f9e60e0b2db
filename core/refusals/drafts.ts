/** Drafts, deposits and part-invoices. */
export const drafts = {
  'bad-percent': 'A deposit is more than 0 and at most 100 percent.',
  'billed-already/parts': 'Everything of order {order} is billed in parts already.',
  'billed-already/put-back':
    'Invoice {whole} already bills the whole order. Put this back and drop the draft.',
  'billed-already/whole': 'Invoice {whole} bills the whole of order {order}. Credit it first.',
  'changed-meanwhile/draft': 'Somebody changed this draft meanwhile. Open it again.',
  'credited-meanwhile': 'Its invoice was credited meanwhile. Open the draft and look what is left to credit.',
  'draft-closed': 'Its draft is not open any more. Put this back and begin a new draft.',
  'no-such-draft': 'That draft does not exist.',
  'not-an-invoice': '{document} is {kind}. Only an invoice can be credited.',
  'not-open': 'This draft was thrown away.',
  'not-open/issued': 'It is issued: it cannot be changed any more. Credit it instead.',
  'open-credit': 'A credit note for {invoice} already waits in To check. Send it or delete it first.',
  'too-much': 'Of “{draft}” only {rest} are left to be billed. Open the draft and take the rest off.',
  'unknown-tax-code/draft': 'Line {line} has the tax code “{taxCode}”, which the company does not have.',
  'void/invoice': 'Its invoice was voided, so there is nothing to credit. Delete the draft.',
  voided: '{document} was voided: there is nothing to credit.',
} as const
