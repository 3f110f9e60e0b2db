import { workerChannels } from '../../core/dispatch/channels'

/** SQL: that a worker hands over what is in this column. */
export const byWorker = (channel: string): string =>
  `${channel} in (${workerChannels.map((name) => `'${name}'`).join(', ')})`
