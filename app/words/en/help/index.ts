import { entries } from './entries'
import { masterTasks } from './masters-and-money'
import { documentTasks } from './orders-and-documents'
import { sendingTasks } from './sending'
import { setUpTasks } from './set-up'

/** The pages of help, and what the search for places, settings and acts knows, in English. */
export const help = {
  entries,
  tasks: [...sendingTasks, ...documentTasks, ...masterTasks, ...setUpTasks],
}
