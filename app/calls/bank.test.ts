import { beforeEach, expect, test, vi } from 'vitest'
import { sendBankFile } from './bank'

const sent = vi.hoisted(() => ({ sendFile: vi.fn() }))
vi.mock('../composables/api', () => sent)
beforeEach(() => sent.sendFile.mockReset().mockResolvedValue({ id: 3 }))

test.each([
  ['a statement', '<?xml version="1.0"?><Document/>', true],
  ['one with a mark of its encoding before it', '\uFEFF <Document/>', true],
  ['a CSV', 'date;amount\n2026-11-27;<b>', false],
  ['an empty file', '', false],
])('%s goes where it is read', async (_, text, isStatement) => {
  expect(await sendBankFile(new File([text], 'x'))).toEqual({ id: 3, isStatement })
  expect(sent.sendFile.mock.calls[0]![0]).toBe(isStatement ? '/api/bank-files' : '/api/imports')
})
