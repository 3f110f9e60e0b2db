import { refreshPrepared } from '../../services/documents/prepare'
import type { Jobs } from '../add'

export const run = ({ preparedIds }: Jobs['refresh-prepared']): Promise<void> => refreshPrepared(preparedIds)
