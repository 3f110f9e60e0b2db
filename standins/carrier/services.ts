/** What the simulated carrier carries, and for how much. Kilograms, millimetres, euro. */
export interface Product {
  product: string
  title: string
  /** Countries that it goes to; empty for all. */
  to: string[]
  maxKilos: number
  maxLength: number
  maxGirth: number
  tariff: { kilos: number; euro: string }[]
  /** It gives its own label as a PDF; else what its label says. */
  ownLabel: boolean
  /** Goods come back by it, from these countries; it is charged once it is used. */
  forReturns: boolean
}

export const products: readonly Product[] = [
  {
    product: 'GP24',
    title: 'Next day',
    to: ['IE'],
    maxKilos: 30,
    maxLength: 1200,
    maxGirth: 3000,
    tariff: [
      { kilos: 2, euro: '5.40' },
      { kilos: 10, euro: '7.85' },
      { kilos: 30, euro: '12.60' },
    ],
    ownLabel: false,
    forReturns: false,
  },
  {
    product: 'GP72',
    title: 'Economy',
    to: ['IE', 'GB'],
    maxKilos: 30,
    maxLength: 1000,
    maxGirth: 2600,
    tariff: [
      { kilos: 5, euro: '4.95' },
      { kilos: 30, euro: '9.20' },
    ],
    ownLabel: false,
    forReturns: false,
  },
  {
    product: 'GPX',
    title: 'Abroad',
    to: [],
    maxKilos: 30,
    maxLength: 1000,
    maxGirth: 2400,
    tariff: [
      { kilos: 1, euro: '11.50' },
      { kilos: 5, euro: '16.90' },
      { kilos: 20, euro: '31.00' },
      { kilos: 30, euro: '44.00' },
    ],
    ownLabel: true,
    forReturns: false,
  },
  {
    product: 'GPR',
    title: 'Return',
    to: ['IE', 'GB'],
    maxKilos: 30,
    maxLength: 1000,
    maxGirth: 2600,
    tariff: [
      { kilos: 5, euro: '4.20' },
      { kilos: 30, euro: '8.60' },
    ],
    ownLabel: false,
    forReturns: true,
  },
  {
    product: 'GPRX',
    title: 'Return from abroad',
    to: [],
    maxKilos: 20,
    maxLength: 1000,
    maxGirth: 2400,
    tariff: [{ kilos: 20, euro: '18.40' }],
    ownLabel: true,
    forReturns: true,
  },
]
