import { type ChannelName } from '../../../../core/dispatch/channels'
import type { WorkerChannel } from './channel'
import { emailChannel } from './email'

/** The ways by which a worker hands over, by name; the others are handed over by people. */
export const workerChannelModules: Partial<Record<ChannelName, WorkerChannel>> = {
  email: emailChannel,
}
