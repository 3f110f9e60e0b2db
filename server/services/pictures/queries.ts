import { rows } from '../../db/connection'

/* The statements of pictures.ts. */

export interface PictureFile {
  sha256: string
  mediaType: string
  bytes: Buffer
}

/** Pictures among kept files. */
export const pictureFiles = (sums: readonly string[]) =>
  rows<PictureFile>(
    `select sha256, media_type "mediaType", bytes
    from file
    where sha256 = any($sums::text[]) and media_type in ('image/png', 'image/jpeg')`,
    { sums },
  )
