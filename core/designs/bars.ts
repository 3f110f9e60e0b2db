import bwip from 'bwip-js/generic'

/**
 * Widths of bars and gaps in modules: Code 128 (ISO/IEC 15417), or GS1-128 with its application identifiers in
 * brackets. Null for a text that the code has no signs for.
 */
export function barsOf(text: string, code: 'code128' | 'gs1-128' = 'code128'): number[] | null {
  if (!/^[ -~]+$/.test(text)) return null
  const [drawn] = bwip.raw(code, text, {}) as { sbs: number[] }[]
  return drawn!.sbs
}
