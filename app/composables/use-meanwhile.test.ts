import { reactive } from 'vue'
import { beforeEach, expect, test, vi } from 'vitest'
import { ApiRefusal } from './api'
import { useMeanwhile } from './useMeanwhile'

/* Somebody else saved the same record: both versions stand side by side, and one chooses. */
interface Saved {
  version: number
  name: string
  city: string
}
const opened: Saved = { version: 1, name: 'Ottermill', city: 'Farrow' }
const theirs: Saved = { version: 2, name: 'Ottermill Honey', city: 'Farrow' }
const formOf = ({ name, city }: Saved) => ({ name, city })
const conflict = () => new ApiRefusal('changed-meanwhile', 'Somebody changed it.', 409, {})
const write = vi.fn()
beforeEach(() => write.mockReset())
function begin(change: Partial<Saved> = {}) {
  const form = reactive({ ...formOf(opened), ...change })
  const meanwhile = useMeanwhile({
    form,
    opened,
    formOf,
    read: async () => theirs,
    labels: { name: 'Name', city: 'Town' },
  })
  return { form, ...meanwhile }
}

test('what they changed stands beside mine; what nobody touched does not', async () => {
  const { changed, saving } = begin({ name: 'Otter & Mill' })
  write.mockRejectedValueOnce(conflict())
  await saving(write)
  expect(changed.value).toEqual([{ label: 'Name', theirs: 'Ottermill Honey', mine: 'Otter & Mill' }])
})

test('taking theirs keeps what only I changed, and both go on from their version', async () => {
  const { form, base, changed, saving, takeTheirs } = begin({ city: 'Wynford' })
  write.mockRejectedValueOnce(conflict())
  await saving(write)
  takeTheirs()
  expect(form).toEqual({ name: 'Ottermill Honey', city: 'Wynford' })
  expect([base.value.version, changed.value]).toEqual([2, []])
})

test('keeping mine leaves the form as it is and goes on from their version', async () => {
  const { form, base, saving, keepMine } = begin({ name: 'Mine' })
  write.mockRejectedValueOnce(conflict())
  await saving(write)
  keepMine()
  expect([form.name, base.value.version]).toEqual(['Mine', 2])
})

test('any other refusal stays one', async () => {
  const { changed, saving } = begin()
  write.mockRejectedValueOnce(new ApiRefusal('bad-input', 'No.', 400, {}))
  await expect(saving(write)).rejects.toThrow('No.')
  expect(changed.value).toEqual([])
})

test('where they changed nothing that stands in the form, it is saved over their version', async () => {
  const form = reactive(formOf(opened))
  const { base, changed, saving } = useMeanwhile({
    form,
    opened,
    formOf,
    read: async () => ({ ...opened, version: 7 }),
    labels: { name: 'Name', city: 'Town' },
  })
  const versions: number[] = []
  await saving(async () => {
    versions.push(base.value.version)
    if (versions.length === 1) throw conflict()
  })
  expect([versions, changed.value]).toEqual([[1, 7], []])
})

test('a list stands line by line, and a tick in a word', async () => {
  const before = { version: 1, people: [{ name: 'Nuala', email: 'n@otter.example' }], closed: false }
  const meanwhile = useMeanwhile({
    form: reactive({ people: before.people, closed: false }),
    opened: before,
    formOf: ({ people, closed }) => ({ people, closed }),
    read: async () => ({
      version: 2,
      people: [...before.people, { name: '', email: 'p@otter.example' }],
      closed: true,
    }),
    labels: { people: 'Contacts', closed: 'Closed' },
  })
  await meanwhile.saving(() => Promise.reject(conflict()))
  expect(meanwhile.changed.value).toEqual([
    {
      label: 'Contacts',
      theirs: 'Nuala, n@otter.example\np@otter.example',
      mine: 'Nuala, n@otter.example',
    },
    { label: 'Closed', theirs: 'yes', mine: 'no' },
  ])
})
