import { download } from '../../../../http/download'
import { id, Joi } from '../../../../http/checks'
import { route } from '../../../../http/route'
import { sentFile } from '../../../../services/line/email-view'

/** A file as it went along in an email. */
export default route<{ id: number; sha256: string }>(
  {
    role: 'reader',
    brands: 'own',
    of: ({ params }) => ({ dispatches: [params.id] }),
    params: Joi.object({
      id: id.required(),
      sha256: Joi.string()
        .pattern(/^[0-9a-f]{64}$/)
        .required(),
    }),
  },
  async ({ event, params }) => download(event, await sentFile(params.id, params.sha256)),
)
