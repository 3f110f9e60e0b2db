import { describe, expect, test } from 'vitest'
import { answerKind, toldAnswer, type AnswerMail } from './answer'

const mail = (change: Partial<AnswerMail>): AnswerMail => ({
  from: 'nuala@ottermill.example',
  subject: 'Re: Invoice INV-7',
  text: '',
  isAutomatic: true,
  complaint: null,
  ...change,
})

describe('what an answer is', () => {
  test.each([
    ['Nuala Fennimore no longer works here. Please write to office@ottermill.example.'],
    ['Frau Brandes ist nicht mehr bei uns tätig.'],
    ['Herr Kranz hat das Unternehmen verlassen.'],
    ['Dieses Postfach wird nicht mehr gelesen. Nicht mehr gelesen werden auch Anhänge.'],
    ['Mme Ternois ne travaille plus chez nous.'],
    ['M. Aubrac a quitté l’entreprise.'],
    ['This email address is no longer in use.'],
  ])('somebody who is there no more: %s', (text) => expect(answerKind(mail({ text }))).toBe('left'))

  test.each([
    ['Automatic reply: Invoice INV-7', 'I am on leave until 4 December.'],
    ['Abwesenheit: Rechnung', 'Ich bin ab dem 4. Dezember wieder da.'],
    ['Réponse automatique : Facture', 'De retour le 4 décembre.'],
    ['Out of Office', ''],
  ])('somebody who is away: %s', (subject, text) => {
    expect(answerKind(mail({ subject, text }))).toBe('away')
    expect(answerKind(mail({ subject, text, isAutomatic: false }))).toBe('away')
  })

  test('what it quotes of ours says nothing of them', () =>
    expect(answerKind(mail({ text: 'Back on Monday.\n> Mr Kranz no longer works here' }))).toBe('away'))

  test('a person who wrote back is read by a person', () =>
    expect(answerKind(mail({ text: 'Thank you, we pay on Friday.', isAutomatic: false }))).toBe('other'))

  test('a complaint is one whatever else it says', () =>
    expect(
      answerKind(mail({ text: 'out of office', complaint: { about: 'x@y.example', feedbackType: 'abuse' } })),
    ).toBe('complaint'))
})

test('the history quotes its first words and no more', () => {
  const { words } = toldAnswer('away', mail({ subject: 'Away', text: `Back soon.\n\n${'x'.repeat(900)}` }))
  expect(words).toContain('nuala@ottermill.example is away; it lies in the mailbox. “Away: Back soon. xx')
  expect(words.length).toBeLessThan(520)
})
