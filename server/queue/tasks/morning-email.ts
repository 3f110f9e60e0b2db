import { sendMorningEmail } from '../../services/line/morning'

export const run = (): Promise<void> => sendMorningEmail()
