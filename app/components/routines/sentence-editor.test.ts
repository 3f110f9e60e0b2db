import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, test } from 'vitest'
import ConditionWord from './ConditionWord.vue'
import SentenceEditor from './SentenceEditor.vue'
import TrustChoice from './TrustChoice.vue'
import FormField from '../fields/FormField.vue'
import ManyList from '../list/ManyList.vue'
import TakenField from '../fields/TakenField.vue'
import WordPicker from '../list/WordPicker.vue'
import { newConditions } from '../../composables/routineWords'
import { type Condition } from '../../../core/routines/conditions'
import { checkSentence, type RoutineEvent, type RoutineSentence } from '../../../core/routines/sentence'
import type { RoutineChoices } from '../../contract'

const choices = {
  statuses: ['Packed', 'Shipped'],
  brands: [{ value: 'TH', words: 'Tansy Hollow' }],
  customers: [{ value: '10417', words: 'Ottermill Honey' }],
  items: [{ value: 'HB-10N', words: 'HB-10N Brood box' }],
  groups: ['Schools', 'Nurseries'],
  countries: ['IE', 'DE'],
  salespersons: ['Maeve Tarrant'],
  currencies: ['EUR', 'GBP'],
  fields: ['Season order'],
  customerFields: ['Hive count'],
  roles: ['buying', 'billing', 'goods-in'],
} as unknown as RoutineChoices // the words of kinds and people are not asked here
const plain: RoutineSentence = {
  statuses: ['Shipped'],
  conditions: [],
  issue: 'invoice',
  to: 'billing',
  delayMinutes: 0,
}
/** Panels stand open, so that what is in them is found. */
const stubs = {
  WordMenu: { props: ['words'], template: '<span class="menu"><b>{{ words }}</b><slot /></span>' },
}

function editor(change: Partial<RoutineSentence> = {}, disabled = false) {
  const page = mount(SentenceEditor, {
    props: {
      choices,
      disabled,
      modelValue: { ...plain, ...change },
      'onUpdate:modelValue': (now: RoutineSentence) => page.setProps({ modelValue: now }),
    },
    global: { stubs },
  })
  const picker = (label: string) =>
    page.findAllComponents(WordPicker).find((one) => one.props('label') === label)!
  const pick = async (label: string, value: string) => {
    picker(label).vm.$emit('pick', value)
    await flushPromises()
  }
  const sentence = () => page.props('modelValue')
  return { page, picker, pick, sentence }
}

describe('a routine written out', () => {
  test('says its statuses, and takes one more or one less', async () => {
    const { picker, pick, sentence } = editor()
    expect(picker('Status').props('words')).toBe('Shipped')
    await pick('Status', 'Packed')
    expect(picker('Status').props('words')).toBe('Shipped or Packed')
    await pick('Status', 'Shipped')
    expect(sentence().statuses).toEqual(['Packed'])
  })

  test('of another event asks for no status and issues what the event is about', async () => {
    const { page, picker, pick, sentence } = editor()
    await pick('Event', 'posted credit note')
    expect(sentence()).toMatchObject({ on: 'posted', statuses: [], issue: 'credit note', to: 'billing' })
    expect(picker('Status')).toBeUndefined()
    expect(page.text()).toContain('send that very document')
    await pick('Event', 'payment payment receipt')
    expect(sentence()).toMatchObject({ on: 'payment', issue: 'payment receipt' })
    await pick('Event', 'order status')
    expect(sentence()).toMatchObject({ on: 'order status', statuses: [], issue: 'invoice' })
  })

  test('offers every event once, and each choice makes a sentence that can be said', () => {
    const { picker } = editor()
    const offered = picker('Event').props('choices')
    expect(new Set(offered.map((one) => one.value)).size).toBe(offered.length)
    expect(offered.every((one) => one.words.length > 5)).toBe(true)
  })

  test('takes a condition, begins it empty, and lets it go again', async () => {
    const { page, pick, picker, sentence } = editor()
    const group = picker('A condition')
      .props('choices')
      .findIndex((one) => one.words.includes('group'))
    await pick('A condition', String(group))
    expect(sentence().conditions).toEqual([{ about: 'group', is: 'one of', values: [] }])
    page.findComponent(ConditionWord).vm.$emit('update:modelValue', {
      about: 'group',
      is: 'one of',
      values: ['Schools'],
    })
    await flushPromises()
    expect(page.text()).toContain('Schools')
    page.findComponent(ConditionWord).vm.$emit('remove')
    await flushPromises()
    expect(sentence().conditions).toEqual([])
  })

  test('two conditions begun from the same offer are two, not one twice', async () => {
    const { page, pick, sentence } = editor()
    await pick('A condition', '0')
    await pick('A condition', '0')
    page.findAllComponents(ConditionWord)[0]!.vm.$emit('update:modelValue', {
      about: 'total',
      of: 'gross',
      is: 'over',
      amount: '500',
      currency: 'EUR',
    })
    await flushPromises()
    expect(sentence().conditions.map((one) => one.about === 'total' && one.amount)).toEqual(['500', ''])
  })

  test('copies go to the addresses that are written, however they are parted', async () => {
    const { page, sentence } = editor()
    page
      .findAllComponents(TakenField)[0]!
      .vm.$emit('take', 'a@house.example; b@house.example,c@house.example')
    await flushPromises()
    expect(sentence().copyTo).toEqual(['a@house.example', 'b@house.example', 'c@house.example'])
    page.findAllComponents(TakenField)[0]!.vm.$emit('take', '')
    await flushPromises()
    expect(sentence().copyTo).toEqual([])
  })

  test('waits so many minutes, and in certain hours only', async () => {
    const { page, sentence } = editor()
    page
      .findAllComponents(FormField)
      .find((one) => one.classes().includes('minutes'))!
      .vm.$emit('update:modelValue', '20')
    await flushPromises()
    expect(sentence().delayMinutes).toBe(20)
    page.findAllComponents({ name: 'CheckField' })[0]!.vm.$emit('update:modelValue', true)
    await flushPromises()
    expect(sentence().hours).toEqual({ from: '08:00', to: '17:00', workdays: true })
    expect(() => checkSentence(sentence(), choices.statuses)).not.toThrow()
    page.findAllComponents({ name: 'CheckField' })[0]!.vm.$emit('update:modelValue', false)
    await flushPromises()
    expect(sentence().hours).toBeNull()
  })

  test('is read, and not changed, by who may not', () => {
    const { page, picker } = editor({ copyTo: [] }, true)
    expect(picker('A condition')).toBeUndefined()
    expect(page.findAllComponents(WordPicker).every((one) => one.props('disabled'))).toBe(true)
  })
})

describe('one condition', () => {
  function word(condition: Condition, ofAccount = false) {
    const page = mount(ConditionWord, {
      props: {
        ofAccount,
        choices,
        disabled: false,
        begin: false,
        modelValue: condition,
        'onUpdate:modelValue': (now: Condition) => page.setProps({ modelValue: now }),
      },
      global: { stubs },
    })
    return { page, now: () => page.props('modelValue'), words: () => page.get('b').text() }
  }

  test('of an account asks how late it is, and for its customer’s fields', async () => {
    const late = word({ about: 'late', is: 'over', days: '' }, true)
    expect(late.words()).toBe('its oldest item is late for more than … days')
    await late.page.get('[data-test="condition-days"] input').setValue(' 45 ')
    expect(late.now()).toEqual({ about: 'late', is: 'over', days: '45' })
    const offered = (event: RoutineEvent) => newConditions(choices, event).map((one) => one.words)
    expect(offered('time')).toContain('its field “Hive count” …')
    expect(offered('time')).not.toContain('its field “Season order” …')
    expect(offered('order status')).toContain('its field “Season order” …')
    expect(offered('order status')).not.toContain('its oldest item is late for more than … days')
  })

  test('that says nothing yet says so', () => {
    expect(word({ about: 'group', is: 'one of', values: [] }).words()).toBe('its group is …')
    expect(word({ about: 'field', field: 'Season order', is: 'contains', value: '' }).words()).toBe(
      'its field “Season order” …',
    )
  })

  test('of an amount takes a comma as people write it', async () => {
    const { page, now, words } = word({
      about: 'total',
      of: 'gross',
      is: 'over',
      amount: '',
      currency: 'EUR',
    })
    page.findComponent(FormField).vm.$emit('update:modelValue', ' 500,50 ')
    await flushPromises()
    expect(now()).toMatchObject({ amount: '500.50' })
    expect(words()).toContain('500.50')
  })

  test('is among the chosen or none of them, called by name', async () => {
    const { page, now, words } = word({ about: 'brand', is: 'one of', values: ['TH'] })
    expect(words()).toContain('Tansy Hollow')
    page.findAllComponents({ name: 'SelectField' })[0]!.vm.$emit('update:modelValue', 'not')
    await flushPromises()
    expect(now()).toMatchObject({ is: 'not', values: ['TH'] })
    page.findComponent(ManyList).vm.$emit('change', [])
    await flushPromises()
    expect(now()).toMatchObject({ values: [] })
  })

  test('of a field asks what it holds only where that matters', async () => {
    const { page } = word({ about: 'field', field: 'Season order', is: 'contains', value: 'spring' })
    expect(page.findAllComponents(FormField)).toHaveLength(1)
    page.findAllComponents({ name: 'SelectField' })[1]!.vm.$emit('update:modelValue', 'filled')
    await flushPromises()
    expect(page.findAllComponents(FormField)).toHaveLength(0)
  })
})

describe('how far a routine goes by itself', () => {
  const choice = (disabled = false) =>
    mount(TrustChoice, { props: { trust: 'after a check', disabled }, attachTo: document.body })

  test('is one of three, reached by Tab once', () => {
    const page = choice()
    expect(page.findAll('[role="radio"]').map((one) => one.attributes('tabindex'))).toEqual(['-1', '0', '-1'])
    expect(page.findAll('[aria-checked="true"]')).toHaveLength(1)
    page.unmount()
  })

  test('is chosen by a click, and moved through by arrows, round and round, without choosing', async () => {
    const page = choice()
    const [first, second, third] = page.findAll<HTMLElement>('[role="radio"]')
    second!.element.focus()
    await page.trigger('keydown', { key: 'ArrowRight' })
    expect(document.activeElement).toBe(third!.element)
    await page.trigger('keydown', { key: 'ArrowRight' })
    expect(document.activeElement).toBe(first!.element)
    await page.trigger('keydown', { key: 'ArrowLeft' })
    expect(document.activeElement).toBe(third!.element)
    expect(page.emitted('choose')).toBeUndefined()
    await third!.trigger('click')
    expect(page.emitted('choose')).toEqual([['automatic']])
    page.unmount()
  })
})
