import { contrastWithWhite, luminance } from '../designs/contrast'
import type { Language } from '../money/format'
import { escapeHtml } from './escape'
import { isSafeLink } from './nodes'
import { pictureHtml, pictureText, type EmailBanner } from './pictures'

/** How a brand's emails look around their text. Nothing is loaded from anywhere: pictures travel in the email. */
export interface EmailLook {
  /**
   * How the brand's name stands at the top: over a line, on a band of colour, or as plain text with no frame
   * around the letter.
   */
  heading: 'line' | 'band' | 'none'
  /** Which of the brand's colours the heading has. */
  colour: 'brand' | 'accent'
  letters: 'sans' | 'serif'
  /** Said under every email's text, above the small print: opening hours, a greeting. May be empty. */
  closing: string
  /** A picture above the text, in its season. */
  banner?: EmailBanner | null
}

export const plainEmailLook: EmailLook = { heading: 'line', colour: 'brand', letters: 'sans', closing: '' }

/** What stands around an email's text. */
export interface EmailFrame {
  brandName: string
  /** The brand's colours as #rrggbb. */
  colours: { brand: string; accent: string }
  look: EmailLook
  footLines: string[]
  language: Language
}

const letterFaces = { sans: 'Helvetica,Arial,sans-serif', serif: "Georgia,'Times New Roman',serif" } as const

/** An email's HTML with inline styles, as mail programs need it. @param body HTML of the text, made by `bodyHtml` */
export function emailHtml(body: string, frame: EmailFrame): string {
  const { look } = frame
  const wanted = frame.colours[look.colour]
  const colour = /^#[0-9a-f]{6}$/i.test(wanted) ? wanted : '#333333'
  const name = escapeHtml(frame.brandName)
  const heading = {
    line:
      `<div style="border-top:5px solid ${colour};padding:22px 28px 6px;font-size:18px;font-weight:bold;` +
      `color:${readable(colour)}">${name}</div>`,
    band:
      `<div style="background:${colour};padding:20px 28px;font-size:20px;font-weight:bold;` +
      `color:${onColour(colour)}">${name}</div>`,
    none: '',
  }[look.heading]
  const small = [look.heading === 'none' ? frame.brandName : '', ...frame.footLines]
    .filter((line) => line !== '')
    .map(escapeHtml)
    .join('<br>')
  const ground = look.heading === 'none' ? '#ffffff' : '#f4f4f2'
  const letters = `font-family:${letterFaces[look.letters]};color:#1a1a1a;font-size:15px`
  const smallPrint = 'border-top:1px solid #dddddd;font-size:12px;line-height:1.5;color:#5c6166'
  return `<!doctype html>
<html lang="${escapeHtml(frame.language)}">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width"></head>
<body style="margin:0;background:${ground};${letters}">
<div style="max-width:600px;margin:0 auto;background:#ffffff">
${heading}
${look.banner ? bannerHtml(look.banner) : ''}
<div style="padding:14px 28px 10px">
${body}
${look.closing ? paragraphs(look.closing, ';color:#44494e') : ''}
</div>
<div style="padding:14px 28px 24px;${smallPrint}">${small}</div>
</div></body></html>
`
}

/** An email's plain text: what the note says, and the closing. */
export function emailText(text: string, frame: EmailFrame): string {
  const { banner, closing } = frame.look
  return [banner ? bannerText(banner) : '', text, closing].filter((part) => part !== '').join('\n\n')
}

function bannerHtml(banner: EmailBanner): string {
  const picture = pictureHtml(banner)
  const linked = isSafeLink(banner.href) ? `<a href="${escapeHtml(banner.href)}">${picture}</a>` : picture
  return `<div style="padding:14px 28px 0">${linked}</div>`
}

const bannerText = (banner: EmailBanner) => [pictureText(banner), banner.href].filter(Boolean).join(' ')

function paragraphs(text: string, style = ''): string {
  return text
    .split(/\n{2,}/)
    .map(
      (paragraph) =>
        `<p style="margin:0 0 14px;line-height:1.5${style}">${escapeHtml(paragraph).replace(/\n/g, '<br>')}</p>`,
    )
    .join('\n')
}

/** White or near-black, whichever reads better on a colour. */
const onColour = (colour: string) => (luminance(colour) < 0.18 ? '#ffffff' : '#1a1a1a')
/** The colour itself on white where it has contrast 4.5 : 1 (WCAG 2.2), else near-black. */
const readable = (colour: string) => (contrastWithWhite(colour) >= 4.5 ? colour : '#1a1a1a')
