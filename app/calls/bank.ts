import { sendFile } from '../composables/api'

/**
 * A statement begins as XML does; whatever else it is goes the way of a CSV, where its columns are mapped, or
 * is refused in words.
 */
const isXml = async (file: File) => /^[^\x21-\x7e]*</.test(await file.slice(0, 200).text())

/** Takes a file of the bank's in: a statement, or movements whose columns are to be mapped. */
export async function sendBankFile(file: File): Promise<{ id: number; isStatement: boolean }> {
  const isStatement = await isXml(file)
  const { id } = isStatement
    ? await sendFile<{ id: number }>('/api/bank-files', file)
    : await sendFile<{ id: number }>('/api/imports', file, { subject: 'bank movements' })
  return { id, isStatement }
}
