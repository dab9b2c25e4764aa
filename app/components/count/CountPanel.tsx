import { CornerDownLeft } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { Link } from 'react-router'

import type { BoxDraft, Gear, PositionAnalysis } from 'core'
import {
  countedTogether,
  countingProgress,
  countsFor,
  indexBox,
  isConfirmed,
  isDisputed,
} from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { Explained } from '~/components/words/Explained.tsx'
import type { Naming } from '~/words/names.ts'
import { bodyName, capitalize, countedName } from '~/words/names.ts'

import type { CountFirst } from '~/views/count/countFirst.ts'
import { parseCount } from '~/views/count/parseCount.ts'
import type { WhichCount } from '~/views/count/reading.ts'
import { readingOf } from '~/views/count/reading.ts'
import { Warning } from '~/components/Warning.tsx'

interface CountPanelProps {
  readonly gear: Gear
  /** The gear's place in the counting order, from 1. */
  readonly place: number
  readonly reading: WhichCount
  readonly first: CountFirst
  readonly onType: (text: string) => void
  readonly onKeep: (toothCount: number | null) => void
  readonly onSettle: (toothCount: number) => void
  readonly onNext: () => void
  readonly onPass: (reading: WhichCount) => void
}

/** What the gear is to its shaft, where that is a word to learn: "head gear, integral". */
function mountWords({ words, box }: Naming, gear: Gear): string {
  const isIdler = box.members.get(gear.member)?.kind === 'idler'
  const of = [...(isIdler ? [words.members.idler] : []), words.mounts[gear.mount]]
  return of.join(', ')
}

/** Asks for one count. What is typed is kept on Enter and on leaving the field. */
export function CountPanel(props: CountPanelProps) {
  const { gear, place, reading, first, onSettle } = props
  const { draft, words } = useOpenBox()
  const progress = countingProgress(draft)
  const naming = { box: indexBox(draft), words }
  return (
    <section aria-label="Count one gear">
      <p className="text-graphite flex justify-between">
        <span>
          Gear {place} of {progress.total}: <Explained texts={[mountWords(naming, gear)]} />
        </span>
        <span data-testid="progress">
          {progress.counted} counted, {progress.confirmed} confirmed
        </span>
      </p>
      {first.kind === 'position' && reading === 'first' && (
        <p className="font-semibold">{firstWords(draft, first.position)}</p>
      )}
      <CountForm {...props} />
      {isDisputed(gear) && (
        <Dispute
          gear={gear}
          areTwins={countedTogether(draft, gear).length > 1}
          onSettle={onSettle}
        />
      )}
      {isConfirmed(gear) && <p className="mt-2">✓ Counted twice with the same result.</p>}
      <Passes {...props} />
    </section>
  )
}

type CountFormProps = Pick<CountPanelProps, 'gear' | 'reading' | 'onType' | 'onKeep' | 'onNext'>

/** The field for the count, in which the person stands as soon as the gear is asked for. */
function CountForm({ gear, reading, onType, onKeep, onNext }: CountFormProps) {
  const { draft, words } = useOpenBox()
  const kept = readingOf(gear, reading)
  const [text, setText] = useState(kept === null ? '' : `${kept}`)
  const [problem, setProblem] = useState<string>()
  const [shown, setShown] = useState(kept)
  // What was taken back, or came from another tab, replaces what stands in the field.
  if (shown !== kept) {
    setShown(kept)
    setText(kept === null ? '' : `${kept}`)
  }
  const field = useRef<HTMLInputElement>(null)
  useEffect(() => {
    field.current?.focus()
    field.current?.select()
  }, [])
  const keep = (): boolean => {
    const entry = parseCount(text)
    if (!entry.ok) {
      setProblem(entry.sentence)
      return false
    }
    setProblem(undefined)
    if (entry.toothCount !== kept) onKeep(entry.toothCount)
    return true
  }
  useOnLeaving(keep)
  const naming = { box: indexBox(draft), words }
  const twin = countedTogether(draft, gear)[1]
  return (
    <>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          if (keep() && text.trim() !== '') onNext()
        }}
      >
        <label htmlFor="count" className="mt-1 block text-[1.45rem] leading-tight font-bold">
          {capitalize(countedName(naming, gear))}
          <span className="text-graphite block text-[1rem] font-normal">
            {questionOf(reading, twin && bodyName(naming, twin.member))}
          </span>
        </label>
        <div className="mt-2 flex gap-2">
          <input
            ref={field}
            id="count"
            className="field flex-1 text-center text-[3.2rem] leading-none font-bold"
            size={4}
            inputMode="numeric"
            autoComplete="off"
            placeholder="teeth"
            value={text}
            aria-invalid={problem !== undefined}
            aria-describedby={problem ? 'count-problem' : undefined}
            onChange={(event) => {
              setText(event.target.value)
              setProblem(undefined)
              onType(event.target.value)
            }}
            onBlur={keep}
          />
          <button type="submit" className="button button-main w-[7.5rem] flex-col leading-tight">
            <CornerDownLeft aria-hidden /> Keep, next
          </button>
        </div>
      </form>
      {problem && (
        <Warning id="count-problem" role="alert" className="mt-2">
          {problem}
        </Warning>
      )}
    </>
  )
}

/** Does something when the page is left, with what stands in it then. */
function useOnLeaving(work: () => void): void {
  const latest = useRef(work)
  useEffect(() => {
    latest.current = work
  })
  useEffect(() => {
    const leave = () => {
      latest.current()
    }
    window.addEventListener('pagehide', leave)
    return () => {
      window.removeEventListener('pagehide', leave)
    }
  }, [])
}

/** What is asked, and of which of two gears that are alike. */
function questionOf(reading: WhichCount, twinOn: string | undefined): string {
  if (reading === 'second')
    return twinOn
      ? `Count it again, on the ${twinOn}: how many teeth?`
      : 'Count it again: how many teeth?'
  return twinOn ? 'They are alike: one count serves both. How many teeth?' : 'How many teeth?'
}

/** Once all are counted: on to Trace, or once more over all of them. */
function Passes({ reading, onPass }: Pick<CountPanelProps, 'reading' | 'onPass'>) {
  const { draft } = useOpenBox()
  const { counted, total, disputed } = countingProgress(draft)
  const isAllCounted = counted === total
  return (
    <>
      {isAllCounted && reading === 'first' && disputed.length === 0 && (
        <Link to="../trace" relative="path" className="button button-main mt-3 w-full">
          All counted. Trace the torque
        </Link>
      )}
      {(isAllCounted || reading === 'second') && (
        <button
          type="button"
          className="button mt-3 w-full"
          onClick={() => {
            onPass(reading === 'first' ? 'second' : 'first')
          }}
        >
          {reading === 'first' ? 'Count again to confirm' : 'Back to first counts'}
        </button>
      )}
    </>
  )
}

/** How far the position is that was asked for. */
function firstWords(draft: BoxDraft, position: PositionAnalysis): string {
  const { label } = position.position
  const left = countsFor(draft, position).length
  if (left === 0) return `${label} is whole.`
  return `${label} first: ${left} ${left === 1 ? 'count' : 'counts'} to go, then it is traced.`
}

function Dispute({
  gear,
  areTwins,
  onSettle,
}: {
  readonly gear: Gear
  /** Whether it stands for gears said to be alike. */
  readonly areTwins: boolean
  readonly onSettle: (toothCount: number) => void
}) {
  const counts = [gear.toothCount, gear.recount].filter(
    (count) => count !== null && count !== undefined,
  )
  return (
    <div role="alert" className="border-trouble mt-3 border-l-4 pl-3">
      <Warning>
        Two counts disagree: {counts.join(' and ')} teeth. Mark a tooth, count once more, and say
        which is right. Until then {gear.toothCount} is used.
        {areTwins && ' If each is right for its own shaft, say on Lay out that they are no twins.'}
      </Warning>
      <div className="mt-2 flex gap-2">
        {counts.map((count) => (
          <button
            key={count}
            type="button"
            className="button flex-1"
            onClick={() => {
              onSettle(count)
            }}
          >
            {count} is right
          </button>
        ))}
      </div>
    </div>
  )
}
