import { hairline } from '../design'
import type { Block, Strip } from './strip'

/** What is owed by age, a column a step; nothing at all on what is no statement. */
export function ageing({ paper, sheet, frame }: Strip): Block | null {
  const columns = paper.ageing ?? []
  if (columns.length === 0) return null
  const width = (frame.right - frame.left) / columns.length
  return {
    height: 46,
    draw: (top) => {
      const y = top + 14
      sheet.line(frame.left, y, frame.right, y, hairline)
      columns.forEach(({ label, amount }, column) => {
        const right = frame.left + (column + 1) * width
        const cell = (row: number) => ({ cell: { table: 4, row, column } })
        sheet.text(label, right, y + 14, { ...frame.smallStrong, role: 'table heading', ...cell(0) }, 'right')
        sheet.text(amount, right, y + 27, { ...frame.text, role: 'table cell', ...cell(1) }, 'right')
      })
    },
  }
}
