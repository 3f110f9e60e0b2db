import faces from './font-metrics.json'
import type { FontFace } from './metrics'

/** The measures of the fonts that ship with the application, made by scripts/font-metrics.mjs. */
export const shippedFaces = faces as unknown as FontFace[] // TypeScript reads no tuples from JSON
