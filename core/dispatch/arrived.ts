import { told, type Told } from '../said/told'

/** How one knows that an email arrived, as its row keeps it. */
const ways = ['a person said so', 'posted on paper', 'delivery report', 'presumed: no bounce'] as const

/** How one knows that an email or a print job arrived; null where nothing is said. */
export const howArrived = (how: string | null): Told | null => {
  const known = ways.find((way) => way === how)
  return known ? told(`how/${known}`) : null
}
