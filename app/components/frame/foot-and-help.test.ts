import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import FootLine from './FootLine.vue'
import Help from './Help.vue'
import { useToasts } from '../../stores/toasts'
import { openDialogs } from '../../testing/dialog'

const pinia = createPinia()
const menu = { VMenu: { template: '<div><slot name="activator" :props="{}" /><slot /></div>' } }
const global = { plugins: [pinia], stubs: { ...openDialogs, ...menu } }
beforeEach(() => {
  setActivePinia(pinia)
  useToasts().forget()
})

describe('the foot of the page', () => {
  test('says the newest, and takes it back once', async () => {
    const undo = vi.fn(() => Promise.resolve())
    const page = mount(FootLine, { global })
    useToasts().say('The order is saved.')
    useToasts().say('1 order set to Shipped.', { undo })
    await flushPromises()
    expect(page.get('[role="status"]').text()).toContain('1 order set to Shipped.')
    await page.get('.toast button').trigger('click')
    expect(undo).toHaveBeenCalledTimes(1)
    expect(page.find('.toast').exists()).toBe(false)
  })

  test('keeps all that happened, the newest first', async () => {
    const page = mount(FootLine, { global })
    expect(page.find('[data-test="happened"]').exists()).toBe(false)
    useToasts().say('One')
    useToasts().say('Two', { wrong: true })
    await flushPromises()
    expect(page.get('[data-test="happened"]').text()).toContain('2')
    const rows = page.findAll('.happened li')
    expect(rows.map((row) => row.text().replace(/^\S+\s+/, ''))).toEqual(['Two', 'One'])
    expect(rows[0]!.classes()).toContain('wrong')
  })

  test('is empty again for who signs in next', async () => {
    const page = mount(FootLine, { global })
    useToasts().say('Credited')
    page.unmount()
    expect(useToasts().toasts).toEqual([])
  })
})

describe('help', () => {
  const help = (props: { path: string; task?: string }) => mount(Help, { props, global })
  const tasks = (page: ReturnType<typeof help>) => page.findAll('nav button').map((one) => one.text())

  test('begins with the first task of the screen, and shows the others', async () => {
    const page = help({ path: '/accounts/bank' })
    expect(page.get('h1').text()).toBe('Book a bank statement')
    expect(tasks(page)).toContain('Record a payment or refund')
    expect(tasks(page)).not.toContain('Print and post')
    await page.findAll('nav button').at(-1)!.trigger('click')
    expect(page.get('h1').text()).toBe('Keys')
  })

  test('opens at the task that was looked for, of whatever screen', () => {
    const page = help({ path: '/orders', task: 'mail' })
    expect(page.get('h1').text()).toBe('Connect or test a mail account')
    expect(tasks(page).length).toBeGreaterThan(25)
  })

  test('gives the steps in their order, and remarks apart from them', () => {
    const page = help({ path: '/register', task: 'void' })
    expect(page.findAll('ol li').map((one) => one.text())[0]).toContain('press Void')
    expect(page.get('.remark').text()).toMatch(/^Only while nothing was handed over/)
  })
})
