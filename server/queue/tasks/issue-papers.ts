import { issueInOneTransaction } from '../../services/documents/issue'
import type { Jobs } from '../add'

/** Papers that a routine lets go by themselves; who issued them is the routine, as their trail says. */
export async function run({ paperIds }: Jobs['issue-papers']): Promise<void> {
  await issueInOneTransaction(paperIds.map(paperId => ({ paperId, revision: null })), 'Clothespin, by itself')
}
