/** What turns a drum, and grooves that go to a drum of their own. */
import { Plus, X } from 'lucide-react'

import type { BoxDraft, Drum, DrumPair } from 'core'
import { DRUM, DRUM_PAIR, LARGEST, divideDrum, drumSteps, joinDrum, namesOf, toNumber } from 'core'

import { FieldEntries } from '~/components/FieldEntry.tsx'
import { Table } from '~/components/Table.tsx'
import { formatAngle } from '~/words/drum.ts'
import { formatNumber } from '~/words/format.ts'
import type { Naming } from '~/words/names.ts'
import { stopName } from '~/words/shift.ts'

interface DrumDriveProps {
  readonly naming: Naming
  readonly drum: Drum
  readonly onChange: (drum: Drum) => void
}

/** One of the usual pairs before a drum, to begin with. */
const NEW_PAIR: DrumPair = { drivingToothCount: 20, drivenToothCount: 40 }

/** The pairs between a motor and its drum, the stroke of a ratchet, and what a stop takes of them. */
export function DrumDrive({ naming, drum, onChange }: DrumDriveProps) {
  const { train = [] } = drum
  const setTrain = (next: readonly DrumPair[]): void => {
    onChange({ ...drum, train: next.length === 0 ? undefined : next })
  }
  return (
    <details
      className="flex flex-col gap-2"
      open={train.length > 0 || drum.strokeDeg !== undefined}
    >
      <summary className="min-h-[44px] cursor-pointer content-center font-semibold">
        What turns it
      </summary>
      <div className="grid grid-cols-2 items-end gap-2">
        <FieldEntries
          naming={naming}
          fields={DRUM}
          of={drum}
          names={['strokeDeg']}
          onChange={(change) => {
            onChange({ ...drum, ...change })
            return null
          }}
        />
      </div>
      {train.map((pair, at) => (
        <div
          key={at}
          role="group"
          aria-label={`Pair ${at + 1} before the drum`}
          className="grid grid-cols-[1fr_1fr_auto] items-end gap-2"
        >
          <FieldEntries
            naming={naming}
            fields={DRUM_PAIR}
            of={pair}
            names={namesOf(DRUM_PAIR)}
            onChange={(change) => {
              setTrain(train.map((each, which) => (which === at ? { ...each, ...change } : each)))
              return null
            }}
          />
          <button
            type="button"
            className="button-quiet min-h-[44px] min-w-[44px]"
            aria-label={`Take out pair ${at + 1}`}
            onClick={() => {
              setTrain(train.filter((_, which) => which !== at))
            }}
          >
            <X aria-hidden />
          </button>
        </div>
      ))}
      {train.length < LARGEST.drumTrain && (
        <button
          type="button"
          className="button-quiet self-start"
          onClick={() => {
            setTrain([...train, NEW_PAIR])
          }}
        >
          <Plus aria-hidden /> A pair of wheels between motor and drum
        </button>
      )}
      <StepTable naming={naming} drum={drum} />
    </details>
  )
}

/** From each stop to the next: how far, how many turns of the motor, how many strokes. */
function StepTable({ naming, drum }: Pick<DrumDriveProps, 'naming' | 'drum'>) {
  const steps = drumSteps(drum)
  if (drum.train === undefined && drum.strokeDeg === undefined) return null
  return (
    <Table
      caption="From stop to stop"
      isCaptionShown
      rows={steps}
      keyOf={({ to }) => `${to.angleDeg}`}
      columns={[
        {
          heading: 'Way',
          isName: true,
          cell: ({ from, to }) =>
            `${stopName(naming, from.position)} to ${stopName(naming, to.position)}`,
        },
        { heading: 'Drum', isRight: true, cell: ({ turnDeg }) => formatAngle(toNumber(turnDeg)) },
        ...(drum.train === undefined
          ? []
          : [
              {
                heading: 'Motor, turns',
                isRight: true as const,
                cell: ({ motorTurns }: (typeof steps)[number]) =>
                  motorTurns === null ? '' : formatNumber(toNumber(motorTurns), 2),
              },
            ]),
        ...(drum.strokeDeg === undefined
          ? []
          : [
              {
                heading: 'Strokes',
                isRight: true as const,
                cell: ({ strokes }: (typeof steps)[number]) =>
                  strokes === null ? '' : formatNumber(toNumber(strokes), 2),
              },
            ]),
      ]}
    />
  )
}

interface DivideDrumProps {
  readonly draft: BoxDraft
  readonly drum: Drum
  /** Which of its grooves. */
  readonly groove: number
  readonly onDrums: (drums: readonly Drum[]) => void
}

/** Gives a groove a drum of its own, and takes a drum back to the first. */
export function DivideDrum({ draft, drum, groove, onDrums }: DivideDrumProps) {
  const drums = draft.drums ?? []
  const track = drum.tracks[groove]
  return (
    <div className="flex flex-wrap gap-1">
      {track && drum.tracks.length > 1 && drums.length < LARGEST.drums && (
        <button
          type="button"
          className="button-quiet"
          onClick={() => {
            onDrums(divideDrum(draft, drum, track.coupler))
          }}
        >
          Put this groove on a drum of its own
        </button>
      )}
      {drum !== drums[0] && (
        <button
          type="button"
          className="button-quiet"
          onClick={() => {
            onDrums(joinDrum(drums, drum))
          }}
        >
          Put its grooves on the first drum
        </button>
      )}
    </div>
  )
}
