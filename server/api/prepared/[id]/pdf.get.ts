import { setResponseHeaders } from 'h3'
import { asPreview } from '../../../../core/documents/issue'
import { Refusal } from '../../../../core/errors'
import { sentencesOf } from '../../../../core/designs/pages'
import { clock } from '../../../clock'
import { idParam } from '../../../http/checks'
import { renderPaper } from '../../../render/pool'
import { route } from '../../../http/route'
import { paperForPdf } from '../../../services/line/in-hand'

/** The paper as it will be, drawn by the same code that draws what is sent. */
export default route<{ id: number }>(
  { role: 'reader', brands: 'own', of: ({ params }) => ({ prepared: [params.id] }), params: idParam },
  async ({ event, params }) => {
    const { paper, design } = await paperForPdf(params.id)
    const { bytes, problems } = await renderPaper(asPreview(paper), design, clock.now())
    if (!bytes)
      throw new Refusal('not-drawn', {
        values: { words: sentencesOf(problems) },
      })
    setResponseHeaders(event, { 'content-type': 'application/pdf', 'cache-control': 'no-store' })
    return Buffer.from(bytes)
  },
)
