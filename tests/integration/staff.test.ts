import { Secret, TOTP } from 'otpauth'
import { afterEach, beforeAll, describe, expect, test } from 'vitest'
import { clock } from '../../server/clock'
import { deviceWords } from '../../server/http/device'
import { one, rows, run } from '../../server/db/connection'
import {
  changePassword,
  choosePassword,
  resetCode,
  resetCodeHere,
} from '../../server/services/people/new-password'
import {
  beginSecondFactor,
  newSecondFactor,
  secondFactorOf,
} from '../../server/services/people/second-factor'
import {
  devicesOf,
  endSessionElsewhere,
  rememberDevice,
  sessionUser,
  signIn,
} from '../../server/services/people/sign-in'
import { makeToken, tokens, tokenUser } from '../../server/services/people/tokens'
import {
  changeStaff,
  forgotPassword,
  invite,
  inviteAgain,
  leaveHouse,
  listStaff,
} from '../../server/services/staff/staff'
import { useHouse } from './house'

/* Who works here: invitations, new passwords and leaving, also for those who should not get in. */
const house = useHouse({ reports: false })
const place = '198.51.100.7'
const password = 'three quiet hives'
let address = 0
/** A place that nobody has guessed from. */
const elsewhere = () => `203.0.113.${++address}`
const refused = (act: Promise<unknown>) =>
  act.then(
    () => 'done',
    (error: { code?: string }) => error.code,
  )
beforeAll(() => run(`update company set public_address = 'https://desk.tansyhollow.example'`))
afterEach(() => run('delete from rate_limit'))
const person = async (email: string) => (await listStaff()).find((one) => one.email === email)!
/** The code in the newest mail to somebody. */
async function codeFor(email: string): Promise<string> {
  await house.settle()
  const [mail] = await house.mails(email)
  return /Your code: (\S+)/.exec(mail!.text!)![1]!
}
const enter = (email: string, with_ = password) => signIn(email, with_, { address: elsewhere(), mark: '' })

describe('an invitation', () => {
  const email = 'nell@tansyhollow.example'

  test('comes by mail with a link to the public address; its code makes the password, once', async () => {
    expect((await invite({ name: 'Nell', email, role: 'clerk', brandIds: [] })).code).toBeNull()
    const code = await codeFor(email)
    const [mail] = await house.mails(email)
    expect(mail!.text).toContain(`https://desk.tansyhollow.example/?invitation=${code}`)
    expect((await person(email)).state).toBe('invited')
    expect(await refused(enter(email, ''))).toBe('wrong-password')
    const { session } = await choosePassword({ purpose: 'invitation', code, password }, place)
    expect(await sessionUser(session!)).toMatchObject({ name: 'Nell', role: 'clerk' })
    expect((await person(email)).state).toBe('works here')
    expect(await refused(choosePassword({ purpose: 'invitation', code, password }, elsewhere()))).toBe(
      'wrong-code',
    )
    expect(await refused(inviteAgain((await person(email)).id))).toBe('not-invited')
  })

  test('sent again puts the first out of force; after a week it is good no more', async () => {
    const { id } = await invite({
      name: 'Orla',
      email: 'orla@tansyhollow.example',
      role: 'reader',
      brandIds: [],
    })
    const first = await codeFor('orla@tansyhollow.example')
    await inviteAgain(id)
    const second = await codeFor('orla@tansyhollow.example')
    expect(await refused(choosePassword({ purpose: 'invitation', code: first, password }, place))).toBe(
      'wrong-code',
    )
    const back = clock.use(() => new Date(Date.now() + 7 * 86_400_000 + 1000))
    expect(await refused(choosePassword({ purpose: 'invitation', code: second, password }, place))).toBe(
      'wrong-code',
    )
    back()
    expect(await refused(choosePassword({ purpose: 'new password', code: second, password }, place))).toBe(
      'wrong-code',
    )
    expect(await refused(choosePassword({ purpose: 'invitation', code: second, password }, place))).toBe(
      'done',
    )
  })

  test('to somebody who works here is refused; codes are kept as hashes only', async () => {
    expect(
      await refused(invite({ name: 'Nell', email: email.toUpperCase(), role: 'clerk', brandIds: [] })),
    ).toBe('same-address')
    expect(await refused(invite({ name: 'X', email: 'nobody', role: 'clerk', brandIds: [] }))).toBe(
      'bad-address',
    )
    for (const { hash } of await rows<{ hash: string }>('select hash from one_time_code'))
      expect(hash).toMatch(/^[0-9a-f]{64}$/)
  })
})

describe('a forgotten password', () => {
  test('says nothing of who exists, and writes only to who does', async () => {
    await forgotPassword('stranger@nowhere.example', elsewhere())
    await forgotPassword('nell@tansyhollow.example', elsewhere())
    await house.settle()
    expect(await house.mails('stranger@nowhere.example')).toEqual([])
    expect((await house.mails('nell@tansyhollow.example'))[0]!.subject).toContain('A new password')
  })

  test('asked for again and again from one place is refused, whoever it is for', async () => {
    const from = elsewhere()
    const outcomes = []
    for (let ask = 0; ask < 10; ask++) outcomes.push(await refused(forgotPassword(`a${ask}@b.example`, from)))
    expect(outcomes.slice(-2)).toEqual(['too-many-tries', 'too-many-tries'])
  })

  test('chosen anew ends every session there was, and the old one opens nothing', async () => {
    const { session } = await enter('nell@tansyhollow.example')
    const code = (await resetCode('nell@tansyhollow.example'))!
    const fresh = await choosePassword(
      { purpose: 'new password', code, password: 'other quiet hives' },
      place,
    )
    expect(await sessionUser(session)).toBeUndefined()
    expect(fresh.session).not.toBe(session)
    expect(await sessionUser(fresh.session!)).toMatchObject({ name: 'Nell' })
    expect(await refused(enter('nell@tansyhollow.example'))).toBe('wrong-password')
  })

  test('can be changed by who knows it; a wrong one changes nothing', async () => {
    const { id } = await person('nell@tansyhollow.example')
    expect(await refused(changePassword(id, 'a guess', password))).toBe('wrong-password')
    await changePassword(id, 'other quiet hives', password)
    await enter('nell@tansyhollow.example')
  })

  test('cannot be guessed at an open screen: after eight wrong ones also the right one is refused', async () => {
    const { id } = await person('nell@tansyhollow.example')
    for (let guess = 0; guess < 8; guess++)
      expect(await refused(changePassword(id, `guess ${guess}`, password))).toBe('wrong-password')
    expect(await refused(changePassword(id, password, 'new quiet hives'))).toBe('too-many-tries')
  })

  test('has no code for who is not there', async () => {
    expect(await resetCode('stranger@nowhere.example')).toBeUndefined()
  })
})

describe('a person', () => {
  test('who leaves loses session, tokens and codes at once, and keeps the name', async () => {
    const nell = await person('nell@tansyhollow.example')
    const { session } = await enter(nell.email)
    const token = await makeToken('their script', 'write', nell.id)
    const code = (await resetCode(nell.email))!
    await leaveHouse(nell.id, nell.version)
    expect(await sessionUser(session)).toBeUndefined()
    expect(await tokenUser(token)).toBeUndefined()
    expect(await refused(enter(nell.email))).toBe('wrong-password')
    expect(await refused(choosePassword({ purpose: 'new password', code, password }, place))).toBe(
      'wrong-code',
    )
    expect(await person(nell.email)).toMatchObject({ name: 'Nell', state: 'left' })
    expect(await resetCode(nell.email)).toBeUndefined()
  })

  test('who left and is invited again begins with a password of their own', async () => {
    const nell = await person('nell@tansyhollow.example')
    const again = await invite({ name: 'Nell', email: nell.email, role: 'clerk', brandIds: [] })
    expect(again.id).toBe(nell.id)
    expect((await person(nell.email)).state).toBe('invited')
  })

  test('is changed from what was on the screen: of two who do the later one is told', async () => {
    const orla = await person('orla@tansyhollow.example')
    const change = { name: 'Orla', role: 'clerk' as const, brandIds: [house.brands[1]!.id] }
    await changeStaff(orla.id, orla.version, change)
    expect(await refused(changeStaff(orla.id, orla.version, change))).toBe('changed-meanwhile')
    expect(await person(orla.email)).toMatchObject({ role: 'clerk', brandIds: [house.brands[1]!.id] })
  })

  test('who is the only supervisor can neither leave, nor step down, nor be limited to a brand', async () => {
    const maeve = await person('maeve@tansyhollow.example')
    const { id, version, name } = maeve
    expect(await refused(leaveHouse(id, version))).toBe('last-supervisor')
    expect(await refused(changeStaff(id, version, { name, role: 'clerk', brandIds: [] }))).toBe(
      'last-supervisor',
    )
    const limited = { name, role: 'supervisor' as const, brandIds: [house.brands[0]!.id] }
    expect(await refused(changeStaff(id, version, limited))).toBe('last-supervisor')
    const invited = await invite({
      name: 'Una',
      email: 'una@tansyhollow.example',
      role: 'supervisor',
      brandIds: [],
    })
    expect(await refused(leaveHouse(id, version))).toBe('last-supervisor')
    const code = await codeFor('una@tansyhollow.example')
    await choosePassword({ purpose: 'invitation', code, password }, place)
    expect(await refused(changeStaff(id, version, { name, role: 'clerk', brandIds: [] }))).toBe('done')
    expect(await one('select role from staff where id = $1', [invited.id])).toEqual({ role: 'supervisor' })
  })
})

describe('where somebody is signed in', () => {
  const email = 'ore@tansyhollow.example'
  const here = async () => {
    const user = await enter(email)
    await rememberDevice(
      user.session,
      deviceWords('Mozilla/5.0 (X11; Linux x86_64) Gecko/20100101 Firefox/150.0'),
    )
    return user
  }

  test('is a list with the own place first, that opens nothing; another place is signed out from here', async () => {
    await invite({ name: 'Ore', email, role: 'clerk', brandIds: [] })
    await choosePassword({ purpose: 'invitation', code: await codeFor(email), password }, place)
    const [first, second] = [await here(), await here()]
    const devices = await devicesOf(second)
    expect(devices.filter((one) => one.here)).toHaveLength(1)
    expect(devices[0]).toMatchObject({ here: true, device: 'Firefox on Linux' })
    expect(JSON.stringify(devices)).not.toContain(first.session)
    const others = devices.filter((one) => !one.here)
    for (const { key } of others) await endSessionElsewhere(second.id, key)
    expect(await sessionUser(first.session)).toBeUndefined()
    expect(await sessionUser(second.session)).toBeDefined()
    expect(await refused(endSessionElsewhere(second.id, others[0]!.key))).toBe('no-such-session')
  })

  test('nobody signs somebody else out', async () => {
    const [user, other] = [await here(), await here()]
    const { key } = (await devicesOf(user))[0]!
    expect(await refused(endSessionElsewhere(other.id + 1000, key))).toBe('no-such-session')
    expect(await sessionUser(user.session)).toBeDefined()
  })

  test('a token opens nothing after its last day, which cannot be over already', async () => {
    const { id } = await person(email)
    const today = clock.now().toISOString().slice(0, 10)
    const token = await makeToken('shop', 'read', id, today)
    expect(await tokenUser(token)).toBeDefined()
    const putBack = clock.use(() => new Date(Date.now() + 2 * 86_400_000))
    expect(await tokenUser(token)).toBeUndefined()
    expect((await tokens()).find((one) => one.name === 'shop')).toMatchObject({ ended: true, endsOn: today })
    putBack()
    expect(await refused(makeToken('late', 'read', id, '2020-01-01'))).toBe('day-over')
  })
})

describe('a second factor', () => {
  const email = 'ore@tansyhollow.example'
  const begin = async () => {
    const { id } = await person(email)
    const { secret } = newSecondFactor(email)
    const codes = await beginSecondFactor(id, { secret, code: codeOf(secret), password })
    return { id, secret, codes }
  }
  /** What the phone shows, so many steps of thirty seconds from now. */
  const codeOf = (secret: string, steps = 0) =>
    new TOTP({ secret: Secret.fromBase32(secret) }).generate({
      timestamp: clock.now().getTime() + steps * 30_000,
    })
  const come = (code: string, with_ = password) =>
    signIn(email, with_, { address: elsewhere(), mark: '' }, code)

  test('begins only for who knows the password and has it in an app', async () => {
    const { id } = await person(email)
    const { secret, uri } = newSecondFactor(email)
    expect(uri).toContain(`secret=${secret}`)
    const code = codeOf(secret)
    expect(await refused(beginSecondFactor(id, { secret, code, password: 'guess' }))).toBe('wrong-password')
    expect(await refused(beginSecondFactor(id, { secret, code: '000000', password }))).toBe('wrong-code')
    expect(await secondFactorOf(id)).toEqual({ on: false, codesLeft: 0 })
  })

  test('is asked for after the password, and a code is good once', async () => {
    const { id, secret } = await begin()
    expect(await refused(come(''))).toBe('code-needed')
    expect(await refused(come('', 'not the password'))).toBe('wrong-password')
    expect(await refused(come(codeOf(secret)))).toBe('wrong-code') // the one that it began with
    const next = codeOf(secret, 1)
    expect((await come(next)).id).toBe(id)
    expect(await refused(come(next))).toBe('wrong-code')
    expect(await refused(come(codeOf(secret, 5)))).toBe('wrong-code')
    const kept = (await one<{ sealed: string }>(
      'select sealed_second_factor sealed from staff where id = $1',
      [id],
    ))!
    expect(kept.sealed).not.toContain(secret)
  })

  test('of two who use the same code at once one gets in', async () => {
    const { secret } = await begin()
    const putBack = clock.use(() => new Date(Date.now() + 60_000))
    const code = codeOf(secret)
    const both = await Promise.all([refused(come(code)), refused(come(code))])
    putBack()
    expect(both.sort()).toEqual(['done', 'wrong-code'])
  })

  test('a recovery code stands for it, once; guessing them is slowed like passwords', async () => {
    const { id, codes } = await begin()
    expect((await come(codes[0]!.toUpperCase())).id).toBe(id)
    expect(await refused(come(codes[0]!))).toBe('wrong-code')
    expect((await secondFactorOf(id)).codesLeft).toBe(9)
    const from = { address: '198.51.100.99', mark: '' }
    for (let at = 0; at < 8; at++) await refused(signIn(email, password, from, `aaaaa-${at}aaaa`))
    expect(await refused(signIn(email, password, from, codes[1]!))).toBe('too-many-tries')
  })

  test('is not got round by a new password from a mail; on the machine itself it is taken away', async () => {
    await begin()
    const chosen = await choosePassword(
      { purpose: 'new password', code: (await resetCode(email))!, password },
      elsewhere(),
    )
    expect(chosen.session).toBeNull()
    expect(await refused(come(''))).toBe('code-needed')
    await resetCodeHere(email)
    expect((await come('')).email).toBe(email)
  })
})

test.each([
  [
    'Mozilla/5.0 (Windows NT 10.0) AppleWebKit/537.36 Chrome/140.0 Safari/537.36 Edg/140.0',
    'Edge on Windows',
  ],
  ['Mozilla/5.0 (iPhone; CPU iPhone OS 19_0 like Mac OS X) Version/19.0 Safari/604.1', 'Safari on iPhone'],
  ['Mozilla/5.0 (Linux; Android 16) AppleWebKit/537.36 Chrome/140.0 Safari/537.36', 'Chrome on Android'],
  ['curl/8.1', ''],
])('%s is called “%s”', (agent, words) => {
  expect(deviceWords(agent)).toBe(words)
})
