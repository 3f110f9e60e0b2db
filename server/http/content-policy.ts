import { createHash } from 'node:crypto'

/**
 * The Content Security Policy (level 3): scripts are our own files and those inline ones that the page was
 * built with, by their hash;
 * email previews are framed by us, without scripts. wasm-unsafe-eval is for the viewer of PDFs.
 */
export function contentPolicy(scriptHashes: readonly string[]): string {
  const scripts = ["'self'", "'wasm-unsafe-eval'", ...scriptHashes.map((hash) => `'sha256-${hash}'`)]
  return [
    "default-src 'self'",
    `script-src ${scripts.join(' ')}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self' data:",
    "worker-src 'self' blob:",
    "frame-src 'self' about:",
    "frame-ancestors 'none'",
    "base-uri 'self'",
    "form-action 'self'",
  ].join('; ')
}

/** The hashes of a page's inline scripts; those that only hold data do not run and need none. */
export function inlineScriptHashes(html: string): string[] {
  return [...html.matchAll(/<script\b([^>]*)>([\s\S]*?)<\/script>/gi)]
    .filter(([, attributes, text]) => !/\bsrc\s*=/i.test(attributes!) && text !== '')
    .map(([, , text]) => createHash('sha256').update(text!).digest('base64'))
}
