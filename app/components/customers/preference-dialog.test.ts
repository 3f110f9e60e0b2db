import { mount } from '@vue/test-utils'
import { describe, expect, test } from 'vitest'
import PreferenceDialog from './PreferenceDialog.vue'
import { openDialogs } from '../../testing/dialog'
import { signedIn } from '../../testing/signed-in'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { Preference } from '../../../core/preferences/recipients'

function shown(own: Preference, beneath: Preference = {}, kind: DocumentKind = 'invoice', linksLead = true) {
  const page = mount(PreferenceDialog, {
    props: { kind, own, beneath, beneathLevel: 'the group Shops' },
    global: { plugins: [signedIn('clerk', { linksLead })], stubs: openDialogs },
  })
  const field = (name: string) =>
    page.findAllComponents({ name: 'SelectField' }).find((one) => one.vm.$attrs['data-test'] === name)
  const pick = async (name: string, value: string) => {
    field(name)!.vm.$emit('update:modelValue', value)
    await page.vm.$nextTick()
  }
  const keep = async () => {
    await page.get('[data-test="ask-go"]').trigger('click')
    return page.emitted('keep')?.at(-1)?.[0] as Preference | undefined
  }
  const write = (name: string, text: string) => page.get(`[data-test="${name}"] input`).setValue(text)
  return { page, field, pick, keep, write }
}
const first = (field: ReturnType<ReturnType<typeof shown>['field']>) =>
  (field!.props('choices') as { words: string }[])[0]!.words

describe('how a kind of document goes to a customer', () => {
  test('what nobody chooses stays unsaid and follows what lies beneath, which is named', async () => {
    const { field, keep } = shown({}, { channel: 'paper' })
    expect(first(field('wish-channel'))).toMatch(/the group Shops.*paper|post/i)
    expect(await keep()).toEqual({})
  })

  test('on paper asks nothing about emails', async () => {
    const { field, pick, keep } = shown({})
    await pick('wish-channel', 'paper')
    expect(field('wish-to')).toBeUndefined()
    expect(await keep()).toEqual({ channel: 'paper' })
  })

  test('addresses that are written here stand in place of a role, and at least one is needed', async () => {
    const { page, pick, keep, write, field } = shown({ to: 'buying' })
    const these = (field('wish-to')!.props('choices') as { value: string }[]).at(-1)!.value
    await pick('wish-to', these)
    expect(await keep()).toBeUndefined()
    expect(page.get('[data-test="wish-addresses"]').text()).not.toBe('')
    await write('wish-addresses', 'one@shop.example; two@shop.example')
    expect(await keep()).toEqual({ addresses: ['one@shop.example', 'two@shop.example'] })
  })

  test('what is no address is said at its field once it is asked, and kept nowhere', async () => {
    const { page, keep, write } = shown({})
    await write('wish-cc', 'boss@shop.example, boss')
    expect(page.text()).not.toContain('is not an email address')
    expect(await keep()).toBeUndefined()
    expect(page.get('[data-test="wish-cc"]').text()).toContain('boss')
    await write('wish-cc', 'boss@shop.example')
    expect(await keep()).toEqual({ cc: ['boss@shop.example'] })
  })

  test('copies of what it lists are asked of statements alone', () => {
    expect(shown({}, {}, 'statement of account').field('wish-copies')).toBeDefined()
    expect(shown({}, {}, 'invoice').field('wish-copies')).toBeUndefined()
  })

  test('links that lead nowhere yet are said so', () => {
    const hint = (linksLead: boolean) =>
      shown({}, {}, 'invoice', linksLead).field('wish-attach')!.props('hint') as string
    expect(hint(true)).toBe('')
    expect(hint(false)).not.toBe('')
  })

  test('a wish is given up again', async () => {
    const { pick, keep } = shown({ unreachable: 'print', channel: 'email' })
    await pick('wish-unreachable', '')
    await pick('wish-channel', '')
    expect(await keep()).toEqual({})
  })
})
