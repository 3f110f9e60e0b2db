import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import CheckField from '../fields/CheckField.vue'
import EmailFiles from './EmailFiles.vue'
import FileButton from '../fields/FileButton.vue'
import { signedIn } from '../../testing/signed-in'
import type { EmailView } from '../../contract'

const calls = vi.hoisted(() => ({ addForOnce: vi.fn() }))
vi.mock('../../calls/enclosures', () => calls)

const noLimits = { mostDownloads: null, goodDays: null }
const terms = {
  name: 'Terms.pdf',
  size: 400_000,
  enclosure: { id: 1, source: 'invoice', leftOut: false, ...noLimits },
}
const photo = {
  name: 'Photo.jpg',
  size: 900_000,
  enclosure: { id: 2, source: 'customer', leftOut: false, ...noLimits },
}
const email = (change: object = {}) =>
  ({
    files: [{ name: 'INV-1.pdf', size: 50_000 }, terms, photo],
    most: 2_000_000,
    pictures: 0,
    splits: false,
    ...change,
  }) as unknown as EmailView // the rest is not asked
function shown(change: object = {}, props: object = {}) {
  return mount(EmailFiles, {
    props: { preparedId: 7, email: email(change), wrong: '', leftOut: [], added: [], ...props },
    global: { plugins: [signedIn()] },
  })
}
type Page = ReturnType<typeof shown>
const told = (page: Page, what: string) => page.emitted(`update:${what}`)?.at(-1)?.[0]
const addFile = async (page: Page, file: File) => {
  page.getComponent(FileButton).vm.$emit('file', file)
  await flushPromises()
}
beforeEach(() => {
  calls.addForOnce.mockReset().mockResolvedValue({ id: 9, name: 'Plan.pdf', size: 300_000 })
})

describe('what goes along with one email', () => {
  test('the document always does; others are left out this once, and put back', async () => {
    const page = shown()
    expect(page.findAllComponents(CheckField)).toHaveLength(2)
    page.findAllComponents(CheckField)[0]!.vm.$emit('update:modelValue', false)
    expect(told(page, 'leftOut')).toEqual([1])
    await page.setProps({ leftOut: [1, 2] })
    page.findAllComponents(CheckField)[0]!.vm.$emit('update:modelValue', true)
    expect(told(page, 'leftOut')).toEqual([2])
  })

  test('says how much it is, of what goes alone', async () => {
    const sizeOf = (page: Page) => page.get('.under .soft').text()
    const all = sizeOf(shown())
    const less = sizeOf(shown({}, { leftOut: [2] }))
    expect(all).not.toBe(less)
    expect(all).toMatch(/MB/)
  })

  test('too much is said before it is sent, or that it goes in several where the house wants that', () => {
    expect(shown({ most: 1_000_000 }).find('.under .brick').exists()).toBe(true)
    expect(
      shown({ most: 1_000_000 }, { leftOut: [2] })
        .find('.under .brick')
        .exists(),
    ).toBe(false)
    const several = shown({ most: 1_000_000, splits: true })
    expect(several.find('.under .brick').exists()).toBe(false)
    expect(several.get('.under .soft').text()).not.toBe('')
  })

  test('a file is added for this once, and not twice', async () => {
    const page = shown()
    await addFile(page, new File(['%PDF-1.7'], 'Plan.pdf'))
    expect(calls.addForOnce.mock.calls[0]![1]).toMatchObject({ name: 'Plan.pdf' })
    expect(told(page, 'added')).toEqual([{ id: 9, name: 'Plan.pdf', size: 300_000 }])
    await page.setProps({ added: [{ id: 9, name: 'Plan.pdf', size: 300_000 }] })
    await addFile(page, new File(['%PDF-1.7'], 'Plan again.pdf'))
    expect(page.emitted('update:added')).toHaveLength(1)
    await page.get('button[aria-label*="Plan.pdf"]').trigger('click')
    expect(told(page, 'added')).toEqual([])
  })

  test('one that is refused says why', async () => {
    calls.addForOnce.mockRejectedValueOnce(new Error('A program may not go along.'))
    const page = shown()
    await addFile(page, new File(['MZ'], 'setup.pdf'))
    expect(page.get('p[role="alert"]').text()).toBe('A program may not go along.')
    expect(page.emitted('update:added')).toBeUndefined()
  })

  test('what is wrong with the email’s files is said here', () => {
    expect(shown({}, { wrong: 'Photo.jpg is gone.' }).get('p[role="alert"]').text()).toBe(
      'Photo.jpg is gone.',
    )
  })
})
