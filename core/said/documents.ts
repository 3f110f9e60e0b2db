/** What is said of a document while it is prepared. */
export const documents = {
  'supply/reverse charge': 'a reverse charge',
  'supply/intra-Community supply': 'an intra-Community supply',
  'of/order': 'Order {number}',
  'of/order-within': 'order {number}',
  'of/draft': 'The draft',
  'of/draft-within': 'the draft',

  'date/closed':
    'Its date {date} lies in a closed period (closed until {until}). Choose a later date, or have a supervisor open the period.',
  'date/future': 'Its date {date} is in the future. A document is dated today or before.',
  'date/backwards':
    'Its date {date} is before {newest}, the newest of its series: dates would run backwards. Choose that day or a later one, or say on the draft that the earlier date is meant.',

  'needs/reference': 'Your reference',
  'needs/quoted': '“{name}”',
  'needs/incomplete': '{customer} takes no invoice without {what}. Enter it at {place}.',
  'needs/incomplete-ask': '{customer} takes no invoice without {what}. Ask {whom}, and enter it at {place}.',

  'customs/code': 'commodity code',
  'customs/origin': 'country of origin',
  'customs/weight': 'weight',

  'iban/country': 'no country has IBANs that begin like this',
  'iban/length': 'it has {count} characters, and one that begins with {country} has {right}',
  'iban/digits': 'its check digits do not hold',

  'change/address': 'Address',
  'change/line': 'Line {n}',
  'change/adjustments': 'Discounts and charges',
  'change/legal': 'Said on it',
  'change/texts': 'Texts',
  'change/note': 'Note',
  'change/language': 'Language',
  'change/sender': 'Sender',
  'change/goes-to': 'Goes to',
  'change/problem': 'Problem',
  'change/no-problem': 'none',
  'change/email-text': 'Email text',
  'change/earlier-text': 'an earlier version',
  'change/present-text': 'the version now in force',

  'problem/kind-off': '{kinds} are switched off in Settings, Documents.',
  'problem/not-wanted': '{customer} wants no {kinds}.',
  'problem/nothing-made':
    'No {kind} was made: it comes to nothing, and the company makes no documents of that.',
  'problem/no-series': '{brand} has no number series for it. Add one in Settings, Numbers.',
  'problem/no-order-number':
    'Its series takes the order’s number, and it has no order. Give the series numbers of its own.',
  'problem/issued-already': 'It is already issued.',
  'problem/not-waiting': 'It is no longer waiting: somebody put it back.',
  'problem/billed-already': 'Everything of this order is billed in parts already.',
  'problem/status-gone': 'The order is {status} by now.',
  'problem/not-made': 'There is no document yet.',
  'problem/shipment-undone': 'The shipment was undone.',
  'problem/no-new-label': 'No label was bought for it that is not on a document yet.',
  'problem/return-closed': 'The return is not expected any more.',
  'problem/on-other-statement': 'It is on the statement of {customer}.',
  'claim/issued': 'Nothing was made: {kind} {number} was already issued for this {source}.',
  'claim/goes': 'Nothing was made: the {kind} of this {source} is already prepared and goes by itself.',
  'claim/waits': 'Nothing was made: the {kind} of this {source} is already prepared and waits in To check.',

  'layout/window-sender':
    'The sender’s line above the address, “{sender}”, is longer than the envelope’s window. Shorten the brand’s name or address under Settings, Identity.',
  'layout/window-address':
    'The address of {name} has more lines than the envelope’s window shows. Shorten it to eight.',
  'layout/sum': 'The amount {amount} is too long to stand beside “{label}”. Split the document.',
  'layout/tax': 'The tax of {tax} on {base} is too long for the page. Split the document.',
  'layout/foot':
    'The small print at the foot is longer than its place. Shorten legal name, registration or address under Settings, Identity.',
  'layout/foot-texts':
    'The texts in the foot take more than a third of the page. Shorten them in Settings, Standing texts, or give them a page of their own.',
  'layout/name':
    'The name “{name}” is too long for the head of a document. Shorten it under Settings, Identity.',
  'layout/line': 'Line {n} (“{description}…”) is longer than a page. Shorten its description.',
  'layout/peel-off':
    'The address of {name} has too many lines for the peel-off label. Shorten it at the shipment.',
  'layout/label': 'The address of {name} has too many lines for a label. Shorten it at the shipment.',
  'layout/picture': 'The design “{design}” names a picture “{picture}” that it does not have.',
  'layout/sign': 'The sign “{sign}” in “{text}” is in none of the fonts and is printed as a box.',
  'layout/character':
    'The character “{sign}” (U+{code}) in “{text}” is in none of our fonts. Write the text without it.',
  'contrast/white':
    'White letters on this brand colour are hard to read: the contrast is {contrast}, and 3 is the least. Take a darker one.',
  'contrast/headings':
    'Headings in this brand colour are hard to read: the contrast is {contrast}, and 3 is the least. Take a darker one.',

  'scope/branch': 'the branch {branch}',
  'scope/country': 'customers in {country}',
  'scope/currency': 'documents in {currency}',

  'found/this sending': 'for this sending only',
  'found/built in': 'built in',
  'found/order': 'from the order',
  'found/customer': 'from the customer',
  'found/group': 'from the group',
  'found/routine': 'from the routine',
  'found/brand': 'from the brand',
  'found/company': 'from the company',
  'found/named': '{where} {name}',
  'found/other-brand': '{where} belongs to another brand',
} as const
