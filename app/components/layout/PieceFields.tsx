import type { MarkKind, Piece, PieceMark } from 'core'
import {
  MARK,
  MARK_KINDS,
  PIECE,
  PIECE_DEFINITIONS,
  PIECE_KINDS,
  bearingsOf,
  fitOf,
  indexBox,
  isNewEachTime,
  memberOfPiece,
  namesOf,
  rowOf,
  wayOff,
  pathTo,
  readPath,
} from 'core'

import { FieldEntries } from '~/components/FieldEntry.tsx'
import { CheckField, SelectField } from '~/components/Fields.tsx'
import { withPart } from '~/views/layout/withPart.ts'
import { fieldTitle, idsToChoose } from '~/words/fields.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize, gearName, placeName } from '~/words/names.ts'
import {
  MARK_WORDS,
  bearingWords,
  pieceKindWords,
  pieceNameById,
  wayOffWords,
} from '~/words/pieces.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

import type { Drafting } from './useDrafting.ts'

const SIZES = ['stationMm', 'lengthMm', 'boreMm', 'outsideMm'] as const

/** What is entered apart from the rest. */
const ELSEWHERE: readonly (keyof Piece)[] = [
  'id',
  'kind',
  'name',
  'on',
  'carries',
  'coupler',
  'place',
  ...SIZES,
  'quantity',
  'partNumber',
  'fit',
  'pressOn',
  'hand',
  'closesFrom',
  'marks',
  'isNewEachTime',
]

interface PieceFieldsProps {
  readonly drafting: Drafting
  readonly words: Vocabulary
  readonly piece: Piece
}

/** What the groups of fields have in common. */
interface Editing {
  readonly fields: typeof PIECE
  readonly of: Piece
  readonly naming: Naming
  /** Keeps the piece with what is changed; null, so that a field can return it. */
  readonly onChange: (changed: Partial<Piece>) => null
}

/** Everything that can be said of a bearing, a spacer, a fork or a case. */
export function PieceFields({ drafting: { draft, become }, words, piece }: PieceFieldsProps) {
  const naming = { box: indexBox(draft), words }
  const editing: Editing = {
    fields: PIECE,
    of: piece,
    naming,
    onChange: (changed) => {
      become(withPart(draft, 'pieces', { ...piece, ...changed }))
      return null
    },
  }
  const kinds = PIECE_KINDS.map((kind) => [kind, capitalize(pieceKindWords(words, kind))] as const)
  return (
    <>
      <Placing naming={naming} piece={piece} />
      <div className="grid grid-cols-2 gap-2">
        <FieldEntries
          {...editing}
          names={['kind', 'name']}
          shown={{
            kind: { options: kinds.sort(([, one], [, other]) => one.localeCompare(other)) },
          }}
        />
        <Belonging {...editing} />
        <Sizes {...editing} />
        <Holding {...editing} />
      </div>
      <Marks {...editing} />
    </>
  )
}

/** Over which end it comes off and what it bears on, found from the diameters. */
function Placing({ naming, piece }: Pick<Editing, 'naming'> & { readonly piece: Piece }) {
  const { box, words } = naming
  const way = wayOff(box, piece)
  const member = memberOfPiece(box, piece)
  const row = member ? rowOf(box, member.id) : []
  const seat = row.find(({ ref }) => ref === pathTo('piece', piece.id))
  if (!way || !seat) return null
  const nameOf = (ref: string): string => {
    const { kind, id } = readPath(ref)
    const gear = box.gears.get(id)
    return kind === 'gear' && gear ? gearName(naming, gear) : pieceNameById(naming, id)
  }
  return (
    <p className="text-[0.95rem]">
      {capitalize(wayOffWords(words, way))}. Bears on{' '}
      {bearingsOf(row, seat)
        .map((bearing) => bearingWords(words, bearing, nameOf))
        .join(', and on ')}
      .
    </p>
  )
}

/** The shaft, gear, coupler or holder that it belongs to. */
function Belonging(editing: Editing) {
  const { of: piece, naming, onChange } = editing
  const { sits } = PIECE_DEFINITIONS[piece.kind]
  const coupler = naming.box.couplers.get(piece.coupler ?? '')
  const unsaid = 'nothing said'
  if (sits === 'case') return <Carried {...editing} />
  if (sits !== 'shaft')
    return (
      <>
        <FieldEntries
          {...editing}
          names={['coupler']}
          shown={{ coupler: { unsaid } }}
          onChange={(changed) => onChange({ ...changed, place: undefined })}
        />
        {piece.kind === 'ring' && coupler && (
          <FieldEntries
            {...editing}
            names={['place']}
            shown={{
              place: {
                unsaid,
                options: coupler.positions
                  .filter(({ engages }) => engages.length > 0)
                  .map((place) => [place.id, placeName(naming, coupler, place)]),
              },
            }}
          />
        )}
      </>
    )
  return (
    <>
      <FieldEntries {...editing} names={['on']} shown={{ on: { unsaid } }} />
      <SelectField
        label={fieldTitle(PIECE.carries)}
        value={piece.carries?.[0] ?? ''}
        options={[
          ['', 'nothing'],
          ...idsToChoose(naming, 'member'),
          ...idsToChoose(naming, 'gear'),
        ]}
        onChange={(id) => onChange({ carries: id === '' ? undefined : [id] })}
      />
    </>
  )
}

/** The shafts that lie in a case, a plate or a carrier. */
function Carried(editing: Editing) {
  const { of: piece, naming, onChange } = editing
  const carries = piece.carries ?? []
  return (
    <>
      <FieldEntries
        {...editing}
        names={['closesFrom']}
        shown={{ closesFrom: { unsaid: 'nothing said' } }}
      />
      <fieldset className="col-span-2">
        <legend className="text-[0.9rem] font-semibold">{fieldTitle(PIECE.carries)}</legend>
        <div className="grid grid-cols-2">
          {idsToChoose(naming, 'member').map(([id, title]) => (
            <CheckField
              key={id}
              label={title}
              isChecked={carries.includes(id)}
              onChange={(isCarried) =>
                onChange({
                  carries: isCarried ? [...carries, id] : carries.filter((each) => each !== id),
                })
              }
            />
          ))}
        </div>
      </fieldset>
    </>
  )
}

function Sizes(editing: Editing) {
  const { of: piece } = editing
  const hasSizes = PIECE_DEFINITIONS[piece.kind].drawn !== null
  const sizes = SIZES.filter((key) => hasSizes || key === 'lengthMm' || piece[key] !== undefined)
  return <FieldEntries {...editing} names={[...sizes, 'quantity', 'partNumber']} />
}

/** How it is held, and what it takes to put it in. */
function Holding(editing: Editing) {
  const { of: piece, onChange } = editing
  const fit = fitOf(piece)
  return (
    <>
      <FieldEntries
        {...editing}
        of={{ ...piece, fit }}
        names={[
          'fit',
          ...(fit === 'pressed' ? (['pressOn'] as const) : []),
          ...(fit === 'threaded' ? (['hand'] as const) : []),
          ...namesOf(PIECE, ELSEWHERE),
        ]}
        shown={{ fit: { unsaid: 'as is usual' } }}
      />
      <CheckField
        label={fieldTitle(PIECE.isNewEachTime)}
        isChecked={isNewEachTime(piece)}
        onChange={(isNew) => onChange({ isNewEachTime: isNew })}
      />
    </>
  )
}

/** The title of a field of a mark, with the mark for who does not see where it stands. */
function ofMark(name: 'text' | 'with', kind: MarkKind): React.ReactNode {
  return (
    <>
      {fieldTitle(MARK[name])}
      <span className="sr-only">{` (${MARK_WORDS[kind]})`}</span>
    </>
  )
}

/** Marks to put it together by: which are there, and what they say. */
function Marks({ of: piece, naming, onChange }: Editing) {
  const marks = piece.marks ?? []
  const change = (mark: PieceMark, changed: Partial<PieceMark>): null =>
    onChange({ marks: marks.map((each) => (each === mark ? { ...mark, ...changed } : each)) })
  const others = (naming.box.draft.pieces ?? [])
    .filter(({ id }) => id !== piece.id)
    .map(({ id }) => [id, capitalize(pieceNameById(naming, id))] as const)
    .sort(([, one], [, other]) => one.localeCompare(other))
  return (
    <fieldset>
      <legend className="text-[0.95rem] font-semibold">Marks to put it together by</legend>
      {MARK_KINDS.map((kind) => {
        const mark = marks.find((each) => each.kind === kind)
        return (
          <div key={kind}>
            <CheckField
              label={capitalize(MARK_WORDS[kind])}
              isChecked={mark !== undefined}
              onChange={(isThere) =>
                onChange({
                  marks: isThere
                    ? [...marks, { kind }]
                    : marks.filter((each) => each.kind !== kind),
                })
              }
            />
            {mark && (
              <div className="grid grid-cols-2 gap-2 pl-8">
                <FieldEntries
                  naming={naming}
                  fields={MARK}
                  of={mark}
                  names={['text', 'with']}
                  shown={{
                    text: { label: ofMark('text', kind) },
                    with: { label: ofMark('with', kind), unsaid: 'nothing else', options: others },
                  }}
                  onChange={(changed) => change(mark, changed)}
                />
              </div>
            )}
          </div>
        )
      })}
    </fieldset>
  )
}
