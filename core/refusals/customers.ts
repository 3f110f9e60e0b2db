/** Customers, their contacts, addresses and groups. */
export const customers = {
  'changed-meanwhile/customer': 'Somebody changed {customer} meanwhile. Open it again.',
  'changed-meanwhile/defaults': 'Somebody changed this meanwhile. Load the page again.',
  'changed-meanwhile/group': 'Somebody changed the group “{group}” meanwhile. Open it again.',
  'in-use/address': 'Order {order} is billed to “{label}”. It stays.',
  'in-use/group': 'There are {customers} in “{group}”. Move them first.',
  'in-use/group-of-enclosure':
    '“{file}” goes along for “{group}”. Change that in Settings, Enclosures, first.',
  'in-use/role-of-contacts': 'There are {contacts} for {role}. Change them first.',
  'in-use/role-of-routine': 'The routine “{routine}” writes to {role}. Change it first.',
  'in-use/supplied-role': '“{role}” stays: documents go to it as a rule.',
  'no-such-field/of-orders': 'Orders have no field “{field}” any more. Load the page again.',
  'no-such-group': 'That group does not exist any more. Load the page again.',
  'same-label': 'There are two addresses called “{label}”.',
  'same-name': 'There is already a group “{name}”.',
  'same-number': '{name} already has the number {number}.',
  'unknown-language': 'Papers come in English, German and French.',
  'unknown-role': 'There is no contact role “{role}”. There are {roles}: Settings, Customers, has the list.',
} as const
