/** One recipient's part of a delivery report. */
export interface RecipientReport {
  /** Address without "rfc822;", lower case. */
  recipient: string
  action: 'failed' | 'delayed' | 'delivered' | 'relayed' | 'expanded'
  /** RFC 3463, "5.1.1". */
  status: string
  diagnostic: string
}

/**
 * Reads the body of a message/delivery-status part (RFC 3464 section 2): a block for the message, then one
 * per recipient.
 */
export function parseDeliveryStatus(text: string): RecipientReport[] {
  const blocks = text
    .replace(/\r\n/g, '\n')
    .replace(/\n[ \t]+/g, ' ')
    .split(/\n{2,}/)
  const reports: RecipientReport[] = []
  for (const block of blocks) {
    const fields = new Map<string, string>()
    for (const line of block.split('\n')) {
      const colon = line.indexOf(':')
      if (colon > 0) fields.set(line.slice(0, colon).trim().toLowerCase(), line.slice(colon + 1).trim())
    }
    const recipient = fields.get('original-recipient') ?? fields.get('final-recipient')
    const action = fields.get('action')?.toLowerCase()
    if (!recipient || !isAction(action)) continue
    reports.push({
      recipient: recipient.replace(/^[^;]*;\s*/, '').toLowerCase(),
      action,
      status: fields.get('status') ?? '',
      diagnostic: (fields.get('diagnostic-code') ?? '').replace(/^smtp;\s*/i, ''),
    })
  }
  return reports
}

function isAction(text: string | undefined): text is RecipientReport['action'] {
  return text !== undefined && ['failed', 'delayed', 'delivered', 'relayed', 'expanded'].includes(text)
}
