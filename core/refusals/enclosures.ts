/** Files that go along with documents. */
export const enclosures = {
  'bad-file/empty': '“{name}” is empty. Choose another file.',
  'bad-file/heavy': '“{name}” has {size}. Choose a file of at most {most}.',
  'bad-file/kind':
    '“{name}” is of a kind that does not go along with documents. Save it as a PDF, a picture (PNG, JPEG), a text document or spreadsheet without macros, CSV or plain text.',
  'changed-meanwhile/enclosure': 'Somebody changed “{name}” meanwhile. Open it again.',
  'no-links':
    'A file with a limit goes as a link, and links lead nowhere yet. A supervisor writes the public address in Settings, General.',
  'no-such-enclosure': 'That file does not exist any more. Load the page again.',
  'no-such-link': 'That link was ended already. Load the page again.',
  'same-file': 'The same file goes along with the same already: “{name}”. Open that one.',
  'too-large-email': '{words}',
} as const
