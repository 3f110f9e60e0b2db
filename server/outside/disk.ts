import { statfs } from 'node:fs/promises'
import { dirname } from 'node:path'
import { config } from '../config'

/**
 * Bytes that are left where the house keeps its files, and its own database beside them; undefined where the system
 * does not say.
 */
export async function bytesLeft(): Promise<number | undefined> {
  const folder = config.installationFile ? dirname(config.installationFile) : '.'
  try {
    const { bavail, bsize } = await statfs(folder)
    return bavail * bsize
  } catch {
    return undefined
  }
}
