import { describe, expect, test } from 'vitest'
import { creditsOf } from './credit-return'

describe('what came back', () => {
  test('is credited for exactly that, on the invoices that bill it, the first one first', () => {
    const invoices = [
      {
        id: 7,
        lines: [
          { position: 1, left: '2' },
          { position: null, left: '1' },
        ],
      },
      {
        id: 9,
        lines: [
          { position: 3, left: '5' },
          { position: 1, left: '8' },
        ],
      },
    ]
    expect(creditsOf([{ position: 1, quantity: '3' }], invoices)).toEqual({
      credits: [
        { id: 7, lines: [{ line: 0, quantity: '2' }], contents: [{ position: 1, quantity: '2' }] },
        { id: 9, lines: [{ line: 1, quantity: '1' }], contents: [{ position: 1, quantity: '1' }] },
      ],
      uncredited: [],
    })
  })
  test('is said where no invoice has so much left', () => {
    expect(
      creditsOf(
        [
          { position: 1, quantity: '3' },
          { position: 2, quantity: '1' },
        ],
        [
          {
            id: 7,
            lines: [
              { position: 1, left: '0.5' },
              { position: 2, left: '0' },
            ],
          },
        ],
      ),
    ).toEqual({
      credits: [
        { id: 7, lines: [{ line: 0, quantity: '0.5' }], contents: [{ position: 1, quantity: '0.5' }] },
      ],
      uncredited: [
        { position: 1, quantity: '2.5' },
        { position: 2, quantity: '1' },
      ],
    })
  })
  test('of a line below nothing is left alone', () => {
    expect(
      creditsOf([{ position: 1, quantity: '1' }], [{ id: 7, lines: [{ position: 1, left: '-4' }] }]),
    ).toEqual({
      credits: [],
      uncredited: [{ position: 1, quantity: '1' }],
    })
  })
})
