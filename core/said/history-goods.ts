/** What the history says of shipments, returns, parcels and labels. */
export const historyGoods = {
  'goods/packed': '{shipment} was packed: {lines} in {parcels}.',
  'goods/changed': '{shipment} was changed; it goes in {parcels}.',
  'goods/undone': '{shipment} was undone; all of it is left to ship again.',
  'goods/undone-issued':
    '{shipment} was undone; all of it is left to ship again. {documents} stayed as issued.',
  'goods/paper-undone': 'The {kind} was taken off: {shipment} was undone.',
  'goods/parcel-way': 'Parcel {parcel}, {tracking}: {way}.',
  'goods/links-used': 'The link to {name} was ended: its labels are used or given back.',

  'back/agreed': '{goods} was agreed: {lines} to come back by {until}.',
  'back/changed': '{goods} was changed; it may be sent by {until}.',
  'back/came': '{goods} came back: {pieces} in all.',
  'back/paper-came': 'The {kind} was taken off: {goods} came back.',
  'back/again': '{goods} is expected again.',
  'back/paper-withdrawn': 'The {kind} was taken off: {goods} was withdrawn.',
  'back/withdrawn': '{goods} was withdrawn: nothing comes back.',
  'back/draft': 'the draft on {invoice}',

  'goods/label-unclear':
    'Nobody knows whether the label of parcel {parcel} was bought: its worker stopped. Asking the carrier.',
  'goods/label-left': 'The label of parcel {parcel} is not bought: its order was withdrawn.',
  'goods/label-late':
    'The carrier has a label for parcel {parcel} after all: {tracking}. Give it back there.',
  'goods/label-bought': 'The label of parcel {parcel} is bought: {tracking}, {price}.',
  'goods/label-line-broke':
    'The line broke while the label of parcel {parcel} was booked ({reply}). Asking the carrier.',
  'goods/label-refused': 'No label for parcel {parcel}. {why} {remedy} The carrier said: {reply}',
  'goods/label-back': 'The label of parcel {parcel}, {tracking}, was given back.',
  'goods/label-kept': 'The carrier does not take the label of parcel {parcel} back: {why}.',
  'goods/label-used': 'it is used already',
  'goods/label-none': 'there is none under our key',
  'goods/label-looked': '{person} looked',
  'goods/label-going-back': 'The label of parcel {parcel}, {tracking}, is being given back.',
  'goods/label-there-is-none': 'The carrier has no label of parcel {parcel}: {person} looked.',
  'goods/label-not-wanted': 'The label of parcel {parcel} is not wanted any more.',
  'goods/no-carrier': 'No label is bought: {shipment} goes by “{service}”, none of a carrier’s.',
  'goods/label-asked': '1 label of “{service}” is being bought.',
  'goods/labels-asked': '{n} labels of “{service}” are being bought.',
  'goods/no-label': 'No label for parcel {parcel}: {why}',
  'goods/parcel': 'parcel {parcel}',

  'pick/stopped': 'is {status}',
  'pick/nothing-left': 'has nothing left to ship',
} as const
