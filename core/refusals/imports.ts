/** Files that are read in. */
export const imports = {
  'another-order':
    'This order is there with the {differ} {before}, not {now}. An import does not change that: withdraw it and give the new one its own number.',
  'bad-file': 'The file needs a first line that names its columns, and at least one more.',
  'bad-file/not-csv': 'The file cannot be read as CSV: {why}. Save it as CSV once more, and try again.',
  'bad-file/too-wide':
    'The file has {columns} columns; at most {mostColumns} can be read. Take out those that are not needed.',
  busy: 'This import is under way, or partly written. Take the file once more for another mapping.',
  'no-such-import': 'That import does not exist.',
  'not-text':
    'This file is not text: it may be a spreadsheet or a picture. Save it as CSV, or as the bank gives it, and try again.',
  'not-wrong': 'That row is written already, or the import is under way.',
  'nothing-right': 'No row of this import waits to be written.',
  unmapped: 'Say which column is “{column}”, or give one value for all.',
  'unmapped/nothing': '“{column}” is mapped to nothing that is there.',
  'unmapped/some': 'Say which column is {columns}.',
} as const
