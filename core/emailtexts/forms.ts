import { escapeHtml } from './escape'
import type { EmailFacts, EmailTable } from './fields'
import {
  documentLink,
  isSafeLink,
  type BlockNode,
  type Body,
  type InlineNode,
  type ItemNode,
  type ParagraphNode,
} from './nodes'
import { pictureHtml, pictureText } from './pictures'

/*
 * The two forms in which an email's text leaves: HTML with inline styles, as mail programs need it, and plain text.
 * Made from a body whose fields are settled.
 */

type Tables = EmailFacts['tables']

/** Where words lead; to the document by the address that was made for this email. */
const linkOf = (node: InlineNode, { links }: Tables) => {
  const link = node.marks?.find((mark) => mark.type === 'link')
  if (!link || !isSafeLink(link.attrs.href)) return undefined
  return link.attrs.href === documentLink ? links.hrefs?.[0] : link.attrs.href
}
const has = (node: InlineNode, type: 'bold' | 'italic') => node.marks?.some((mark) => mark.type === type)

function inlineHtml(node: InlineNode, tables: Tables): string {
  if (node.type === 'hardBreak') return '<br>'
  let html = escapeHtml(node.type === 'text' ? node.text : '')
  if (has(node, 'italic')) html = `<em>${html}</em>`
  if (has(node, 'bold')) html = `<strong>${html}</strong>`
  const href = linkOf(node, tables)
  return href ? anchor(href, html) : html
}

const anchor = (href: string, html: string) =>
  `<a href="${escapeHtml(href)}" style="color:#1a4f8a">${html}</a>`

const paragraphHtml = ({ content = [] }: ParagraphNode, tables: Tables, style: string) =>
  `<p style="${style}">${content.map((node) => inlineHtml(node, tables)).join('')}</p>`

/** @param href where it leads, if anywhere */
const cell = (tag: 'th' | 'td', text: string, right: boolean, href?: string) =>
  `<${tag} style="padding:5px 10px 5px 0;border-bottom:1px solid #dddddd;text-align:${right ? 'right' : 'left'}` +
  `${right ? ';white-space:nowrap' : ''}${tag === 'th' ? ';font-weight:normal;color:#5c6166' : ''}">` +
  `${href ? anchor(href, escapeHtml(text)) : escapeHtml(text)}</${tag}>`

/** A table as HTML with inline styles; nothing where it has no rows. */
export function tableHtml({ columns, rows, hrefs = [] }: EmailTable): string {
  if (rows.length === 0) return ''
  const row = (tag: 'th' | 'td', cells: string[], href?: string) =>
    `<tr>${cells
      .map((text, at) => cell(tag, text, columns[at]!.right, at === 0 ? href : undefined))
      .join('')}</tr>`
  const headings = columns.map((column) => column.heading)
  const body = rows.map((cells, at) => row('td', cells, hrefs[at])).join('')
  return (
    '<table style="width:100%;border-collapse:collapse;margin:0 0 14px;font-size:14px">' +
    `<thead>${row('th', headings)}</thead><tbody>${body}</tbody></table>`
  )
}

/** A body as HTML. @param style further style of each paragraph */
export function bodyHtml(body: Body, tables: Tables, style = ''): string {
  const whole = `margin:0 0 14px;line-height:1.5${style}`
  const block = (one: BlockNode): string => {
    if (one.type === 'paragraph') return paragraphHtml(one, tables, whole)
    if (one.type === 'factTable') return tableHtml(tables[one.attrs.of])
    if (one.type === 'picture') return `<p style="margin:0 0 14px">${pictureHtml(one.attrs)}</p>`
    const tag = one.type === 'bulletList' ? 'ul' : 'ol'
    const parts = (item: ItemNode) =>
      item.content.map((part) => paragraphHtml(part, tables, 'margin:0;line-height:1.5'))
    const items = one.content.map((item) => `<li style="margin:0 0 4px">${parts(item).join('')}</li>`)
    return `<${tag} style="margin:0 0 14px;padding-left:22px">${items.join('')}</${tag}>`
  }
  return body.content.map(block).filter(Boolean).join('\n')
}

/** A link says where it leads, unless its words do. */
function inlineText(node: InlineNode, at: number, all: InlineNode[], tables: Tables): string {
  if (node.type === 'hardBreak') return '\n'
  const text = node.type === 'text' ? node.text : ''
  const href = linkOf(node, tables)
  const goesOn = all[at + 1] && linkOf(all[at + 1]!, tables) === href
  if (!href || goesOn) return text
  const target = href.replace(/^(mailto|tel):/i, '')
  return text.includes(target) ? text : `${text} (${target})`
}

const paragraphText = ({ content = [] }: ParagraphNode, tables: Tables) =>
  content
    .map((node, at, all) => inlineText(node, at, all, tables))
    .join('')
    .replace(/[^\S\n]+$/gm, '')

/** A table as plain text: a line each row, and below it where it leads. */
export const tableText = ({ rows, hrefs = [] }: EmailTable) =>
  rows.map((row, at) => row.filter(Boolean).join(', ') + (hrefs[at] ? `\n${hrefs[at]}` : '')).join('\n')

/** A body as plain text: an empty line between paragraphs, lists with dashes or numbers. */
export function bodyText(body: Body, tables: Tables): string {
  const block = (one: BlockNode): string => {
    if (one.type === 'paragraph') return paragraphText(one, tables)
    if (one.type === 'factTable') return tableText(tables[one.attrs.of])
    if (one.type === 'picture') return pictureText(one.attrs)
    return one.content
      .map((item, at) => {
        const mark = one.type === 'bulletList' ? '- ' : `${at + 1}. `
        return (
          mark +
          item.content
            .map((part) => paragraphText(part, tables))
            .join('\n')
            .replace(/\n/g, `\n${' '.repeat(mark.length)}`)
        )
      })
      .join('\n')
  }
  return body.content.map(block).filter(Boolean).join('\n\n')
}
