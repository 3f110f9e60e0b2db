import { EventEmitter } from 'node:events'
import type { WorkerEvents } from 'graphile-worker'
import { expect, test } from 'vitest'
import { watchQueue } from './deaf'

/** A queue that tells what it meets, and the question whether it is deaf. */
function watched() {
  const queue = new EventEmitter()
  return { queue, isDeaf: watchQueue(queue as WorkerEvents) }
}

test('a queue that only fails while the database answers is deaf at the third sign', () => {
  const { queue, isDeaf } = watched()
  const answers = [1, 2, 3].map(() => {
    queue.emit('worker:getJob:error')
    return isDeaf()
  })
  expect(answers).toEqual([false, false, true])
})

test.each(['worker:getJob:empty', 'job:start'])('one that hears again (%s) is not deaf', (event) => {
  const { queue, isDeaf } = watched()
  queue.emit('worker:getJob:error')
  isDeaf()
  isDeaf()
  queue.emit(event)
  expect(isDeaf()).toBe(false)
  queue.emit('worker:getJob:error')
  expect([isDeaf(), isDeaf(), isDeaf()]).toEqual([false, false, true])
})

test('a quiet queue is not deaf, however long nothing is due', () => {
  const { isDeaf } = watched()
  expect(Array.from({ length: 20 }, isDeaf)).not.toContain(true)
})
