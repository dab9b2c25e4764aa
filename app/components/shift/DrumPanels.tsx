import type { Drum, DrumPoint, DrumProof } from 'core'
import { DRUM, DRUM_STOP, DRUM_TRACK, STAR, namesOf, starOf } from 'core'

import { FieldEntries } from '~/components/FieldEntry.tsx'
import { SelectField } from '~/components/Fields.tsx'
import { Warning } from '~/components/Warning.tsx'
import { nearestStop, withPoints } from '~/views/shift/drumView.ts'
import { STAR_FAULT_WORDS, falseNeutralWords, usualStarWords } from '~/words/drum.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize, couplerName } from '~/words/names.ts'
import { stopName } from '~/words/shift.ts'

import { DrumPoints } from './DrumPoints.tsx'

interface StarKeysProps {
  readonly naming: Naming
  readonly stops: DrumProof['stops']
  readonly angleDeg: number
  readonly onAngle: (angleDeg: number) => void
}

/** A key for each stop of the star. */
export function StarKeys({ naming, stops, angleDeg, onAngle }: StarKeysProps) {
  return (
    <div role="group" aria-label="Stops of the star" className="flex flex-wrap gap-1">
      {stops.map(({ stop }) => (
        <button
          key={stop.angleDeg}
          type="button"
          className="button min-w-[44px]"
          aria-pressed={Math.abs(stop.angleDeg - angleDeg) < 0.3}
          onClick={() => {
            onAngle(stop.angleDeg)
          }}
        >
          {stopName(naming, stop.position)}
        </button>
      ))}
    </div>
  )
}

/** Where the box falls out of gear between two of them. */
export function FalseNeutrals({ found }: { readonly found: DrumProof['falseNeutrals'] }) {
  return (
    <div>
      <h2 className="text-[1.15rem] font-semibold">False neutrals</h2>
      {found.length === 0 ? (
        <p>None.</p>
      ) : (
        <ul className="list-disc pl-5">
          {found.map((each) => (
            <li key={each.stretch.fromDeg.toString()}>{falseNeutralWords(each)}</li>
          ))}
        </ul>
      )}
    </div>
  )
}

interface StarFieldsProps {
  readonly naming: Naming
  readonly drum: Drum
  readonly angleDeg: number
  readonly onChange: (drum: Drum) => void
}

/** The star, its arm and its spring in figures, and how far the tip after the stop looked at is worn. */
export function StarFields({ naming, drum, angleDeg, onChange }: StarFieldsProps) {
  const { star } = drum
  const stop = nearestStop(drum, angleDeg)
  const usual = usualStarWords(drum)
  const { fault } = starOf(drum)
  const keep = (next: Drum): string | null => {
    const made = starOf(next).fault
    // What was at fault before may be mended step by step.
    if (made && !fault) return STAR_FAULT_WORDS[made]
    onChange(next)
    return null
  }
  return (
    <details className="flex flex-col gap-2" open={star !== undefined}>
      <summary className="min-h-[44px] cursor-pointer content-center font-semibold">
        Star, arm and spring
      </summary>
      {usual !== null && <p className="text-graphite">{usual}</p>}
      {fault && <Warning>{STAR_FAULT_WORDS[fault]}</Warning>}
      <div className="grid grid-cols-2 gap-2">
        <FieldEntries
          naming={naming}
          fields={STAR}
          of={star ?? {}}
          names={namesOf(STAR)}
          onChange={(change) => keep({ ...drum, star: { ...star, ...change } })}
        />
        <FieldEntries
          naming={naming}
          fields={DRUM}
          of={drum}
          names={['actuator', 'channel']}
          onChange={(change) => keep({ ...drum, ...change })}
        />
        {stop && (
          <FieldEntries
            key={stop.angleDeg}
            naming={naming}
            fields={DRUM_STOP}
            of={stop}
            names={['tipWearMm']}
            shown={{
              tipWearMm: { label: `Tip after ${stopName(naming, stop.position)} worn down by` },
            }}
            onChange={(change) =>
              keep({
                ...drum,
                stops: drum.stops.map((each) => (each === stop ? { ...each, ...change } : each)),
              })
            }
          />
        )}
      </div>
    </details>
  )
}

interface GrooveFieldsProps {
  readonly naming: Naming
  readonly drum: Drum
  /** Which of its grooves, and the choice of another by its coupler. */
  readonly groove: number
  readonly onGroove: (coupler: string) => void
  readonly onChange: (drum: Drum) => void
}

/** One groove in figures: from where its dogs touch and carry, and its points. */
export function GrooveFields({ naming, drum, groove, onGroove, onChange }: GrooveFieldsProps) {
  const track = drum.tracks[groove]
  if (!track) return null
  return (
    <div className="flex flex-col gap-2">
      <SelectField
        label="Groove"
        value={track.coupler}
        options={drum.tracks.map(({ coupler }): readonly [string, string] => {
          const found = naming.box.couplers.get(coupler)
          return [coupler, found ? capitalize(couplerName(naming, found)) : coupler]
        })}
        onChange={onGroove}
      />
      <div className="grid grid-cols-2 gap-2">
        <FieldEntries
          key={track.coupler}
          naming={naming}
          fields={DRUM_TRACK}
          of={track}
          names={['touchesFromMm', 'carriesFromMm']}
          onChange={(change) => {
            const next = { ...track, ...change }
            if (next.carriesFromMm < next.touchesFromMm)
              return 'Dogs touch before they are deep enough to carry.'
            onChange({
              ...drum,
              tracks: drum.tracks.map((each) => (each === track ? next : each)),
            })
            return null
          }}
        />
      </div>
      <DrumPoints
        naming={naming}
        key={track.coupler}
        track={track}
        onPoints={(points: readonly DrumPoint[]) => {
          onChange(withPoints(drum, groove, points))
        }}
      />
    </div>
  )
}
