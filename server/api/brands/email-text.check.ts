import { emailPurposes } from '../../../core/emailtexts/purposes'
import { tableNames } from '../../../core/emailtexts/nodes'
import { emailPicture, Joi, safeLink } from '../../http/checks'

/*
 * An email's subject and text: the closed set of nodes of core/emailtexts/nodes.ts, and nothing else. Whether their
 * fields exist is said by the core, in words.
 */

const type = (name: string) => Joi.string().valid(name).required()
const node = (name: string, rest: object = {}) => Joi.object({ type: type(name), ...rest })

const condition = Joi.object({
  field: Joi.string().max(120).required(),
  is: Joi.string().valid('there', 'due', 'paid', 'nothing').required(),
  not: Joi.boolean().required(),
})
const mark = Joi.alternatives().try(
  node('bold'),
  node('italic'),
  node('link', { attrs: Joi.object({ href: safeLink.required() }).required() }),
  node('passage', { attrs: condition.required() }),
)
const marks = Joi.array().items(mark).max(8)

const inline = Joi.alternatives().try(
  node('text', { text: Joi.string().max(8000).required(), marks }),
  node('hardBreak', { marks }),
  node('field', {
    attrs: Joi.object({
      name: Joi.string().max(120).required(),
      instead: Joi.string().max(200).allow('').required(),
    }).required(),
    marks,
  }),
)
const paragraph = node('paragraph', { content: Joi.array().items(inline).max(500) })

const list = (name: string) =>
  node(name, {
    content: Joi.array()
      .items(node('listItem', { content: Joi.array().items(paragraph).min(1).max(20).required() }))
      .min(1)
      .max(100)
      .required(),
  })

const table = node('factTable', {
  attrs: Joi.object({
    of: Joi.string()
      .valid(...tableNames)
      .required(),
    when: condition.allow(null),
  }).required(),
})

const picture = node('picture', {
  attrs: Joi.object({ ...emailPicture, when: condition.allow(null) }).required(),
})

const block = Joi.alternatives().try(paragraph, list('bulletList'), list('orderedList'), table, picture)

/** One line: no lists, no tables. */
const subject = node('doc', { content: Joi.array().items(paragraph).length(1).required() })
const text = node('doc', { content: Joi.array().items(block).min(1).max(300).required() })

export const emailPurpose = Joi.string().valid(...emailPurposes)

/** For a Joi object that takes an email text. */
export const emailTextFields = { subject: subject.required(), text: text.required() }
