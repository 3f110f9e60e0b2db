import type { WorkerEvents } from 'graphile-worker'

/** This many signs of life of the database, while the queue gives no job, make its worker deaf. */
const signsInVain = 3

/**
 * Watches whether the queue still hears of jobs. One whose very first question failed, because the database
 * went away just then, keeps that failure and fails for ever (graphile-worker 0.17); its process would live,
 * and nothing would go.
 * @returns to be asked whenever the database has answered something else: true once the queue is deaf
 */
export function watchQueue(events: WorkerEvents): () => boolean {
  let isFailing = false
  let inVain = 0
  const heard = () => {
    isFailing = false
    inVain = 0
  }
  events.on('worker:getJob:empty', heard)
  events.on('job:start', heard)
  events.on('worker:getJob:error', () => {
    isFailing = true
  })
  return () => {
    if (isFailing) inVain++
    return inVain >= signsInVain
  }
}
