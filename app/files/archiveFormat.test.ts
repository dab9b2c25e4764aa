import { trainDraft } from '../../core/testing/boxes.ts'
import { FILES, idIn, isKnownName, linesOf, photographName } from './archiveFormat.ts'

const { schema: revisionSchema } = FILES.history
const { schema: jobSchema } = FILES.jobs
const { schema: archivedEntrySchema } = FILES.entries

const ID = '01a21e0f-068f-7027-befa-f330d2a1bb13'
const AT = '2026-01-05T08:00:00.000Z'

test.each([
  'udrix-archive.json',
  'shop.json',
  'checksums.sha256',
  `boxes/${ID}.json`,
  `records/${ID}.json`,
  `history/${ID}.ndjson`,
  `jobs/${ID}.json`,
  `entries/${ID}.ndjson`,
  `photographs/${ID}.webp`,
  'photographs/',
])('%s is a name that Udrix writes', (name) => {
  expect(isKnownName(name)).toBe(true)
})

test.each([
  '',
  'readme.txt',
  `boxes/${ID}.ndjson`,
  `boxes/${ID.toUpperCase()}.json`,
  `boxes/${ID}.json.exe`,
  `boxes/../${ID}.json`,
  `../boxes/${ID}.json`,
  `/boxes/${ID}.json`,
  `photographs/${ID}.gif`,
  `photographs/${ID.slice(1)}.png`,
  `history/${ID}.ndjson\n`,
])('%j is none', (name) => {
  expect(isKnownName(name)).toBe(false)
})

test('a photograph stands under its id, by the type of its content', () => {
  const names = ['image/jpeg', 'image/png', 'image/webp'].map((contentType) =>
    photographName({ id: ID, contentType }),
  )
  expect(names).toEqual(['jpg', 'png', 'webp'].map((ending) => `photographs/${ID}.${ending}`))
  expect(names.every(isKnownName)).toBe(true)
})

test('the id of a file is read from its folder only', () => {
  expect(idIn('boxes', `boxes/${ID}.json`)).toBe(ID)
  expect(idIn('boxes', `records/${ID}.json`)).toBeUndefined()
  expect(idIn('boxes', 'boxes/')).toBeUndefined()
})

const revision = {
  revision: 3,
  edit: { kind: 'rename', name: 'new', base: 'old' },
  isApplied: true,
  documentBefore: trainDraft([[20, 40]]),
  at: AT,
}

test('a revision says whose it is; one from before anybody asked is nobody’s', () => {
  expect(revisionSchema.parse(revision).origin).toEqual({ by: '' })
  expect(revisionSchema.parse({ ...revision, origin: {} }).origin).toEqual({ by: '' })
  expect(revisionSchema.parse({ ...revision, origin: { by: 'AB' } }).origin).toEqual({ by: 'AB' })
})

test.each([
  ['initials of five letters', { ...revision, origin: { by: 'ABCDE' } }],
  ['something that Udrix does not know of an edit', { ...revision, origin: { colour: 'red' } }],
  ['no revision before the first', { ...revision, revision: 0 }],
  ['a time that is none', { ...revision, at: 'yesterday' }],
  ['a box of another shape', { ...revision, documentBefore: {} }],
  ['a field too many', { ...revision, colour: 'red' }],
])('a revision with %s is refused', (_name, wrong) => {
  expect(revisionSchema.safeParse(wrong).success).toBe(false)
})

const photograph = {
  id: ID,
  contentType: 'image/png',
  width: 640,
  height: 480,
  isWithdrawn: false,
}

test.each([
  ['of a type that is not taken', { contentType: 'image/gif' }],
  ['without a width', { width: 0 }],
  ['of half a pixel', { height: 480.5 }],
])('a job with a photograph %s is refused', (_name, wrong) => {
  const job = { boxId: ID, number: 1, openedAt: AT, photographs: [photograph] }
  expect(jobSchema.safeParse(job).success).toBe(true)
  const photographs = [{ ...photograph, ...wrong }]
  expect(jobSchema.safeParse({ ...job, photographs }).success).toBe(false)
})

test('an entry is read with its body, and refused with one of no kind', () => {
  const entry = { id: ID, at: AT, deviceAt: null, receivedAt: AT, by: 'AB' }
  const note = { kind: 'note', text: 'brass in the oil' }
  expect(archivedEntrySchema.parse({ ...entry, body: note }).body).toEqual(note)
  expect(archivedEntrySchema.safeParse({ ...entry, body: { kind: 'song' } }).success).toBe(false)
})

test('each kind of lines is of a box or of a job, and written in the order of the table', () => {
  expect(linesOf('box')).toEqual(['history'])
  expect(linesOf('job')).toEqual(['entries'])
})
