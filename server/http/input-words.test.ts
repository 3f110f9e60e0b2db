import Joi from 'joi'
import { describe, expect, test } from 'vitest'
import { country, day, name } from './checks'
import { toldInput } from './input-words'

const schema = Joi.object({
  contacts: Joi.array().items(Joi.object({ email: Joi.string().max(5).required(), name: name(80) })),
  day,
  country,
  count: Joi.number().integer().min(1),
  papers: Joi.array().min(1),
  way: Joi.valid('email', 'paper'),
})

const said = (value: object) => toldInput(schema.validate(value).error!.details[0]!).words

describe('what is wrong with what was sent is said in words', () => {
  test.each([
    [{ contacts: [{ email: 'a@b' }, { email: '' }] }, 'The email of contact 2 is missing.'],
    [{ contacts: [{}] }, 'The email of contact 1 is missing.'],
    [{ contacts: [{ email: 'far too long' }] }, 'The email of contact 1 is longer than 5 characters.'],
    [
      { contacts: [{ email: 'a@b', name: 'Nuala\u0007' }] },
      'The name of contact 1 holds a character that cannot be shown. Type it again.',
    ],
    [{ day: '2026-02-30' }, 'The day is a day like 2026-11-24.'],
    [
      { country: 'Grmany' },
      'The country “Grmany” is no country. Write its name, like Germany, or its two letters, like DE.',
    ],
    [{ count: 0 }, 'The count is less than 1.'],
    [{ count: 'x' }, 'The count is not a number.'],
    [{ papers: [] }, 'The papers is empty. Choose at least one.'],
    [{ way: 'pigeon' }, 'The way is none of email, paper.'],
  ])('%j', (value, words) => {
    expect(said(value)).toBe(words)
  })

  test('and never in the words of the engine', () => {
    for (const value of [
      { contacts: 7 },
      { day: 7 },
      { count: 1.5 },
      { strange: 1 },
      { contacts: [{ email: 'a', name: 7 }] },
    ])
      expect(said(value)).not.toMatch(/must be|fails to match|"|\[\d\]|pattern/)
  })
})
