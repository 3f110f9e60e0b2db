import { goOnImporting } from '../../services/imports/imports'
import type { Jobs } from '../add'

export const run = ({ importId }: Jobs['go-on-importing']): Promise<void> => goOnImporting(importId)
