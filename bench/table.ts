export interface Row {
  what: string
  ours: string
  other: string
  ratio: string
  aim: string
}

/** Prints rows as a table; asserts nothing. */
export function printTable(rows: readonly Row[]): void {
  const columns: (keyof Row)[] = ['what', 'ours', 'other', 'ratio', 'aim']
  const heads: Row = {
    what: 'measured',
    ours: 'Clothespin',
    other: 'alternative',
    ratio: 'ratio',
    aim: 'aim',
  }
  const all = [heads, ...rows]
  const widths = columns.map((column) => Math.max(...all.map((row) => row[column].length)))
  for (const row of all) {
    console.log(columns.map((column, index) => row[column].padEnd(widths[index]!)).join('  '))
    if (row === heads) console.log(widths.map((width) => '─'.repeat(width)).join('  '))
  }
}
