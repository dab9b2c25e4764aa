/** Every id of a box in turn, led nowhere and made to stand twice. */
import { indexBox } from './box.ts'
import { checkIds } from './checkIds.ts'
import { buildPattern } from './patterns/index.ts'
import { withSelectors } from './selectors/propose.ts'
import type { BoxDraft, Path } from './types.ts'

const pattern = buildPattern('three-shaft', 'unit', { forward: '4', overdrives: 'none' })
const draft: BoxDraft = {
  ...withSelectors(pattern, 'lever'),
  gears: pattern.gears.map((gear, at) =>
    at === 1 ? { ...gear, twinOf: pattern.gears[0]?.id } : gear,
  ),
  interlocks: [{ id: 'interlock', couplers: pattern.couplers.map(({ id }) => id) }],
  rules: [{ id: 'rule', forbids: { ...pattern.positions[0]?.couplers }, reason: 'made up' }],
}

/** The box with another text at a path. */
function withText(path: Path, text: string): BoxDraft {
  const copy = structuredClone(draft)
  let at: unknown = copy
  for (const key of path.slice(0, -1)) at = (at as Record<string | number, unknown>)[key]
  ;(at as Record<string | number, unknown>)[path.at(-1) ?? ''] = text
  return copy
}

const told = (box: BoxDraft): readonly string[] =>
  checkIds(indexBox(box)).map(({ code, path }) => `${code} ${path.join('/')}`)

test('of a whole box nothing is told', () => {
  expect(told(draft)).toEqual([])
})

test.each<Path>([
  ['input'],
  ['outputs', 0],
  ['members', 0, 'axis'],
  ['gears', 0, 'member'],
  ['gears', 1, 'twinOf'],
  ['links', 0, 'a'],
  ['couplers', 0, 'hub'],
  ['couplers', 0, 'positions', 0, 'engages', 0, 'body'],
  ['interlocks', 0, 'couplers', 1],
])('what leads nowhere is told at its place: %s', (...path) => {
  expect(told(withText(path, 'nowhere'))).toContain(`unknown-id ${path.join('/')}`)
})

test('a coupler, and a place of one, that positions and rules name and the box has not', () => {
  const [position] = draft.positions.filter(({ couplers }) => Object.keys(couplers).length > 0)
  const at = draft.positions.findIndex((each) => each === position)
  const [coupler = ''] = Object.keys(position?.couplers ?? {})
  expect(told(withText(['positions', at, 'couplers', coupler], 'nowhere'))).toEqual([
    `unknown-id positions/${at}/couplers/${coupler}`,
  ])
  expect(told(withText(['rules', 0, 'forbids', 'gone'], 'in'))).toContain(
    'unknown-id rules/0/forbids/gone',
  )
})

test.each(['axes', 'links', 'couplers', 'positions', 'selectors', 'gears', 'members'] as const)(
  'two of the same id among %s are told at the second',
  (list) => {
    const [first] = draft[list] ?? []
    expect(told(withText([list, 1, 'id'], first?.id ?? ''))).toContain(`duplicate-id ${list}/1/id`)
  },
)

test('a gear and a shaft share their names, as bodies; a link and a coupler do not', () => {
  expect(told(withText(['gears', 0, 'id'], draft.members[0]?.id ?? ''))).toContain(
    'duplicate-id gears/0/id',
  )
  expect(told(withText(['links', 0, 'id'], draft.couplers[0]?.id ?? ''))).not.toContain(
    'duplicate-id couplers/0/id',
  )
})

test('two places of one coupler are told, places of two may be called alike', () => {
  const [first] = draft.couplers[0]?.positions ?? []
  expect(told(withText(['couplers', 0, 'positions', 1, 'id'], first?.id ?? ''))).toContain(
    'duplicate-id couplers/0/positions/1/id',
  )
})
