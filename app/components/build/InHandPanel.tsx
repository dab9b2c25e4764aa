/** The part in hand: how it goes, what can hurt, where it lies, and what is said of it. */
import { Check, Hand, TriangleAlert, Undo2 } from 'lucide-react'
import { Link } from 'react-router'

import type { AssemblyPart, Direction, Section } from 'core'
import { handlingOf, pieceOfRef } from 'core'

import type { InHand } from '~/views/build/buildView.ts'
import {
  CAUTION_WORDS,
  TOOL_WORDS,
  assemblyPartName,
  faceWords,
  partNotes,
  pressWords,
  shownByWords,
  stepWords,
} from '~/words/build.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize } from '~/words/names.ts'

import { PartPicture } from './PartPicture.tsx'

interface InHandPanelProps {
  readonly naming: Naming
  readonly section: Section
  readonly inHand: InHand
  readonly direction: Direction
  readonly total: number
  /** Where it lies, or will; null of one that is off and that nobody laid anywhere. */
  readonly tray: string | null
  readonly labelsHref: string
  readonly isDisabled: boolean
  /** Whether there is a step to take back. */
  readonly canGoBack: boolean
  readonly partOf: (id: string) => AssemblyPart | undefined
  readonly onDone: () => void
  readonly onBack: () => void
  readonly onStillHere: () => void
  readonly onChoose: (part: AssemblyPart) => void
  /** What is said of the part besides. */
  readonly children: React.ReactNode
}

/** What has to come off before the part in hand can. */
function Before({ naming, inHand: { before }, direction, partOf, onChoose }: InHandPanelProps) {
  if (before.length === 0) return null
  return (
    <div className="border-caution border-l-4 pl-2">
      <p>{direction === 'up' ? 'Take these off again first:' : 'These come off before it:'}</p>
      <ul className="flex flex-wrap gap-1">
        {before.map((id) => {
          const other = partOf(id)
          return other ? (
            <li key={id}>
              <button
                type="button"
                className="button-quiet underline"
                onClick={() => {
                  onChoose(other)
                }}
              >
                {assemblyPartName(naming, other)}
              </button>
            </li>
          ) : null
        })}
      </ul>
    </div>
  )
}

interface HandledProps {
  readonly naming: Naming
  readonly part: AssemblyPart
  readonly isUp: boolean
}

/** What can hurt, with which tools it is done, and what is noted of the part. */
function Handled({ naming, part, isUp }: HandledProps) {
  const handling = handlingOf(naming.box, part)
  return (
    <ul className="flex flex-col gap-1 text-[0.95rem]">
      {handling.cautions.map((caution) => (
        <li key={caution} className="flex gap-2">
          <TriangleAlert aria-hidden className="text-caution mt-[0.15em] size-5 flex-none" />
          <span>
            {CAUTION_WORDS[caution]}
            {caution === 'press' &&
              ` ${pressWords(pieceOfRef(naming.box, part.part.ref)?.pressOn)}`}
          </span>
        </li>
      ))}
      {handling.tools.length > 0 && (
        <li>With: {handling.tools.map((tool) => TOOL_WORDS[tool]).join(', ')}.</li>
      )}
      {handling.isNewEachTime && <li>Goes in once: a new one each time.</li>}
      {partNotes(naming, part).map((note) => (
        <li key={note}>{note}</li>
      ))}
      {isUp && <li className="text-graphite">{shownByWords(handling)}</li>}
    </ul>
  )
}

type KeysProps = InHandPanelProps & {
  /** What is in is to come off, and the other way round. */
  readonly isTurnedAround: boolean
}

/** The large key, and the one that goes back. */
function Keys(props: KeysProps) {
  const { inHand, direction, tray, isDisabled, canGoBack, isTurnedAround } = props
  return (
    <div className="bg-sheet sticky bottom-0 mt-auto flex flex-col gap-2 pt-2">
      <button
        type="button"
        className="button button-main h-14 text-lg"
        disabled={isDisabled}
        onClick={isTurnedAround ? props.onStillHere : props.onDone}
      >
        {isTurnedAround ? <Hand aria-hidden /> : <Check aria-hidden />}
        {doneWords(direction, isTurnedAround, inHand.before.length > 0, tray)}
      </button>
      <button
        type="button"
        className="button h-12"
        disabled={isDisabled || !canGoBack}
        onClick={props.onBack}
      >
        <Undo2 aria-hidden />
        Back: take the last step back
      </button>
    </div>
  )
}

export function InHandPanel(props: InHandPanelProps) {
  const { naming, section, inHand, direction, total, tray } = props
  const { part, step, number, isOff, turnTo } = inHand
  const isUp = direction === 'up'
  const isTurnedAround = isOff !== isUp
  const name = assemblyPartName(naming, part)
  return (
    <>
      <div className="flex items-baseline justify-between gap-2">
        <h2 className="text-[1.35rem] leading-tight">{capitalize(name)}</h2>
        <span className="text-graphite flex-none tabular-nums" data-testid="step">
          {number} of {total}
        </span>
      </div>
      <div className="h-[8.5rem] flex-none">
        <PartPicture index={naming.box} section={section} part={part} width={412} height={136} />
      </div>
      {turnTo && (
        <p className="bg-accent-wash border-accent border-l-4 px-2 py-1 font-semibold">
          Turn the case first: {faceWords(naming.words, turnTo)}.
        </p>
      )}
      <p className="text-[1.15rem] font-semibold" role="status">
        {isTurnedAround
          ? isOff
            ? 'It is off already.'
            : 'It is in, as far as anybody said.'
          : step
            ? `${stepWords(naming, step, direction)}.`
            : 'Nothing tells how it comes off.'}
      </p>
      <Before {...props} />
      {!isTurnedAround && <Handled naming={naming} part={part} isUp={isUp} />}
      {tray !== null && (
        <p className="tabular-nums">
          {isOff ? 'Lies in tray ' : 'Tray '}
          <b>{tray}</b>.{' '}
          <Link to={props.labelsHref} className="text-accent underline">
            Labels
          </Link>
        </p>
      )}
      {props.children}
      <Keys {...props} isTurnedAround={isTurnedAround} />
    </>
  )
}

/** What the large key says. */
function doneWords(
  direction: Direction,
  isTurnedAround: boolean,
  isBlocked: boolean,
  tray: string | null,
): string {
  const isUp = direction === 'up'
  if (isTurnedAround) return isUp ? 'I still have it here' : 'It is in again'
  if (isBlocked) return isUp ? 'It is in all the same' : 'It is off all the same'
  return isUp ? 'Done: it is in' : `Done: it is off, in ${tray ?? 'its tray'}`
}
