import { setResponseHeaders } from 'h3'
import { Refusal } from '../../../../core/errors'
import { idParam } from '../../../checks'
import { clock } from '../../../clock'
import { renderPaper } from '../../../render/pool'
import { route } from '../../../route'
import { samplePaper } from '../../../services/documents/sample'

/** The brand's paper as it would be now for its newest order: no number is used, nothing is kept. */
export default route<{ id: number }>({ role: 'reader', params: idParam }, async ({ event, params }) => {
  const { paper, design } = await samplePaper(params.id)
  const { bytes, problems } = await renderPaper(paper, design, clock.now())
  if (!bytes) throw new Refusal('not-drawn', problems.map(problem => problem.sentence).join(' '))
  setResponseHeaders(event, { 'content-type': 'application/pdf', 'cache-control': 'no-store' })
  return Buffer.from(bytes)
})
