import type { Zone } from '../../../core/designs/design'

/** A place on a sheet as it is written in fields: millimetres, with a point or a comma. */
export type ZoneTexts = Record<keyof Zone, string>

export const zoneTexts = ({ x, y, width, height }: Zone): ZoneTexts => ({
  x: String(x),
  y: String(y),
  width: String(width),
  height: String(height),
})

const millimetres = (text: string) => Number(text.replace(',', '.'))

/** Not a number where a field holds none; the server says so at the field. */
export const zoneOf = ({ x, y, width, height }: ZoneTexts): Zone => ({
  x: millimetres(x),
  y: millimetres(y),
  width: millimetres(width),
  height: millimetres(height),
})
