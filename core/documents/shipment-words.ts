import type { Language } from '../money/format'

/** The fixed words of packing slips and delivery notes. */
export interface ShipmentWordList {
  shipped: string
  service: string
  place: string
  ordered: string
  packed: string
  delivered: string
  /** So much of a line comes later; with its unit. */
  later: (quantity: string) => string
  earlier: (quantity: string) => string
  parcels: string
  /** "Parcel 1 of 3". */
  parcel: (n: number, of: number) => string
  weight: string
  /** What the goods cost together, in a currency. */
  goods: (currency: string) => string
  contact: string
  billedTo: (address: string) => string
  /** What is left of the order is sent later, or nothing is. */
  inPart: string
  complete: string
  received: string
  receivedOn: string
  name: string
  signature: string
  code: string
}

export const shipmentWords: Readonly<Record<Language, ShipmentWordList>> = {
  en: {
    shipped: 'Shipped',
    service: 'Sent by',
    place: 'Place',
    ordered: 'Ordered',
    packed: 'Packed',
    delivered: 'Delivered',
    later: (quantity) => `${quantity} to follow`,
    earlier: (quantity) => `${quantity} sent before`,
    parcels: 'Parcels',
    parcel: (n, of) => `Parcel ${n} of ${of}`,
    weight: 'Weight, kg',
    goods: (currency) => `Goods, ${currency}`,
    contact: 'For',
    billedTo: (address) => `Billed to: ${address}`,
    inPart: 'This is a part of your order; the rest follows.',
    complete: 'With this your order is complete.',
    received: 'Received complete and in good order',
    receivedOn: 'Date',
    name: 'Name',
    signature: 'Signature',
    code: 'Order',
  },
  de: {
    shipped: 'Versandt',
    service: 'Versand durch',
    place: 'Platz',
    ordered: 'Bestellt',
    packed: 'Gepackt',
    delivered: 'Geliefert',
    later: (quantity) => `${quantity} folgen`,
    earlier: (quantity) => `${quantity} schon geliefert`,
    parcels: 'Pakete',
    parcel: (n, of) => `Paket ${n} von ${of}`,
    weight: 'Gewicht, kg',
    goods: (currency) => `Waren, ${currency}`,
    contact: 'Für',
    billedTo: (address) => `Rechnung an: ${address}`,
    inPart: 'Dies ist ein Teil Ihrer Bestellung; der Rest folgt.',
    complete: 'Damit ist Ihre Bestellung vollständig.',
    received: 'Vollständig und in gutem Zustand erhalten',
    receivedOn: 'Datum',
    name: 'Name',
    signature: 'Unterschrift',
    code: 'Auftrag',
  },
  fr: {
    shipped: 'Expédié le',
    service: 'Envoi par',
    place: 'Emplacement',
    ordered: 'Commandé',
    packed: 'Emballé',
    delivered: 'Livré',
    later: (quantity) => `${quantity} à suivre`,
    earlier: (quantity) => `${quantity} déjà envoyé`,
    parcels: 'Colis',
    parcel: (n, of) => `Colis ${n} sur ${of}`,
    weight: 'Poids, kg',
    goods: (currency) => `Marchandises, ${currency}`,
    contact: 'Pour',
    billedTo: (address) => `Facturé à : ${address}`,
    inPart: 'Ceci est une partie de votre commande ; le reste suit.',
    complete: 'Votre commande est ainsi complète.',
    received: 'Reçu complet et en bon état',
    receivedOn: 'Date',
    name: 'Nom',
    signature: 'Signature',
    code: 'Commande',
  },
}
