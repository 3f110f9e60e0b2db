import { told } from '../../../core/said/told'
import { mount } from '@vue/test-utils'
import { describe, expect, test } from 'vitest'
import LineRope from './LineRope.vue'
import type { StageCount } from '../../contract'

const counts = (['to send', 'to check', 'waiting', 'on the way', 'arrived', 'stuck'] as const).map(
  (stage, index) => ({
    stage,
    count: index % 2 ? 1200 : 0,
    at: null,
    facts: index === 5 ? [told('fact/stuck', { n: 3, cause: told('cause/bounced') })] : [],
  }),
) satisfies StageCount[]
const rope = () => mount(LineRope, { props: { counts, stage: 'waiting' }, attachTo: document.body })
const tab = (line: ReturnType<typeof rope>, stage: string) => line.get(`[data-stage="${stage}"]`)

describe('the stages on the rope', () => {
  test('say in words that nothing is there, and what needs somebody', () => {
    const line = rope()
    expect(tab(line, 'to send').text()).toContain('nothing is due')
    expect(tab(line, 'waiting').text()).toContain('nothing waits')
    expect(tab(line, 'stuck').text()).toContain('3 bounced')
    expect(tab(line, 'to check').text()).toContain('1,200')
  })

  test('begin with what needs somebody, since the end of a narrow one is cut', () => {
    const one = {
      stage: 'to check',
      count: 29,
      facts: [told('fact/keptBack', { n: 17 })],
      at: new Date('2026-09-08T15:00:00Z'),
    }
    const line = mount(LineRope, { props: { counts: [one] as unknown as StageCount[], stage: 'to check' } })
    expect(tab(line, 'to check').text()).toMatch(/17 could not go · since 8 Sept/)
  })

  test('only the one in hand is reached by Tab', () => {
    const line = rope()
    expect(line.findAll('[tabindex="0"]').map((one) => one.attributes('data-stage'))).toEqual(['waiting'])
    expect(tab(line, 'waiting').attributes('aria-selected')).toBe('true')
  })

  test('arrows go from one to the next and stop at the ends; Enter goes into the list', async () => {
    const line = rope()
    await tab(line, 'waiting').trigger('keydown', { key: 'ArrowRight' })
    await tab(line, 'stuck').trigger('keydown', { key: 'ArrowRight' })
    await tab(line, 'waiting').trigger('keydown', { key: 'Home' })
    expect(line.emitted('update:stage')).toEqual([['on the way'], ['stuck'], ['to send']])
    await tab(line, 'waiting').trigger('keydown', { key: 'Enter' })
    expect(line.emitted('enter')).toHaveLength(1)
  })
})
