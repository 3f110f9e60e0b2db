import { theHouse } from '../../services/people/principal'
import { endReturnLabels } from '../../services/shipping/returns'

export const run = (): Promise<void> => endReturnLabels(theHouse)
