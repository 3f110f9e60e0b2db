/* The order matters: several browsers call themselves by the names of others too. */
const browsers: [pattern: RegExp, name: string][] = [
  [/Edg\//, 'Edge'],
  [/Firefox\//, 'Firefox'],
  [/Chrome\/|CriOS\//, 'Chrome'],
  [/Safari\//, 'Safari'],
]
const systems: [pattern: RegExp, name: string][] = [
  [/iPhone/, 'iPhone'],
  [/iPad/, 'iPad'],
  [/Android/, 'Android'],
  [/Windows/, 'Windows'],
  [/Mac OS X/, 'Mac'],
  [/Linux/, 'Linux'],
]

/** What a person calls the device of a browser: "Firefox on Linux"; empty for what is no browser. */
export function deviceWords(userAgent: string): string {
  const named = (from: [RegExp, string][]) => from.find(([pattern]) => pattern.test(userAgent))?.[1]
  const [browser, system] = [named(browsers), named(systems)]
  return browser && system ? `${browser} on ${system}` : (browser ?? system ?? '')
}
