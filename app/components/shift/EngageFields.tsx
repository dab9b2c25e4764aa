import { Link } from 'react-router'

import type { DogFigures, Finding, RingFigures } from 'core'
import { dogWork } from 'core'

import { EntryField, TorqueField } from '~/components/Fields.tsx'
import { lengthText, parseLength } from '~/views/layout/numbers.ts'
import { wearLeftMm } from '~/views/shift/contactView.ts'
import { MOST_LOAD_NM } from '~/views/shift/shiftInput.ts'
import { wearLeftWords } from '~/words/contact.ts'
import { dogSentences } from '~/words/dogs.ts'
import type { LengthUnit, TorqueUnit } from '~/words/format.ts'

interface RingGapFieldsProps {
  readonly ring: RingFigures | undefined
  /** As the job measured it, and as somebody tries it; null where nobody did. */
  readonly measuredMm: number | null
  /** By what the job has it that this ring is to be replaced. */
  readonly condemnedBy: Finding | undefined
  readonly triedMm: number | null
  readonly unit: LengthUnit
  /** Where this ring is measured. */
  readonly measureHref: string
  /** Whether it is tried without any ring. */
  readonly isOut: boolean
  /** Null takes what is tried away. */
  readonly onTry: (gapMm: number | null | 'out') => void
}

/** The gap of a ring, measured or tried, and what it leaves to wear. */
export function RingGapFields(props: RingGapFieldsProps) {
  const { ring, measuredMm, condemnedBy, triedMm, unit, measureHref, isOut, onTry } = props
  const gapMm = triedMm ?? measuredMm
  return (
    <>
      <EntryField
        key={`gap ${gapMm} ${unit}`}
        label="Gap between ring and gear"
        unit={unit}
        inputMode="decimal"
        value={gapMm === null ? '' : lengthText(gapMm, unit)}
        onCommit={(text) => {
          if (text.trim() === '') {
            onTry(null)
            return null
          }
          const gap = parseLength(text, unit, 0)
          if (!gap.ok) return gap.sentence
          onTry(gap.value)
          return null
        }}
      />
      <div role="group" aria-label="Ring" className="flex flex-wrap gap-1">
        {(
          [
            [measuredMm === null ? 'a new one' : 'as measured', null],
            ['worn to its gear', 0],
            ['left out', 'out'],
          ] as const
        ).map(([title, gap]) => (
          <button
            key={title}
            type="button"
            className="button-quiet aria-pressed:bg-accent-wash"
            aria-pressed={gap === 'out' ? isOut : !isOut && triedMm === gap}
            onClick={() => {
              onTry(gap)
            }}
          >
            {title}
          </button>
        ))}
      </div>
      <p>
        {isOut
          ? 'Without its ring nothing brakes and nothing waits.'
          : gapMm === null
            ? 'Nobody has measured this ring in the job: it is taken to brake. Type a gap to try one.'
            : wearLeftWords(
                gapMm,
                wearLeftMm(ring, gapMm),
                triedMm === null,
                unit,
                triedMm === null ? condemnedBy : undefined,
              )}
      </p>
      {triedMm !== null && measuredMm !== null && triedMm !== measuredMm && (
        <p className="text-graphite">
          In the job it measured {lengthText(measuredMm, unit)} {unit}.
        </p>
      )}
      <p>
        <Link className="link-line" to={measureHref}>
          Measure this ring
        </Link>
      </p>
    </>
  )
}

interface DogLoadFieldsProps {
  readonly dogs: DogFigures
  /** What the dogs are of: the name of the place. */
  readonly name: string
  readonly torqueNm: number
  readonly unit: TorqueUnit
  readonly onTorque: (torqueNm: number) => void
}

/** What load does to dogs that are in: draws them in, or pushes them out. */
export function DogLoadFields({ dogs, name, torqueNm, unit, onTorque }: DogLoadFieldsProps) {
  const result = dogWork(dogs, { slipRadPerS: 0, speedMPerS: 1, inertiaKgM2: 0, torqueNm })
  return (
    <>
      {result.ok ? (
        dogSentences({ work: result.work, slipRpm: 0, torqueNm, bandRpm: null, unit }).map(
          (sentence) => <p key={sentence}>{sentence}</p>,
        )
      ) : (
        <p>
          Drawn with six dogs, half of the circle free. Enter theirs on Change of gear, at a change
          into {name}.
        </p>
      )}
      <TorqueField
        label="Load, or overrun, at the dogs"
        unit={unit}
        valueNm={torqueNm}
        leastNm={0}
        mostNm={MOST_LOAD_NM}
        onKeep={onTorque}
      />
    </>
  )
}
