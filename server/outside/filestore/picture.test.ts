import { PNG } from 'pngjs'
import { expect, test } from 'vitest'
import { flattenPicture } from './picture'

const png = (width: number, height: number, alpha: number) => {
  const picture = new PNG({ width, height })
  for (let at = 0; at < picture.data.length; at += 4) picture.data.set([0, 0, 0, alpha], at)
  return PNG.sync.write(picture)
}

test('a transparent logo is laid on its ground, and loses its alpha channel', () => {
  const flat = flattenPicture(png(100, 50, 128), '#ffffff')
  const back = PNG.sync.read(Buffer.from(flat.bytes))
  expect([...back.data.subarray(0, 3)]).toEqual([127, 127, 127])
  expect(Buffer.from(flat.bytes)[25]).toBe(2) // IHDR colour type: truecolour without alpha
  expect(flat).toMatchObject({ width: 100, height: 50 })
})

test('an SVG logo is drawn once, sharp enough for print, on its ground', () => {
  const flat = flattenPicture(
    Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 20 10"><rect width="10" height="10" fill="#a00"/></svg>',
    ),
    '#ffffff',
  )
  const back = PNG.sync.read(Buffer.from(flat.bytes))
  expect(flat).toMatchObject({ width: 1400, height: 700, mediaType: 'image/png' })
  expect([...back.data.subarray(0, 3), ...back.data.subarray(1399 * 4, 1399 * 4 + 3)]).toEqual([
    170, 0, 0, 255, 255, 255,
  ])
})

test.each([
  [Buffer.from('<html>not a picture</html>'), 'neither a PNG, a JPEG nor an SVG'],
  [Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><broken'), 'cannot be drawn'],
  [
    Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="90" height="90"><script>x()</script></svg>'),
    'holds scripts',
  ],
  [
    Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="90" height="90"><image href="file:///etc/passwd"/></svg>',
    ),
    'links to other files',
  ],
  [
    Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="90" height="90"><text>Skep</text></svg>'),
    'needs a font',
  ],
  [png(20, 20, 255), 'would print coarse'],
  [png(100, 100, 255).subarray(0, 60), 'damaged'],
  [Buffer.alloc(2_500_000), '2.5 MB'],
])('what is no good is refused in words', (bytes, words) =>
  expect(() => flattenPicture(bytes, '#ffffff')).toThrow(words),
)
