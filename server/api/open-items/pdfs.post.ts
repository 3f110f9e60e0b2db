import { Joi, name } from '../../http/checks'
import { route } from '../../http/route'
import { mostZipBytes, takePdfs } from '../../services/receivables/taken-over-pdfs'

/** Takes a ZIP with the PDFs of documents that came over, each named by its number. */
export default route<object, { name: string }>(
  {
    role: 'clerk',
    brands: 'all',
    takesFile: true,
    bodyLimit: mostZipBytes,
    query: Joi.object({ name: name(160).required() }),
  },
  ({ bytes, user }) => takePdfs(bytes, user),
)
