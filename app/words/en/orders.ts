/** Words of orders. */
export const orders = {
  // orders/CompleteOrder.vue
  enterIt: 'Enter it…',
  whatOrderLacks: 'What order {order} lacks',
  orderIsComplete: 'Order {order} is saved. Its invoice is built anew.',

  // orders/LineOptions.vue
  notChosen: 'not chosen',

  // orders/OrderAdjustments.vue
  less: 'less',
  plus: 'plus',
  asAnAmount: 'as an amount',
  vatAsTheLinesHave: 'VAT as the lines have it',
  vatPercentCode: 'VAT {percent} % ({code})',
  discountOrCharge: 'Discount or charge',
  discountOrChargeIndexName: 'Discount or charge {index}, name',
  discountOrChargeIndexValue: 'Discount or charge {index}, value',
  percentOrAmount: 'Percent or amount',
  takeOneAway: 'Take {one} away',
  discountOrCharge2: '+ discount or charge',

  // orders/OrderConfirmed.vue
  whatWasConfirmed: 'What was confirmed',
  confirmedOtherwise: 'Confirmed otherwise',
  confirmedOtherwiseByConfirmedOfDate: '{confirmedOtherwise} by {confirmed} of {date}',
  prepareARevision: 'Prepare a revision',
  revisionToCheck: 'revision to check',
  confirmed: 'Confirmed',
  now: 'Now',

  // orders/OrderForm.vue
  salespersonSalesperson: 'Salesperson {salesperson} · ',
  pricesWithVAT: 'prices with VAT',
  pricesWithoutVAT: 'prices without VAT',
  suppliedSuppliedOn: ' · supplied {suppliedOn}',
  savedTotalAmount: 'Saved total {amount}',

  // orders/OrderLines.vue
  description: 'Description',
  qty: 'Qty',
  disc: 'Disc. %',
  lineIndexItem: 'Line {index}, item',
  whatIsDelivered: 'what is delivered',
  lineIndexDescription: 'Line {index}, description',
  lineIndex: 'Line {index}, ',
  lineIndexQuantity: 'Line {index}, quantity',
  lineIndexPrice: 'Line {index}, price',
  lineIndexDiscountPercent: 'Line {index}, discount percent',
  lineIndexVAT: 'Line {index}, VAT',
  takeLineIndexAway: 'Take line {index} away',
  line: '+ line',

  // orders/OrderMore.vue
  theCustomersPostalAddress: 'the customer’s postal address',
  theBrandsOwnAddress: 'the brand’s own address',
  theAddressThatIsBilled: 'the address that is billed',
  anotherAddress: 'another address',
  soldFrom: 'Sold from',
  billedTo: 'Billed to',
  deliveredTo: 'Delivered to',
  internalNoteNeverOnA: 'Internal note, never on a document',

  // orders/OrderPapers.vue
  notMade: 'not made',
  theOrdersPapers: "The order's papers",
  kindDraft: '{kind}, draft',
  kindToCheck: '{kind}, to check',
  prepareIt: 'Prepare it',

  // orders/OrderPreview.vue
  orderConfirmation: 'Order confirmation',
  theOrderConfirmation: 'The order confirmation',
  chooseACustomerAndWrite: 'Choose a customer and write a line: the confirmation appears here.',

  // orders/OrderWhy.vue
  whyRoutineByRoutine: 'Why, routine by routine',
  looking: 'Looking…',
  yes: 'Yes',
  no: 'No',
  seenSeen: '· seen: {seen}',
  deliveryPreference: 'Delivery preference',
  atVersionVersionOutcomeSpan: '{at} version {version}: {outcome}{span}',

  // orders/PartDialog.vue
  anInvoiceOfSomeOf: 'an invoice of some of its lines',
  aDepositInvoice: 'a deposit invoice',
  invoiceAPartOfOrderNumber: 'Invoice a part of {orderNumber}',
  writeWhat: 'Write {what}.',
  percentOfTheOrder: 'Percent of the order',
  theDraftBeginsWithAll:
    'The draft begins with all that is not billed yet; cut its quantities down. The rest is billed later.',
  theFinalInvoiceListsThe: 'The final invoice lists the deposit with net and tax and deducts it.',

  // orders/StatusDialog.vue
  setOrdersToStatus: 'Set {orders} to {status}?',
  setOrdersToStatus2: 'Set {orders} to {status}',
  labelsStay:
    'bought for it and not used yet: give them back in Shipments, Labels, if it does not go any more.',
  inToCheckEffectsMarked: 'in To check {effects} marked and kept out of every Send',
  nowByHandOfThemWouldHave: '; {nowByHand} of them would have gone automatically',
  effectsTakenOutOfWaiting: '{effects} taken out of Waiting and held.',
  effectsLeftAlreadyNothingCalls: '{effects} left already; nothing calls {effects2} back.',
  eachCanStillBeSent: 'Each can still be sent alone, after its reason was read.',
  orderWas: 'order was',
  ordersWere: 'orders were',
  effectsTakenOutOfWaitingWhen: '{effects} taken out of Waiting when the {orders} held or withdrawn.',
  documentsInToCheckCan: '{documents} in To check can be sent again.',
  letMailsGoAgain: 'Let {mails} go again',
  keepEffectsHeldForA: 'Keep {effects} held, for a person to let go',

  // orders/[id].vue
  theOrder: 'the order',
  theOrderIsSaved: 'The order is saved.',
  theKindIsPreparedAnd: 'The {kind} is prepared and waits in To check.',
  noSuchOrder: 'No such order',
  allOrders: 'All orders',
  orderOrder: 'Order {order}',
  orders: 'Orders',
  isStatus: 'is {status}',
  invoiceAPart: 'Invoice a part…',
  copy: 'Copy',
  sendTheKindInHand: 'Send the {kindInHand}…',
  theOrdersDocument: "The order's document",
  noKindInHandYet: 'No {kindInHand} yet',
  prepareItByHandAnd: 'Prepare it by hand, and look at it here before it goes.',

  // orders/index.vue
  withOrWithoutDocuments: 'with or without documents',
  withoutKind: 'without {kind}',
  shippedInPart: 'shipped in part',
  yourRef: 'Your ref.',
  invoice: 'Invoice',
  inStatusOfBrandOf: 'in {status}, of {brand}, of {amountPicker}, {documents}, of {time}',
  orderCustomerReference: 'Order, customer, reference',
  noOrderOfThatKind: 'No order of that kind',
  widenTheSentenceAboveOr: 'Widen the sentence above, or clear the search, to see more orders.',
  noOrdersYet: 'No orders yet',
  writeTheFirstOneOr: 'Write the first one, or import them from your shop or your old program.',
  addOrder: 'Add order',
  setToStatus: 'Set to status',
  toSetTo: 'to {setTo}',
  setCountToTarget: 'Set {count} to {target}',

  // orders/new.vue
  chooseACustomerFirst: 'Choose a customer first.',
  writeAtLeastOneLine: 'Write at least one line.',
  orderNumberIsSavedAs: 'Order {number} is saved as {status}.',
  newOrder: 'New order',
  customersReference: 'Customer’s reference',
  orderDate: 'Order date',
  netAmountVATAmount2: 'net {amount}, VAT {amount2}',
  saveOrder: 'Save order',
  theOrdersConfirmation: "The order's confirmation",
  paperDue: 'due',
  paperToCheck: 'to check',
  paperReturned: 'returned',
  paperNotWanted: 'not wanted',
  paperDraft: 'draft',
} as const
