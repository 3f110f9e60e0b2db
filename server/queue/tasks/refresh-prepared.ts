import { refreshPrepared } from '../../services/documents/refresh'
import type { Jobs } from '../add'

export const run = ({ preparedIds }: Jobs['refresh-prepared']): Promise<void> => refreshPrepared(preparedIds)
