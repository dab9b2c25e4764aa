/**
 * The oldest three-shaft box: three speeds by gears that slide along the splines
 * of the main shaft, direct by joining it to the input shaft.
 */
import type { BoxDraft } from '../types.ts'
import type { RowPart } from './rows.ts'
import {
  FACE_MM,
  at,
  coupler,
  gears,
  layOut,
  locks,
  mesh,
  meshes,
  pair,
  positionsOf,
} from './rows.ts'
import { THREE_SHAFTS, idlerAt } from './threeShaft.ts'

export const SECOND_KINDS = ['constant-mesh', 'sliding'] as const
type SecondKind = (typeof SECOND_KINDS)[number]

interface SlidingGearChoices {
  readonly name: string
  /** Whether the second pair is always in mesh, engaged by dogs, or slides as first does. */
  readonly second: SecondKind
}

const ROWS = {
  'constant-mesh': [
    coupler({
      id: 'coupler-2-3',
      kind: 'dog-ring',
      hub: 'main',
      before: locks('3', 'input'),
      after: locks('2', 'main-2'),
    }),
    { name: 'second', room: FACE_MM, gears: gears('2nd gear', { 'main-2': 'free' }) },
  ],
  sliding: [
    {
      ...coupler({
        id: 'coupler-2-3',
        kind: 'sliding-gear',
        hub: 'main',
        before: locks('3', 'input'),
        after: meshes('2', 'pair-2'),
        gears: ['main-2'],
      }),
      gears: gears('2nd gear', { 'main-2': 'sliding' }),
    },
    { name: 'second', room: FACE_MM },
  ],
} as const satisfies Readonly<Record<SecondKind, readonly RowPart[]>>

function row(second: SecondKind): readonly RowPart[] {
  return [
    pair({
      id: 'head',
      label: 'head gear',
      on: ['input', 'counter'],
      mounts: ['integral', 'integral'],
    }),
    ...ROWS[second],
    {
      name: 'second pair',
      room: at('second'),
      gears: gears('2nd gear', { 'counter-2': 'integral' }),
      links: [mesh('pair-2', 'counter-2', 'main-2')],
    },
    { name: 'first', room: FACE_MM },
    {
      ...coupler({
        id: 'coupler-1-reverse',
        kind: 'sliding-gear',
        hub: 'main',
        before: meshes('1', 'pair-1'),
        after: meshes('reverse', 'reverse-out'),
        gears: ['main-1'],
        room: FACE_MM,
      }),
      gears: gears('1st gear', { 'main-1': 'sliding' }),
    },
    {
      name: 'first pair',
      room: at('first'),
      gears: gears('1st gear', { 'counter-1': 'integral' }),
      links: [mesh('pair-1', 'counter-1', 'main-1')],
    },
    {
      name: 'reverse',
      room: FACE_MM,
      gears: gears('reverse gear', {
        'counter-reverse': 'integral',
        'idler-reverse': { label: 'reverse idler', mount: 'fixed' },
      }),
      links: [
        mesh('reverse-in', 'counter-reverse', 'idler-reverse'),
        mesh('reverse-out', 'idler-reverse', 'main-1'),
      ],
    },
  ]
}

/** The pattern as a draft, with every gear still to be counted. */
export function slidingGearBox({ name, second }: SlidingGearChoices): BoxDraft {
  const parts = row(second)
  return {
    name,
    ...layOut({
      lanes: ['main-line', 'counter-line', 'idler-line'],
      row: parts,
      shafts: [...THREE_SHAFTS, idlerAt(at('reverse', -FACE_MM), at('reverse', FACE_MM))],
    }),
    positions: positionsOf(parts, [
      ['1', 'left row, back', '1'],
      ['2', 'right row, forward', '2'],
      ['3', 'right row, back', '3'],
      ['N', 'across the rows'],
      ['R', 'left row, forward', 'reverse'],
    ]),
    interlocks: [{ id: 'rails', couplers: ['coupler-2-3', 'coupler-1-reverse'] }],
    input: 'input',
    outputs: ['main'],
  }
}
