import { expect, test } from 'vitest'
import { carried, carriagesOf, fitText, linksLacking, type CarriageRule } from './carriage'

const invoice = { name: 'invoice', size: 200_000, isDocument: true }
const terms = { name: 'terms', size: 3_000_000, isDocument: false }
const film = { name: 'film', size: 9_000_000, isDocument: false }
const rule: CarriageRule = { wish: 'attached', links: true, tooLarge: 'link', most: 10 }
const names = (files: readonly (typeof invoice)[], change: Partial<CarriageRule>) => {
  const { attached, linked } = carried(files, { ...rule, ...change })
  return [attached.map(({ name }) => name).join(' '), linked.map(({ name }) => name).join(' ')]
}

test('attached, behind a link, or the documents both ways', () => {
  expect(names([invoice, terms], {})).toEqual(['invoice terms', ''])
  expect(names([invoice, terms], { wish: 'link' })).toEqual(['', 'invoice terms'])
  expect(names([invoice, terms], { wish: 'both' })).toEqual(['invoice terms', 'invoice'])
})

test('without an address that links begin with everything is attached: no email leaves without its document', () => {
  for (const wish of ['attached', 'link', 'both'] as const)
    expect(names([invoice, film, terms], { wish, links: false })).toEqual(['invoice film terms', ''])
})

test('too large: the largest enclosure becomes a link first, and no more than has to', () => {
  expect(names([invoice, terms, film], {})).toEqual(['invoice terms', 'film'])
  expect(names([invoice, terms, film], { wish: 'both' })).toEqual(['invoice terms', 'invoice film'])
})

test('too large where the house wants it stopped: nothing becomes a link behind its back', () => {
  expect(names([invoice, terms, film], { tooLarge: 'stop' })).toEqual(['invoice terms film', ''])
})

test('a document alone that does not fit becomes a link, too', () => {
  expect(names([{ ...invoice, size: 12_000_000 }], {})).toEqual(['', 'invoice'])
})

test('a short confirmation stands in the text, and what goes along with it is attached', () => {
  const { attached, linked, inText } = carried([invoice, terms], { ...rule, wish: 'body', fitsText: true })
  expect([attached, linked, inText]).toEqual([[terms], [], [invoice]])
  expect(carried([invoice], { ...rule, wish: 'body', links: false, fitsText: true }).attached).toEqual([])
})

test('what does not fit there is attached: it never leaves as nothing', () => {
  expect(names([invoice, terms], { wish: 'body', fitsText: false })).toEqual(['invoice terms', ''])
})

test('an invoice needs its file, and so does a confirmation of many lines', () => {
  const lines = (count: number) => Array.from({ length: count })
  expect(carriagesOf('invoice')).not.toContain('body')
  expect(fitText([{ kind: 'invoice', lines: lines(2) }])).toBe(false)
  expect(fitText([{ kind: 'order confirmation', lines: lines(40) }])).toBe(true)
  expect(
    fitText([
      { kind: 'order confirmation', lines: lines(40) },
      { kind: 'order confirmation', lines: lines(1) },
    ]),
  ).toBe(false)
})

test('what may be had so often only is behind a link however its customer has files, and nowhere else', () => {
  const plan = { name: 'plan', size: 4_000, isDocument: false, onlyLinked: true }
  for (const wish of ['attached', 'link', 'both', 'body'] as const) {
    const { attached, linked } = carried([invoice, plan], { ...rule, wish })
    expect(attached).not.toContainEqual(plan)
    expect(linked).toContainEqual(plan)
  }
  expect(carried([invoice, plan], rule)).toMatchObject({ attached: [invoice], linked: [plan] })
})

test('where links lead nowhere it is never attached instead: its email waits, and says why', () => {
  const plan = { name: 'plan.pdf', size: 4_000, isDocument: false, onlyLinked: true }
  expect(carried([invoice, plan], { ...rule, links: false }).attached).toEqual([invoice])
  expect(linksLacking([invoice, plan], { links: false })?.words).toMatch(/“plan.pdf” goes as a link only/)
  expect(linksLacking([invoice, plan], { links: true })).toBeNull()
  expect(linksLacking([invoice, terms], { links: false })).toBeNull()
})
