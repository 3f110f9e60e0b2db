import { Resvg } from '@resvg/resvg-js'
import { imageSize } from 'image-size'
import { PNG } from 'pngjs'
import { badInput } from '../../../core/errors'

export interface FlatPicture {
  bytes: Uint8Array
  mediaType: string
  width: number
  height: number
}

const mostBytes = 2_000_000

const mostPixels = 6_000_000

const smallest = 60

/**
 * Checks an uploaded picture by its content and flattens it once: a PNG loses transparency and interlacing
 * over its ground,
 * since alpha would be decoded and deflated again for every document. An SVG is drawn as such a PNG. A JPEG
 * stays as it is.
 * @param ground "#rrggbb" behind transparent parts
 * @throws Refusal "bad-picture" with what is wrong
 */
export function flattenPicture(bytes: Uint8Array, ground: string): FlatPicture {
  if (bytes.byteLength > mostBytes)
    throw badInput('bad-picture/heavy', 'picture', { size: (bytes.byteLength / 1e6).toFixed(1) })
  const data = isSvg(bytes) ? drawSvg(bytes) : Buffer.from(bytes)
  const size = sizeOf(data)
  if (!size) throw badInput('bad-picture/kind', 'picture')
  if (size.width * size.height > mostPixels)
    throw badInput('bad-picture/pixels', 'picture', { width: size.width, height: size.height })
  if (size.width < smallest) throw badInput('bad-picture/coarse', 'picture', { width: size.width, smallest })
  if (size.type === 'jpg')
    return { bytes: data, mediaType: 'image/jpeg', width: size.width, height: size.height }
  let picture: PNG
  try {
    picture = PNG.sync.read(data)
  } catch {
    throw badInput('bad-picture/damaged', 'picture')
  }
  const [r, g, b] = [1, 3, 5].map((at) => Number.parseInt(ground.slice(at, at + 2), 16)) as [
    number,
    number,
    number,
  ]
  for (let at = 0; at < picture.data.length; at += 4) {
    const alpha = picture.data[at + 3]! / 255
    picture.data[at] = Math.round(picture.data[at]! * alpha + r * (1 - alpha))
    picture.data[at + 1] = Math.round(picture.data[at + 1]! * alpha + g * (1 - alpha))
    picture.data[at + 2] = Math.round(picture.data[at + 2]! * alpha + b * (1 - alpha))
    picture.data[at + 3] = 255
  }
  return {
    bytes: PNG.sync.write(picture, { colorType: 2, inputHasAlpha: true }),
    mediaType: 'image/png',
    width: picture.width,
    height: picture.height,
  }
}

/** Kind, width and height of a PNG or JPEG by its content; undefined for anything else. */
function sizeOf(data: Buffer) {
  try {
    const size = imageSize(data)
    return size.type === 'png' || size.type === 'jpg' ? size : undefined
  } catch {
    return undefined
  }
}

const isSvg = (bytes: Uint8Array) =>
  /^(\uFEFF)?\s*(<\?xml[^>]*>\s*)?(<!--[\s\S]*?-->\s*)*(<!DOCTYPE[^>[]*>\s*)?<svg[\s>]/.test(
    Buffer.from(bytes.subarray(0, 4000)).toString('utf8'),
  )

/** Wide enough for 60 mm at 600 dpi. */
const svgWidth = 1400

/** Draws an SVG once, with nothing from outside of it: no scripts, entities, linked files or fonts. */
function drawSvg(bytes: Uint8Array): Buffer {
  const text = Buffer.from(bytes).toString('utf8')
  if (/<!ENTITY|<script|<foreignObject/i.test(text)) throw badInput('bad-picture/scripts', 'picture')
  if (/href\s*=\s*["'](?!#|data:image\/(png|jpeg);)/i.test(text))
    throw badInput('bad-picture/links', 'picture')
  if (/<text[\s>]/i.test(text)) throw badInput('bad-picture/text', 'picture')
  try {
    return Buffer.from(
      new Resvg(text, { fitTo: { mode: 'width', value: svgWidth }, font: { loadSystemFonts: false } })
        .render()
        .asPng(),
    )
  } catch (error) {
    throw badInput('bad-picture/not-drawn', 'picture', { why: (error as Error).message.split('\n')[0]! })
  }
}

/** Wide enough to tell colours by. */
const sampleWidth = 96

/** The pixels (RGBA) of a picture that `flattenPicture` takes, drawn small. */
export function pixelsOf(bytes: Uint8Array): Uint8Array {
  const data = isSvg(bytes) ? Buffer.from(bytes) : Buffer.from(wrapped(bytes))
  return new Resvg(data, {
    fitTo: { mode: 'width', value: sampleWidth },
    font: { loadSystemFonts: false },
  }).render().pixels
}

/** An SVG that shows a PNG or JPEG. */
function wrapped(bytes: Uint8Array): string {
  const { width, height, type } = sizeOf(Buffer.from(bytes))!
  const url = `data:image/${type === 'jpg' ? 'jpeg' : 'png'};base64,${Buffer.from(bytes).toString('base64')}`
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}">` +
    `<image width="${width}" height="${height}" href="${url}"/></svg>`
  )
}
