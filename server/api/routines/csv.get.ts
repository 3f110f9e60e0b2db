import { toldSentence } from '../../../core/routines/sentence'
import { csvFile } from '../../http/csv'
import { route } from '../../http/route'
import { listRoutines } from '../../services/routines/routines'

/** Routines as CSV, each with its sentence in words. */
export default route({ role: 'reader', brands: 'own' }, async ({ event, user }) =>
  csvFile(
    event,
    'routines',
    ['name', 'on', 'trust', 'sentence', 'description', 'version', 'changedAt', 'changedBy', 'thisMonth'],
    (await listRoutines(user)).map(({ isOn, sentence, changedAt, ...routine }) => ({
      ...routine,
      on: isOn ? 'yes' : 'no',
      sentence: toldSentence(sentence).words,
      changedAt: changedAt.toISOString(),
    })),
  ),
)
