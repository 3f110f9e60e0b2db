import { contrastWithWhite } from '../../../core/designs/contrast'
import { formatDay } from '../../../core/documents/days'
import { escapeHtml } from '../../../core/emailtexts/escape'
import { sizeWords } from '../../../core/enclosures/mail-size'
import { linkPageWords, noSuchLink } from '../../../core/links/page-words'
import type { LinkPage } from './links'
import type { UpdatesPage } from './updates-page'

const style = `
body { margin: 0; background: #f4f4f2; color: #1a1a1a; font: 16px/1.5 Helvetica, Arial, sans-serif; }
main { max-width: 460px; margin: 9vh auto 0; padding: 26px 30px 30px; background: #fff; }
h1 { margin: 0 0 4px; font-size: 20px; overflow-wrap: anywhere; }
p { margin: 0 0 14px; overflow-wrap: anywhere; }
.brand { font-weight: bold; }
.soft { color: #5c6166; font-size: 14px; }
.wrong { color: #7a1f18; }
label { display: block; margin: 0 0 14px; font-size: 14px; color: #5c6166; }
input { display: block; width: 100%; box-sizing: border-box; margin-top: 3px; padding: 8px 10px; font: inherit;
  font-size: 16px; color: #1a1a1a; border: 1px solid #8a8f94; border-radius: 4px; }
button { padding: 10px 20px; border: 0; border-radius: 4px; font: inherit; font-weight: bold; color: #fff;
  cursor: pointer; }
`

const page = (title: string, language: string, colour: string, body: string) => `<!doctype html>
<html lang="${language}">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width">
<meta name="robots" content="noindex">
<title>${escapeHtml(title)}</title>
<style>${style}
main { border-top: 5px solid ${colour}; }
button { background: ${contrastWithWhite(colour) >= 4.5 ? colour : '#1a1a1a'}; }</style>
</head>
<body><main>${body}</main></body>
</html>
`

/** The page behind a link, without scripts, in the language of its document. @param found undefined: no such link */
export function linkHtml(found: LinkPage | undefined): string {
  if (!found) return page('Clothespin', 'en', '#1a1a1a', `<p>${noSuchLink}</p>`)
  const { link, state, wrongCode } = found
  const words = linkPageWords[link.language]
  const until = formatDay(link.until, link.language)
  const why = {
    over: words.over(until),
    ended: words.ended,
    'used up': words.usedUp,
    withdrawn: words.withdrawn,
  }
  const left = link.mostOpened === null ? '' : ` ${words.left(link.mostOpened - link.opened)}`
  const code = link.code
    ? `<label>${escapeHtml(words.code)}<input name="code" autocomplete="off" maxlength="60" required autofocus></label>`
    : ''
  const rest =
    state === 'good'
      ? `<form method="post">${wrongCode ? `<p class="wrong" role="alert">${escapeHtml(words.wrongCode)}</p>` : ''}
${code}<button type="submit">${escapeHtml(words.download)}</button></form>
<p class="soft" style="margin:16px 0 0">${escapeHtml(words.until(until) + left)}</p>`
      : `<p>${escapeHtml(why[state])}</p>`
  const colour = /^#[0-9a-f]{6}$/i.test(link.colours.brand) ? link.colours.brand : '#1a1a1a'
  return page(
    link.heading,
    link.language,
    colour,
    `<p class="brand">${escapeHtml(link.brandName)}</p>
<h1>${escapeHtml(link.heading)}</h1>
<p class="soft">${escapeHtml(link.name)} · ${sizeWords(link.size)}</p>
${rest}
<p class="soft" style="margin:14px 0 0">${escapeHtml(words.ask(link.replyTo))}</p>`,
  )
}

/** The page on which order updates are ended. @param found undefined: no such address */
export function updatesHtml(found: UpdatesPage | undefined): string {
  if (!found) return page('Clothespin', 'en', '#1a1a1a', `<p>${noSuchLink}</p>`)
  const { brandName, language, colour, stopped } = found
  const words = linkPageWords[language]
  const rest = stopped
    ? `<p role="status">${escapeHtml(words.updatesStopped(brandName))}</p>`
    : `<p>${escapeHtml(words.updatesStop(brandName))}</p>
<form method="post"><button type="submit">${escapeHtml(words.noMoreUpdates)}</button></form>`
  return page(
    words.updates,
    language,
    /^#[0-9a-f]{6}$/i.test(colour) ? colour : '#1a1a1a',
    `<p class="brand">${escapeHtml(brandName)}</p>
<h1>${escapeHtml(words.updates)}</h1>
${rest}`,
  )
}
