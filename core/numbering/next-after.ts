/**
 * The number that follows one that was given by hand: its last group of digits counts on and keeps its width;
 * without digits, a 2 is hung on.
 */
export function nextAfter(number: string): string {
  const found = /^(.*?)(\d+)(\D*)$/.exec(number)
  if (!found) return `${number}-2`
  const [, before, digits, after] = found as unknown as [string, string, string, string]
  return before + String(BigInt(digits) + 1n).padStart(digits.length, '0') + after
}
