/**
 * Whether a text is a Global Trade Item Number: 8, 12, 13 or 14 digits with the right check digit, weights 3 and 1 from
 * the right (GS1 General Specifications, section 7.9).
 */
export function isGtin(text: string): boolean {
  if (!/^(\d{8}|\d{12,14})$/.test(text)) return false
  const digits = [...text].map(Number)
  const check = digits.pop()!
  const sum = digits.reverse().reduce((total, digit, place) => total + digit * (place % 2 === 0 ? 3 : 1), 0)
  return (10 - (sum % 10)) % 10 === check
}
