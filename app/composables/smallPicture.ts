/** Longest side of a picture on our screens, in pixels; twice as they show it, for sharp displays. */
const longest = 480
/** Beyond so many letters a PNG is kept as a JPEG. */
const mostLetters = 600_000

/**
 * A chosen picture as small as screens show it, without what its camera wrote into it.
 * @returns a data URL (RFC 2397) of a PNG or JPEG
 * @throws where the file is no picture that this browser can read
 */
export async function smallPicture(file: Blob): Promise<string> {
  const picture = await createImageBitmap(file)
  const scale = Math.min(1, longest / Math.max(picture.width, picture.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(picture.width * scale))
  canvas.height = Math.max(1, Math.round(picture.height * scale))
  const paint = canvas.getContext('2d')!
  paint.drawImage(picture, 0, 0, canvas.width, canvas.height)
  const png = canvas.toDataURL('image/png')
  if (file.type === 'image/png' && png.length <= mostLetters) return png
  // a JPEG has no transparency: what shines through is white, as on paper
  paint.globalCompositeOperation = 'destination-over'
  paint.fillStyle = '#fff'
  paint.fillRect(0, 0, canvas.width, canvas.height)
  return canvas.toDataURL('image/jpeg', 0.85)
}
