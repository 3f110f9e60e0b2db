// Usage: count-tests.mjs RESULT.json COUNT FAILED [AGAIN.json]: counts what vitest wrote, and writes what failed and
// how. Prints the files in which something failed. With AGAIN, what these came to when they ran once more holds; what
// was good only then is said to be unsteady.
import { readFileSync, writeFileSync } from 'node:fs'
import { relative } from 'node:path'

const [resultFile, countFile, failedFile, againFile] = process.argv.slice(2)

/** What a suite came to; one whose process vanished has written nothing, and has failed. */
function read(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'))
  } catch {
    return { success: false, testResults: [] }
  }
}

const shorten = (message) => message.split('\n').slice(0, 12).join('\n')
const nameOf = (file) => relative(process.cwd(), file.name)

/** What failed in a file, each with how. */
function failuresOf(file) {
  if (file.status === 'failed' && file.assertionResults.length === 0)
    return [`${nameOf(file)}\n${shorten(file.message)}`]
  return file.assertionResults
    .filter((test) => test.status === 'failed')
    .map((test) => `${nameOf(file)} > ${test.fullName}\n${shorten(test.failureMessages.join('\n'))}`)
}

const passedIn = (file) => file.assertionResults.filter((test) => test.status === 'passed').length

const result = read(resultFile)
const again = againFile ? read(againFile) : undefined
const ranAgain = new Map((again?.testResults ?? []).map((file) => [file.name, file]))
const unsteady = result.testResults
  .filter((file) => ranAgain.has(file.name) && failuresOf(ranAgain.get(file.name)).length === 0)
  .flatMap(failuresOf)
const files = result.testResults.map((file) => ranAgain.get(file.name) ?? file)
const failed = files.flatMap(failuresOf)
// one whose set-up failed says that it went well, and ran nothing
const ranNothing = result.testResults.length === 0
const endedBadly = (!result.success || ranNothing) && failed.length + unsteady.length === 0
if (endedBadly || (again && ranAgain.size === 0))
  failed.push(`${resultFile}: the suite ended badly, see its log above`)

const passed = files.reduce((sum, file) => sum + passedIn(file), 0)
writeFileSync(countFile, `${passed} ${failed.length}\n`)
writeFileSync(
  failedFile,
  [
    ...unsteady.map((text) => `~ unsteady, failed once and was good when it ran again: ${text}\n`),
    ...failed.map((text) => `✗ ${text}\n`),
  ].join(''),
)
if (!again)
  for (const file of result.testResults.filter((file) => failuresOf(file).length > 0))
    console.log(nameOf(file))
