import { TOTP } from 'otpauth'
import { expect, test } from 'vitest'
import { demoStaff } from '../../demo/house'
import { useDesk } from './desk'

/* What is one's own at sign-in: the second factor with its codes, and the other places where one is signed in. */
const desk = useDesk()
const clerk = demoStaff().find((person) => person.role === 'clerk')!
const openOwn = async (name: string) => {
  await desk.page.click('.who')
  await desk.wait(`[data-test="${name}"]`)
  await desk.page.click(`[data-test="${name}"]`)
}
const type = async (name: string, text: string) => {
  await desk.wait(`[data-test="${name}"] input`)
  await desk.fill(`[data-test="${name}"] input`, text)
}
/** What the app on the phone shows now; `steps` half minutes later it shows another. */
const shown = (secret: string, steps = 0) =>
  new TOTP({ secret }).generate({ timestamp: Date.now() + steps * 30_000 })
const signInWithPassword = async () => {
  await desk.page.evaluate(() => fetch('/api/session', { method: 'DELETE' }))
  await desk.page.goto(desk.base)
  await desk.wait('#email')
  await desk.page.type('#email', clerk.email)
  await desk.page.type('#password', clerk.password)
  await desk.page.keyboard.press('Enter')
}
let secret = ''
let codes: string[] = []

test('a second factor is turned on with a code from the phone, and its recovery codes are shown once', async () => {
  await desk.signIn('clerk')
  await openOwn('second-factor')
  await desk.wait('[data-test="secret"]')
  await desk.page.waitForFunction(() => document.activeElement?.closest('[data-test="factor-code"]'))
  secret = (await desk.text('[data-test="secret"]')).replaceAll(/\s/g, '')
  desk.redLines.length = 0
  await type('factor-code', '000000')
  await type('factor-password', clerk.password)
  await desk.page.click('[data-test="ask-go"]')
  await desk.wait('[data-test="factor-code"] .wrong, .ask [role="alert"]')
  expect(desk.redLines).toEqual([])
  await type('factor-code', shown(secret))
  await desk.page.click('[data-test="ask-go"]')
  await desk.wait('[data-test="recovery-codes"]')
  codes = await desk.page.$$eval('[data-test="recovery-codes"] li', (list) =>
    list.map((one) => one.textContent!.trim()),
  )
  expect(codes.length).toBeGreaterThan(5)
  await desk.page.click('[data-test="ask-go"]')
  await desk.page.waitForFunction(() => !document.querySelector('.ask'))
})

test('signing in then asks for a code: the one of the phone is good once, a recovery code as well', async () => {
  await signInWithPassword()
  desk.redLines.length = 0
  await type('second-code', '000000')
  await desk.page.keyboard.press('Enter')
  await desk.wait('.sign-in .wrong')
  expect(desk.redLines).toEqual([])
  const next = shown(secret, 1)
  await type('second-code', next)
  await desk.page.keyboard.press('Enter')
  await desk.wait('[data-stage="stuck"]')

  await signInWithPassword()
  await type('second-code', next)
  await desk.page.keyboard.press('Enter')
  await desk.wait('.sign-in .wrong')
  await type('second-code', codes[0]!)
  await desk.page.keyboard.press('Enter')
  await desk.wait('[data-stage="stuck"]')
})

test('another browser is seen and signed out from here', async () => {
  const elsewhere = await desk.page.browser().createBrowserContext()
  const other = await elsewhere.newPage()
  await other.goto(desk.base)
  await other.waitForSelector('#email')
  await other.type('#email', clerk.email)
  await other.type('#password', clerk.password)
  await other.keyboard.press('Enter')
  await other.waitForSelector('[data-test="second-code"] input', { visible: true })
  await other.type('[data-test="second-code"] input', codes[1]!)
  await other.keyboard.press('Enter')
  await other.waitForSelector('[data-stage="stuck"]')

  await openOwn('devices')
  await desk.wait('[data-test="end-device"]')
  await desk.page.click('[data-test="end-device"]')
  await desk.says('is signed out')
  await other.waitForSelector('#email')
  await elsewhere.close()
})

test('what could let others in asks for the password again, and does then what was asked', async () => {
  await desk.signIn('supervisor')
  await desk.page.goto(`${desk.base}/company?part=Mail%20accounts`)
  await desk.wait('[data-test="add-mail-account"]')
  await desk.sql(`update session set proved_at = now() - interval '16 minutes'`)
  await desk.page.click('[data-test="add-mail-account"]')
  await desk.fill('[data-test="mail-name"] input', 'Second account')
  await type('mail-host', 'mail.house.example')
  await desk.page.click('[data-test="ask-go"]')
  await type('prove-password', 'a guess')
  await desk.press('Enter')
  await desk.says('That is not your password.')
  const { password } = demoStaff().find((person) => person.role === 'supervisor')!
  await type('prove-password', password)
  await desk.press('Enter')
  await desk.says('The mail account is saved.')
  // and is not asked again at once
  await desk.page.goto(`${desk.base}/company?part=People`)
  await desk.wait('[data-test="invite"]')
  await desk.page.click('[data-test="invite"]')
  await type('staff-name', 'Una Marlow')
  await type('staff-email', 'una@tansyhollow.example')
  await desk.page.click('[data-test="ask-go"]')
  await desk.says('An invitation is on its way to Una Marlow')
})

test('invoices are given a sender of their own, and the next one is shown with it', async () => {
  await desk.page.goto(`${desk.base}/company?part=Senders`)
  await desk.wait('[data-test="add-sender"]')
  await desk.page.click('[data-test="add-sender"]')
  await type('sender-name', 'Tansy Hollow Books')
  await type('sender-address', 'books@')
  await desk.page.click('[data-test="ask-go"]')
  await desk.says('“books@” is not an email address.')
  await type('sender-address', 'books@tansyhollow.example')
  await desk.page.click('[data-test="ask-go"]')
  await desk.says('from Tansy Hollow Books <books@tansyhollow.example>')
  const [prepared] = await desk.page.evaluate(async () => {
    const { rows } = await (await fetch('/api/line?stage=to%20check&kind=invoice&brand=TH&limit=20')).json()
    const views = await Promise.all(
      rows.map(async (row: { id: number }) => (await fetch(`/api/prepared/${row.id}`)).json()),
    )
    return views.filter((view) => view.email).map((view) => view.email.from as string)
  })
  expect(prepared).toBe('Tansy Hollow Books <books@tansyhollow.example>')
})
