import type { Piece, PieceMark } from 'core'
import {
  CLOSING_SIDES,
  FITS,
  HANDS,
  MARK_KINDS,
  MOST_OF_A_PIECE,
  PIECE_DEFINITIONS,
  PIECE_KINDS,
  PRESS_SEATS,
  bearingsOf,
  fitOf,
  indexBox,
  isNewEachTime,
  memberOfPiece,
  rowOf,
  wayOff,
} from 'core'

import { CheckField, EntryField, NameField, SelectField } from '~/components/Fields.tsx'
import { parsePartNumber } from '~/views/layout/pieces.ts'
import { lengthText, parseLength, parseWhole } from '~/views/layout/numbers.ts'
import { withPart } from '~/views/layout/withPart.ts'
import type { Naming } from '~/words/names.ts'
import { bodyName, capitalize, couplerName, gearName, placeName } from '~/words/names.ts'
import {
  FIT_WORDS,
  MARK_WORDS,
  PRESS_WORDS,
  bearingWords,
  closingWords,
  pieceKindWords,
  pieceNameById,
  wayOffWords,
} from '~/words/pieces.ts'
import { CHOICE_WORDS } from '~/words/vocabulary.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

import type { Drafting } from './useDrafting.ts'

interface PieceFieldsProps {
  readonly drafting: Drafting
  readonly words: Vocabulary
  readonly piece: Piece
}

/** What the groups of fields have in common. */
interface Editing {
  readonly piece: Piece
  readonly naming: Naming
  /** Keeps the piece with what is changed; null, so that a field can return it. */
  readonly put: (changed: Partial<Piece>) => null
}

/** Everything that can be said of a bearing, a spacer, a fork or a case. */
export function PieceFields({ drafting: { draft, become }, words, piece }: PieceFieldsProps) {
  const naming = { box: indexBox(draft), words }
  const put = (changed: Partial<Piece>): null => {
    become(withPart(draft, 'pieces', { ...piece, ...changed }))
    return null
  }
  const editing: Editing = { piece, naming, put }
  return (
    <>
      <Placing naming={naming} piece={piece} />
      <div className="grid grid-cols-2 gap-2">
        <SelectField
          label="Kind"
          value={piece.kind}
          options={[...PIECE_KINDS]
            .map((kind) => [kind, capitalize(pieceKindWords(words, kind))] as const)
            .sort(([, one], [, other]) => one.localeCompare(other))}
          onChange={(kind) => put({ kind })}
        />
        <NameField label="Called" value={piece.name} onKeep={(name) => put({ name })} />
        <Belonging {...editing} />
        <Sizes {...editing} />
        <Holding {...editing} />
      </div>
      <Marks {...editing} />
    </>
  )
}

/** Over which end it comes off and what it bears on, found from the diameters. */
function Placing({ naming, piece }: Pick<Editing, 'naming' | 'piece'>) {
  const { box, words } = naming
  const way = wayOff(box, piece)
  const member = memberOfPiece(box, piece)
  const row = member ? rowOf(box, member.id) : []
  const seat = row.find(({ ref }) => ref === `piece:${piece.id}`)
  if (!way || !seat) return null
  const nameOf = (ref: string): string => {
    const id = ref.slice(ref.indexOf(':') + 1)
    const gear = box.gears.get(id)
    return ref.startsWith('gear:') && gear ? gearName(naming, gear) : pieceNameById(naming, id)
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
function Belonging({ piece, naming, put }: Editing) {
  const { draft } = naming.box
  const { sits } = PIECE_DEFINITIONS[piece.kind]
  const coupler = naming.box.couplers.get(piece.coupler ?? '')
  const bodies = [
    ...draft.members.map(({ id }) => [id, capitalize(bodyName(naming, id))] as const),
    ...draft.gears.map((gear) => [gear.id, capitalize(gearName(naming, gear))] as const),
  ]
  if (sits === 'case') return <Carried piece={piece} naming={naming} put={put} />
  if (sits !== 'shaft')
    return (
      <>
        <SelectField
          label="Belongs to"
          value={piece.coupler ?? ''}
          options={[
            ['', 'nothing said'],
            ...draft.couplers.map(
              (each) => [each.id, capitalize(couplerName(naming, each))] as const,
            ),
          ]}
          onChange={(id) => put({ coupler: id === '' ? undefined : id, place: undefined })}
        />
        {piece.kind === 'ring' && coupler && (
          <SelectField
            label="For"
            value={piece.place ?? ''}
            options={[
              ['', 'nothing said'],
              ...coupler.positions
                .filter(({ engages }) => engages.length > 0)
                .map((place) => [place.id, placeName(naming, coupler, place)] as const),
            ]}
            onChange={(id) => put({ place: id === '' ? undefined : id })}
          />
        )}
      </>
    )
  return (
    <>
      <SelectField
        label="On"
        value={piece.on ?? ''}
        options={[
          ['', 'nothing said'],
          ...draft.members.map(({ id }) => [id, capitalize(bodyName(naming, id))] as const),
        ]}
        onChange={(id) => put({ on: id === '' ? undefined : id })}
      />
      <SelectField
        label="Carries"
        value={piece.carries?.[0] ?? ''}
        options={[['', 'nothing'], ...bodies]}
        onChange={(id) => put({ carries: id === '' ? undefined : [id] })}
      />
    </>
  )
}

/** The shafts that lie in a case, a plate or a carrier. */
function Carried({ piece, naming, put }: Editing) {
  const carries = piece.carries ?? []
  return (
    <>
      <SelectField
        label="Closes from"
        value={piece.closesFrom ?? ''}
        options={[
          ['', 'nothing said'],
          ...CLOSING_SIDES.map((side) => [side, closingWords(naming.words)[side]] as const),
        ]}
        onChange={(side) => put({ closesFrom: side === '' ? undefined : side })}
      />
      <fieldset className="col-span-2">
        <legend className="text-[0.9rem] font-semibold">Carries</legend>
        <div className="grid grid-cols-2">
          {naming.box.draft.members.map(({ id }) => (
            <CheckField
              key={id}
              label={capitalize(bodyName(naming, id))}
              isChecked={carries.includes(id)}
              onChange={(isCarried) =>
                put({
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

const SIZES = [
  ['stationMm', 'Station'],
  ['lengthMm', 'Length'],
  ['boreMm', 'Bore'],
  ['outsideMm', 'Outside'],
] as const

function Sizes({ piece, naming, put }: Editing) {
  const unit = naming.words.lengthUnit
  const hasSizes = PIECE_DEFINITIONS[piece.kind].drawn !== null
  return (
    <>
      {SIZES.filter(([key]) => hasSizes || key === 'lengthMm' || piece[key] !== undefined).map(
        ([key, label]) => {
          const value = piece[key]
          return (
            <EntryField
              key={`${key} ${value} ${unit}`}
              label={label}
              unit={unit}
              inputMode="decimal"
              value={value === undefined ? '' : lengthText(value, unit)}
              onCommit={(text) => {
                if (text.trim() === '') return put({ [key]: undefined })
                const length = parseLength(text, unit, key === 'stationMm' ? undefined : 0.001)
                return length.ok ? put({ [key]: length.value }) : length.sentence
              }}
            />
          )
        },
      )}
      <EntryField
        key={`quantity ${piece.quantity}`}
        label="How many"
        inputMode="numeric"
        value={`${piece.quantity ?? 1}`}
        onCommit={(text) => {
          const count = parseWhole(text, 1, MOST_OF_A_PIECE, 'A quantity')
          return count.ok ? put({ quantity: count.value }) : count.sentence
        }}
      />
      <EntryField
        key={`number ${piece.partNumber}`}
        label="Part number"
        value={piece.partNumber ?? ''}
        onCommit={(text) => {
          const number = parsePartNumber(text)
          return number.ok ? put({ partNumber: number.value }) : number.sentence
        }}
      />
    </>
  )
}

/** How it is held, and what it takes to put it in. */
function Holding({ piece, put }: Editing) {
  const fit = fitOf(piece)
  return (
    <>
      <SelectField
        label="Held"
        value={fit}
        options={FITS.map((each) => [each, FIT_WORDS[each]])}
        onChange={(chosen) => put({ fit: chosen })}
      />
      {fit === 'pressed' && (
        <SelectField
          label="Press on"
          value={piece.pressOn ?? ''}
          options={[
            ['', 'not known'],
            ...PRESS_SEATS.map((seat) => [seat, PRESS_WORDS[seat]] as const),
          ]}
          onChange={(seat) => put({ pressOn: seat === '' ? undefined : seat })}
        />
      )}
      {fit === 'threaded' && (
        <SelectField
          label="Thread"
          value={piece.hand ?? 'right'}
          options={HANDS.map((hand) => [hand, CHOICE_WORDS[hand]])}
          onChange={(hand) => put({ hand })}
        />
      )}
      <NameField
        label="Put in with"
        value={piece.putInWith}
        onKeep={(putInWith) => put({ putInWith })}
      />
      <CheckField
        label="In two halves, or split"
        isChecked={piece.isSplit === true}
        onChange={(isSplit) => put({ isSplit: isSplit || undefined })}
      />
      <CheckField
        label="New each time"
        isChecked={isNewEachTime(piece)}
        onChange={(isNew) => put({ isNewEachTime: isNew })}
      />
    </>
  )
}

/** Marks to put it together by: which are there, and what they say. */
function Marks({ piece, naming, put }: Editing) {
  const marks = piece.marks ?? []
  const change = (mark: PieceMark, changed: Partial<PieceMark>): null =>
    put({ marks: marks.map((each) => (each === mark ? { ...mark, ...changed } : each)) })
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
                put({
                  marks: isThere
                    ? [...marks, { kind }]
                    : marks.filter((each) => each.kind !== kind),
                })
              }
            />
            {mark && (
              <div className="grid grid-cols-2 gap-2 pl-8">
                <NameField
                  label={
                    <>
                      Says<span className="sr-only">{` (${MARK_WORDS[kind]})`}</span>
                    </>
                  }
                  value={mark.text}
                  onKeep={(text) => change(mark, { text })}
                />
                <SelectField
                  label={
                    <>
                      Goes with<span className="sr-only">{` (${MARK_WORDS[kind]})`}</span>
                    </>
                  }
                  value={mark.with ?? ''}
                  options={[['', 'nothing else'], ...others]}
                  onChange={(id) => change(mark, { with: id === '' ? undefined : id })}
                />
              </div>
            )}
          </div>
        )
      })}
    </fieldset>
  )
}
