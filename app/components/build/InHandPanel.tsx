/** The part in hand: how it goes, what can hurt, where it lies, and what is said of it. */
import { Check, Hand, TriangleAlert, Undo2 } from 'lucide-react'
import { Link } from 'react-router'

import type { AssemblyPart, BoxIndex, Direction, Section } from 'core'
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

export function InHandPanel(props: InHandPanelProps) {
  const { naming, section, inHand, direction, total, tray, isDisabled, canGoBack } = props
  const { part, step, number, isOff, before, turnTo } = inHand
  const index: BoxIndex = naming.box
  const handling = handlingOf(index, part)
  const isUp = direction === 'up'
  const isTurnedAround = isOff !== isUp
  const name = assemblyPartName(naming, part)
  const notes = partNotes(naming, part)
  return (
    <>
      <div className="flex items-baseline justify-between gap-2">
        <h2 className="text-[1.35rem] leading-tight">{capitalize(name)}</h2>
        <span className="text-graphite flex-none tabular-nums" data-testid="step">
          {number} of {total}
        </span>
      </div>
      <div className="h-[8.5rem] flex-none">
        <PartPicture index={index} section={section} part={part} width={412} height={136} />
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
      {before.length > 0 && (
        <div className="border-caution border-l-4 pl-2">
          <p>{isUp ? 'Take these off again first:' : 'These come off before it:'}</p>
          <ul className="flex flex-wrap gap-1">
            {before.map((id) => {
              const other = props.partOf(id)
              return other ? (
                <li key={id}>
                  <button
                    type="button"
                    className="button-quiet underline"
                    onClick={() => {
                      props.onChoose(other)
                    }}
                  >
                    {assemblyPartName(naming, other)}
                  </button>
                </li>
              ) : null
            })}
          </ul>
        </div>
      )}
      {!isTurnedAround && (
        <ul className="flex flex-col gap-1 text-[0.95rem]">
          {handling.cautions.map((caution) => (
            <li key={caution} className="flex gap-2">
              <TriangleAlert aria-hidden className="text-caution mt-[0.15em] size-5 flex-none" />
              <span>
                {CAUTION_WORDS[caution]}
                {caution === 'press' && ` ${pressWords(pieceOfRef(index, part.part.ref)?.pressOn)}`}
              </span>
            </li>
          ))}
          {handling.tools.length > 0 && (
            <li>With: {handling.tools.map((tool) => TOOL_WORDS[tool]).join(', ')}.</li>
          )}
          {handling.isNewEachTime && <li>Goes in once: a new one each time.</li>}
          {notes.map((note) => (
            <li key={note}>{note}</li>
          ))}
          {isUp && <li className="text-graphite">{shownByWords(handling)}</li>}
        </ul>
      )}
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
      <div className="bg-sheet sticky bottom-0 mt-auto flex flex-col gap-2 pt-2">
        <button
          type="button"
          className="button button-main h-14 text-lg"
          disabled={isDisabled}
          onClick={isTurnedAround ? props.onStillHere : props.onDone}
        >
          {isTurnedAround ? <Hand aria-hidden /> : <Check aria-hidden />}
          {doneWords(direction, isTurnedAround, before.length > 0, tray)}
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
