import { formatFraction, toNumber } from 'core'
import type { Drive } from 'core'

import { dualClutch, fourSpeed, withCounts } from '../../../core/testing/boxes.ts'
import { buildPattern } from '../../../core/box/patterns/index.ts'
import { analyseDraft } from '~/views/box/analysis.ts'
import { readAddress } from '~/views/addresses.ts'
import { LAYERS, USUAL_LAYERS } from '~/views/section/layers.ts'

import { DEFAULT_SETTINGS } from '~/settings.ts'
import { readTraceInput, typedTorque } from './traceInput.ts'
import { formatLayers, parseLayers, parsePace, readTraceState, withShare } from './traceState.ts'

const draft = fourSpeed('constant-mesh')
const read = (query: string, of = draft) =>
  readTraceState(of, analyseDraft(of), readAddress('trace', new URLSearchParams(query)))

function driveOf(query: string, of = draft): Drive {
  const analysis = read(query, of)?.selected.analysis
  if (analysis?.state !== 'drive') throw new Error(`${query} does not drive`)
  return analysis
}

test('the address names the position, and the first is shown where it names none', () => {
  expect(read('position=3')?.selected.position.label).toBe('3')
  expect(read('position=gone')?.selected.position.label).toBe('1')
  expect(read('')).toMatchObject({ at: 0, isByHand: false, isOverrun: false })
})

test('sleeves moved by hand come before the position, and two of them lock', () => {
  const state = read('position=2&moved=coupler-1-2:1,coupler-3-4:3')
  expect(state).toMatchObject({ isByHand: true, selected: { analysis: { state: 'locked' } } })
  expect(state?.lock?.couplers).toEqual(['coupler-3-4', 'coupler-1-2'])
})

test('on the overrun the output puts in what the ratio says (common practice: torque ratio is speed ratio)', () => {
  const [driving, overrun] = [driveOf('position=1'), driveOf('position=1&overrun=on')]
  expect(overrun.isOverrun).toBe(true)
  // 40/20 × 40/20 by hand.
  expect(driving.outputs.map(({ torque }) => formatFraction(torque))).toEqual(['4'])
  expect(overrun.outputs.map(({ torque }) => formatFraction(torque))).toEqual(['-4'])
  expect(overrun.path[0]?.law.source).toBe(driving.path.at(-1)?.law.source)
})

test('a box that does not hang together has nothing to trace', () => {
  expect(read('position=1', { ...draft, input: 'gone' })).toBeUndefined()
})

describe('a share set at two countershafts', () => {
  const pattern = buildPattern('heavy', 'box', { speeds: '10' })
  const heavy = withCounts(
    pattern,
    Object.fromEntries(
      pattern.gears.map(({ id }) => [
        id,
        id === 'input-head' ? 20 : id.includes('ring') ? 80 : id.endsWith('-head') ? 40 : 30,
      ]),
    ),
  )
  const onCountershafts = (query: string): readonly number[] =>
    ['counter-a', 'counter-b'].map((shaft) =>
      Math.max(
        ...driveOf(query, heavy)
          .stretches.filter(({ body }) => body === shaft)
          .map(({ torque }) => Math.abs(toNumber(torque))),
      ),
    )

  test('is equal by assumption: each carries half the input torque times the head ratio (common practice)', () => {
    expect(onCountershafts('position=6')).toEqual([1, 1])
    expect(read('position=6', heavy)?.splits).toMatchObject([{ isSet: false }])
  })

  test('55 to 45 gives one 1.1 and the other 0.9 of it, also on the overrun', () => {
    const body = read('position=6', heavy)?.splits[0]?.body ?? ''
    const query = `position=6&share=${withShare(null, body, 55)}`
    expect(onCountershafts(query)).toEqual([1.1, 0.9])
    expect(onCountershafts(`${query}&overrun=on`)).toEqual([1.1, 0.9])
    expect(read(query, heavy)?.splits).toMatchObject([{ body, isSet: true }])
  })

  test.each(['input:0', 'input:100', 'input:half', 'gone:55', 'input'])(
    '%s is no share and leaves the equal one',
    (share) => {
      expect(onCountershafts(`position=6&share=${share}`)).toEqual([1, 1])
    },
  )
})

test('axles locked to one another share as nothing but the road says: a person can set it', () => {
  const transfer = buildPattern('transfer-case', 'box', { transfer: 'chain' })
  const counted = withCounts(
    transfer,
    Object.fromEntries(transfer.gears.map(({ id }) => [id, id.includes('ring') ? 60 : 30])),
  )
  const state = read('position=4H', counted)
  const [split] = state?.splits ?? []
  expect(split?.parts).toHaveLength(2)
  const drive = driveOf(`position=4H&share=${withShare(null, split?.body ?? '', 50)}`, counted)
  expect(drive.outputs.map(({ torque }) => formatFraction(torque))).toEqual(['1/2', '1/2'])
})

test('a share is put beside others and taken out again', () => {
  expect(withShare('input:55', 'main', 40)).toBe('input:55,main:40')
  expect(withShare('input:55,main:40', 'input', null)).toBe('main:40')
})

test.each([null, 'none', 'speed', 'torque,forces', LAYERS.join(',')])(
  'layers %s stay what they are in the address',
  (text) => {
    const layers = parseLayers(text)
    expect(parseLayers(formatLayers(layers) || null)).toEqual(layers)
  },
)

test('usual layers leave nothing in the address, and unknown ones are passed over', () => {
  expect(formatLayers(USUAL_LAYERS)).toBe('')
  expect([...parseLayers('speed,glitter')]).toEqual(['speed'])
})

test('motion is normal unless the address says otherwise', () => {
  expect([null, 'slow', 'paused', 'backwards'].map(parsePace)).toEqual([
    'normal',
    'slow',
    'paused',
    'normal',
  ])
})

test('what waits behind the other clutch is in, changes no ratio, and is named by the address', () => {
  const dual = dualClutch()
  const state = read('position=3&waits=4', dual)
  expect(state?.waiting?.position.label).toBe('4')
  expect(state).toMatchObject({ isByHand: false, selected: { position: { label: '3' } } })
  expect(state?.selected.analysis.engaged.map(({ coupler }) => coupler.id)).toContain('coupler-2-4')
  expect(driveOf('position=3&waits=4', dual).ratio).toEqual(driveOf('position=3', dual).ratio)
  // Fifth is on the shaft that carries, and nothing waits in a box without clutches.
  expect(read('position=3&waits=5', dual)?.waiting).toBeUndefined()
  expect(read('position=3&waits=4')?.preselections).toEqual([])
})

test('with the pedal down no torque comes in, and in neutral the input runs on by itself', () => {
  const address = readAddress('trace', new URLSearchParams('position=N&pedal=down'))
  const state = readTraceState(draft, analyseDraft(draft), address)
  expect(state?.selected.analysis.motions.get(draft.input)).toEqual({ kind: 'coasts' })
  const down = readTraceInput(address, DEFAULT_SETTINGS, draft)
  expect(down.torqueNm).toBe(0)
  expect(typedTorque(down)).toBe(100)
})

test('a box whose own clutch stands at its input has no pedal', () => {
  const dual = buildPattern('dual-clutch', 'dual', {})
  const address = readAddress('trace', new URLSearchParams('pedal=down'))
  expect(readTraceInput(address, DEFAULT_SETTINGS, dual).torqueNm).toBe(100)
})

test('a bend changes the speeds of the wheels and nothing of the ratio', () => {
  const axle = {
    ...buildPattern('longitudinal-transaxle', 'axle', {}),
  }
  const counted = {
    ...axle,
    gears: axle.gears.map((gear, at) => ({ ...gear, toothCount: 18 + at })),
  }
  const of = (query: string) => {
    const found = readTraceState(
      counted,
      analyseDraft(counted),
      readAddress('trace', new URLSearchParams(query)),
    )?.selected.analysis
    if (found?.state !== 'drive') throw new Error('it drives')
    return found
  }
  const [straight, bent] = [of('position=1'), of('position=1&bend=difference,0.25')]
  expect(bent.ratio.equals(straight.ratio)).toBe(true)
  expect(
    bent.outputs.map(({ speed }, at) => toNumber(speed.div(straight.outputs[at]?.speed ?? speed))),
  ).toEqual([1.25, 0.75])
})
