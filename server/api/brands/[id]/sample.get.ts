import { setResponseHeaders } from 'h3'
import { Refusal } from '../../../../core/errors'
import type { DocumentKind } from '../../../../core/documents/kinds'
import { sentencesOf } from '../../../../core/designs/pages'
import { idParam, Joi, kind, variantId } from '../../../http/checks'
import { clock } from '../../../clock'
import { renderPaper } from '../../../render/pool'
import { route } from '../../../http/route'
import { samplePaper } from '../../../services/documents/sample'

/** The brand's paper as it would be now for its newest order: no number is used, nothing is kept. */
export default route<{ id: number }, { kind: DocumentKind; crosses: boolean; variantId: number }>(
  {
    role: 'reader',
    brands: 'own',
    of: ({ params }) => ({ brands: [params.id] }),
    params: idParam,
    query: Joi.object({
      kind: kind.default('invoice'),
      /** A test print: the places of labels are marked. */
      crosses: Joi.boolean().default(false),
      variantId: variantId.default(0),
    }).unknown(),
  },
  async ({ event, params, query }) => {
    const { paper, design } = await samplePaper(params.id, query.kind, { variantId: query.variantId })
    const marked = query.crosses ? { ...paper, crosses: true as const } : paper
    const { bytes, problems } = await renderPaper(marked, design, clock.now())
    if (!bytes)
      throw new Refusal('not-drawn', {
        values: { words: sentencesOf(problems) },
      })
    setResponseHeaders(event, { 'content-type': 'application/pdf', 'cache-control': 'no-store' })
    return Buffer.from(bytes)
  },
)
