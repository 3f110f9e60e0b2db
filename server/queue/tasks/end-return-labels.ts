import { theHouse } from '../../services/people/principal'
import { endReturnLabels } from '../../services/shipping/return-changes'

export const run = (): Promise<void> => endReturnLabels(theHouse)
