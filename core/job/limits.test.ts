import type { Entry, EntryBody } from './job.ts'
import { limitsToKeep, readJob } from './job.ts'
import type { EnteredLimit, LimitSource } from '../measure/entered.ts'
import type { ShopRule } from './limits.ts'
import { limitFor, sheetLimits } from './limits.ts'
import type { SheetLine } from '../box/types.ts'

const RING = 'ring:coupler-1-2/2'

function limit(source: LimitSource, least: string): EnteredLimit {
  return { source, least, unit: 'mm' }
}

let minute = 0
function entered(part: string | null, of: EnteredLimit): Entry {
  minute += 1
  const at = new Date(Date.UTC(2026, 10, 26, 8, minute)).toISOString()
  return {
    id: `00000000-0000-7000-8000-${minute.toString().padStart(12, '0')}`,
    at,
    by: '',
    body: { kind: 'limit', part, measure: 'ring-gap', limit: of },
  }
}

const NOTHING = { limits: [], rules: [], sheet: [] }

const SHOP: readonly ShopRule[] = [{ measure: 'ring-gap', limit: limit('shop', '0.70') }]

function chosen(
  log: readonly Entry[],
  rules: readonly ShopRule[] = SHOP,
  sheet: readonly SheetLine[] = [],
) {
  return limitFor({ limits: readJob(log).limits, rules, sheet }, RING, 'ring-gap', 'mm')
}

// The order of the sources: common practice.
describe('the strongest source counts, whatever was entered last', () => {
  test.each<readonly [string, readonly Entry[], EnteredLimit]>([
    ['the maker before the shop', [entered(null, limit('maker', '0.80'))], limit('maker', '0.80')],
    [
      'the maker before a rule of the shop that was entered after it',
      [entered(null, limit('maker', '0.80')), entered(null, limit('shop', '0.60'))],
      limit('maker', '0.80'),
    ],
    [
      'the maker for all before the shop for the very part',
      [entered(null, limit('maker', '0.80')), entered(RING, limit('shop', '0.60'))],
      limit('maker', '0.80'),
    ],
    [
      'the very part before all, within one source',
      [entered(RING, limit('maker', '0.85')), entered(null, limit('maker', '0.80'))],
      limit('maker', '0.85'),
    ],
    [
      'the latest of one source and part',
      [entered(RING, limit('maker', '0.85')), entered(RING, limit('maker', '0.90'))],
      limit('maker', '0.90'),
    ],
    [
      'the shop for this unit before its rule for all units',
      [entered(null, limit('shop', '0.60'))],
      limit('shop', '0.60'),
    ],
    ['the shop before the rule of thumb', [], limit('shop', '0.70')],
  ])('%s', (_case, log, expected) => {
    expect(chosen(log)).toEqual(expected)
  })

  test('a rule of thumb where nobody said anything, in the unit at hand', () => {
    // 0.030 in; common practice.
    expect(chosen([], [])).toEqual({ source: 'thumb', least: '0.762', unit: 'mm' })
    expect(limitFor(NOTHING, RING, 'ring-gap', 'thou')).toEqual({
      source: 'thumb',
      least: '30',
      unit: 'thou',
    })
  })

  test('nothing where there is no rule at all', () => {
    expect(limitFor(NOTHING, 'shaft:main', 'end-play', 'mm')).toBeNull()
  })
})

describe('the data sheet of the unit is its maker’s word', () => {
  const line = (id: string, least: string, of?: string): SheetLine => ({
    id,
    kind: 'limit',
    measure: 'ring-gap',
    least,
    unit: 'mm',
    ...(of !== undefined && { of }),
  })

  test('it goes before the shop, and its very part before all', () => {
    expect(chosen([], SHOP, [line('a', '0.75')])).toEqual(limit('maker', '0.75'))
    expect(chosen([], SHOP, [line('a', '0.75'), line('b', '0.85', RING)])).toEqual(
      limit('maker', '0.85'),
    )
  })

  test('what was entered in the job goes before it', () => {
    expect(chosen([entered(null, limit('maker', '0.80'))], SHOP, [line('a', '0.75')])).toEqual(
      limit('maker', '0.80'),
    )
  })

  test('a line that bounds nothing is no limit', () => {
    const lines: readonly SheetLine[] = [
      { id: 'a', kind: 'limit', measure: 'ring-gap', unit: 'mm' },
      { id: 'b', kind: 'limit', measure: 'ring-gap', unit: 'Nm', least: '1' },
      { id: 'c', kind: 'limit', measure: 'no such', unit: 'mm', least: '1' },
      { id: 'd', kind: 'serial', text: '0.75' },
    ]
    expect(sheetLimits(lines)).toEqual([])
    expect(chosen([], SHOP, lines)).toEqual(limit('shop', '0.70'))
  })
})

describe('a limit that is entered after a reading judges it', () => {
  const SHAFT = 'shaft:main'
  let count = 100
  const said = (body: EntryBody): Entry => {
    count += 1
    const at = new Date(Date.UTC(2026, 10, 26, 9, count)).toISOString()
    return { id: `00000000-0000-7000-8000-${`${count}`.padStart(12, '0')}`, at, by: '', body }
  }
  const endPlay = (kept: EnteredLimit | null): Entry =>
    said({
      kind: 'measurement',
      part: SHAFT,
      measure: 'end-play',
      readings: ['9'],
      unit: 'thou',
      tool: '',
      limit: kept,
      phase: 'found',
    })
  const maker: EnteredLimit = { source: 'maker', least: '0.05', most: '0.15', unit: 'mm' }
  const limitOf = (part: string | null) =>
    said({ kind: 'limit', part, measure: 'end-play', limit: maker })
  const sheet: readonly SheetLine[] = [
    {
      id: 's',
      kind: 'limit',
      what: '',
      of: SHAFT,
      measure: 'end-play',
      least: '0.05',
      most: '0.15',
      unit: 'mm',
    },
  ]
  const judged = (...asked: Parameters<typeof readJob>) => {
    const [finding] = readJob(...asked).findings
    if (finding?.kind !== 'measured') throw new Error('nothing was measured')
    const { verdict, isJudgedSince, measured } = finding
    return { verdict, isJudgedSince, limit: measured.limit }
  }

  test('9 thou are 0.2286 mm, which 0.05 to 0.15 mm do not allow', () => {
    const reading = endPlay(null)
    expect(judged([reading])).toEqual({ verdict: null, isJudgedSince: false, limit: null })
    const late = { verdict: 'replace', isJudgedSince: true, limit: maker }
    for (const part of [SHAFT, null]) expect(judged([reading, limitOf(part)])).toEqual(late)
    expect(judged([reading], { sheet, rules: [] })).toEqual(late)
    expect(judged([reading, limitOf('shaft:counter')])).toMatchObject({ verdict: null })
  })

  test('a weaker source does not come before what held', () => {
    const kept: EnteredLimit = { source: 'maker', most: '0.3', unit: 'mm' }
    const rules: readonly ShopRule[] = [
      { measure: 'end-play', limit: { ...maker, source: 'shop' } },
    ]
    expect(judged([endPlay(kept)], { sheet: [], rules })).toMatchObject({
      limit: kept,
      isJudgedSince: false,
    })
  })

  test('a job that is closed stays as it was closed, with what judged it entered before that', () => {
    const reading = endPlay(null)
    const close = said({ kind: 'close', leftOut: '' })
    expect(judged([reading, close], { sheet, rules: [] })).toMatchObject({ verdict: null })
    const kept = limitsToKeep([reading], { sheet, rules: [] })
    expect(kept).toEqual([{ kind: 'limit', part: SHAFT, measure: 'end-play', limit: maker }])
    expect(judged([reading, ...kept.map(said), close])).toMatchObject({ verdict: 'replace' })
    expect(limitsToKeep([reading, limitOf(null)], { sheet, rules: [] })).toEqual([])
  })
})
