import { expect, test } from 'vitest'
import { fillEmailText } from './email-text'
import { plainEmailLook, type EmailFrame } from './email-look'
import { exampleFacts, type EmailFacts } from './fields'
import { bodyOf, documentLink, type Body, type Line, type Mark } from './nodes'

const frame: EmailFrame = {
  brandName: 'Tansy Hollow',
  colours: { brand: '#8a5a00', accent: '#16695c' },
  look: plainEmailLook,
  footLines: [],
  language: 'en',
}
const withLinks = (...names: string[]): EmailFacts => ({
  ...exampleFacts,
  tables: {
    ...exampleFacts.tables,
    links: {
      ...exampleFacts.tables.links,
      rows: names.map((name) => [name, '24 December 2026']),
      hrefs: names.map((name) => `https://papers.example/d/${name}`),
    },
  },
})
const subject: Line = bodyOf('Invoice')
const words = (...more: Mark[]): Body => ({
  type: 'doc',
  content: [
    { type: 'paragraph', content: [{ type: 'text', text: 'Thank you.' }] },
    {
      type: 'paragraph',
      content: [
        {
          type: 'text',
          text: 'Take your invoice',
          marks: [{ type: 'link', attrs: { href: documentLink } }, ...more],
        },
      ],
    },
  ],
})

test('words that lead to the document lead to its link, in both forms', () => {
  const { html, text } = fillEmailText({ subject, text: words() }, withLinks('invoice'), frame)
  expect(html).toContain(
    '<a href="https://papers.example/d/invoice" style="color:#1a4f8a">Take your invoice</a>',
  )
  expect(text).toContain('Take your invoice (https://papers.example/d/invoice)')
  expect(html).not.toContain('To download')
})

test('where the document is attached, words that lead to it are not there', () => {
  const { html, text } = fillEmailText({ subject, text: words() }, exampleFacts, frame)
  expect(text).toBe('Thank you.')
  expect(html).not.toContain('Take your')
})

test('a text that leads nowhere has the links below it: no email leaves without a way to its document', () => {
  const { html, text } = fillEmailText({ subject, text: bodyOf('Thank you.') }, withLinks('invoice'), frame)
  expect(html).toContain('>invoice</a>')
  expect(text).toContain('invoice, 24 December 2026\nhttps://papers.example/d/invoice')
})

test('so has one whose words stand in a passage that does not stand', () => {
  const never: Mark = { type: 'passage', attrs: { field: 'several', is: 'there', not: false } }
  const { text } = fillEmailText({ subject, text: words(never) }, withLinks('invoice'), frame)
  expect(text).toContain('https://papers.example/d/invoice')
})

test('and one with further files, which its words do not lead to', () => {
  const { html } = fillEmailText({ subject, text: words() }, withLinks('invoice', 'terms'), frame)
  expect(html).toContain('Take your invoice</a>')
  expect(html).toContain('href="https://papers.example/d/terms"')
})
