import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import { nextTick } from 'vue'
import SettingsNav from './SettingsNav.vue'
import { useSession } from '../../stores/session'
import type { BrandView } from '../../contract'

/* Settings are found by what clerks call them, and a brand says what it still lacks. */
const pinia = createPinia()
const whole = {
  id: 1,
  name: 'Tansy Hollow',
  retired: false,
  taxNumber: 'IE 0000000T',
  banks: [{}],
  design: { design: { pictures: { logo: {} } } },
  series: {},
  notes: [{}],
} as unknown as BrandView
const signIn = (role: 'clerk' | 'supervisor') => {
  useSession().user = { id: 1, name: 'Maeve', email: 'm@tansyhollow.example', role }
}
beforeEach(() => {
  setActivePinia(pinia)
  signIn('supervisor')
})
const nav = (brands: BrandView[] = [whole]) =>
  mount(SettingsNav, {
    props: {
      section: 'Guide',
      parts: ['Guide', 'General', 'Tax'],
      brandParts: ['Identity', 'Numbers'],
      ofBrand: false,
      brands,
      activeId: 1,
    },
    global: { plugins: [pinia] },
  })

describe('settings', () => {
  test('that are open stand in sight, also where a link led to them', async () => {
    const seen: string[] = []
    vi.spyOn(Element.prototype, 'scrollIntoView').mockImplementation(function (this: Element) {
      seen.push(this.textContent.trim())
    })
    const page = nav()
    expect(seen).toEqual(['Guide'])
    await page.setProps({ section: 'Numbers', ofBrand: true })
    await nextTick()
    expect(seen).toEqual(['Guide', 'Numbers'])
  })

  test('are turned to by their name, and those of a brand beneath it', async () => {
    const page = nav()
    const click = (words: string) =>
      page
        .findAll('button')
        .find((one) => one.text() === words)!
        .trigger('click')
    await click('Tax')
    await click('Numbers')
    await click('Tansy Hollow')
    expect(page.emitted('turn')).toEqual([['Tax'], ['Numbers']])
    expect(page.emitted('brand')).toEqual([[1]])
  })

  test('are found by other words; what is found is left when one goes there', async () => {
    const page = nav()
    await page.get('[data-test="find-setting"]').setValue('gst')
    const found = page.findAll('[data-test="found-setting"]')
    expect(found.map((one) => one.text())).toEqual(['Tax categories and rates'])
    expect(page.text()).not.toContain('Identity')
    await found[0]!.trigger('click')
    expect(page.emitted('turn')).toEqual([['Tax']])
    expect(page.findAll('[data-test="found-setting"]')).toEqual([])
  })

  test('that nobody knows say so', async () => {
    const page = nav()
    await page.get('[data-test="find-setting"]').setValue('weather')
    expect(page.text()).toContain('No setting is called so.')
  })

  test('that are only a supervisor’s are not found by a clerk, who cannot add a brand either', async () => {
    signIn('clerk')
    const page = nav()
    expect(page.find('[data-test="add-brand"]').exists()).toBe(false)
    await page.get('[data-test="find-setting"]').setValue('smtp')
    expect(page.findAll('[data-test="found-setting"]')).toEqual([])
  })
})

describe('a brand', () => {
  test('says what it lacks before anything of it can go out', () => {
    const bare = { ...whole, taxNumber: '', banks: [], notes: [] } as unknown as BrandView
    expect(nav([bare]).text()).toContain('lacks tax number, bank account, email text')
    expect(nav().text()).not.toContain('lacks')
  })

  test('that is retired is only called so', () => {
    const retired = { ...whole, retired: true, banks: [] } as unknown as BrandView
    const words = nav([retired]).text()
    expect(words).toContain('retired')
    expect(words).not.toContain('lacks')
  })
})
