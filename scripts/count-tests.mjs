// Usage: count-tests.mjs RESULT.json COUNT FAILED: counts what vitest wrote, and says what failed and how.
import { readFileSync, writeFileSync } from 'node:fs'
import { relative } from 'node:path'

const [resultFile, countFile, failedFile] = process.argv.slice(2)

/** What a suite came to; one whose process vanished has written nothing, and has failed. */
function read() {
  try {
    return JSON.parse(readFileSync(resultFile, 'utf8'))
  } catch {
    return { numPassedTests: 0, success: false, testResults: [] }
  }
}

const shorten = (message) => message.split('\n').slice(0, 12).join('\n')
const result = read()
const failed = result.testResults.flatMap((file) => {
  const name = relative(process.cwd(), file.name)
  if (file.status === 'failed' && file.assertionResults.length === 0)
    return [`${name}\n${shorten(file.message)}`]
  return file.assertionResults
    .filter((test) => test.status === 'failed')
    .map((test) => `${name} > ${test.fullName}\n${shorten(test.failureMessages.join('\n'))}`)
})
if (!result.success && failed.length === 0)
  failed.push(`${resultFile}: the suite ended badly, see its log above`)
writeFileSync(countFile, `${result.numPassedTests} ${failed.length}\n`)
writeFileSync(failedFile, failed.map((text) => `✗ ${text}\n`).join(''))
