import { CornerDownLeft } from 'lucide-react'
import { useRef, useState } from 'react'

import type { BoxPosition, EntryBody } from 'core'
import { parseReading } from 'core'

import { SelectField, TypedField } from '~/components/Fields.tsx'
import { ToggleRow } from '~/components/ToggleRow.tsx'
import { entryBodySchema } from '~/files/jobEntry.ts'
import { Warning } from '~/components/Warning.tsx'

interface TurnEntryProps {
  readonly positions: readonly BoxPosition[]
  readonly position: string
  /** Bodies whose turns may be the output's, with their names; none where there is but one. */
  readonly places: readonly (readonly [body: string, name: string])[]
  /** The one chosen; the first output driven where none is. */
  readonly at: string | undefined
  /** At which end the turns are read; the other one is turned as far as is wanted. */
  readonly readAt: 'input' | 'output'
  /** How far the other end is turned. */
  readonly givenTurns: string
  readonly isDisabled: boolean
  readonly onPosition: (position: string) => void
  readonly onAt: (body: string | undefined) => void
  readonly onReadAt: (end: 'input' | 'output') => void
  readonly onGivenTurns: (turns: string) => void
  readonly onKeep: (body: EntryBody) => void
}

/** How finely a mark can be read, in turns. */
const FINENESSES = ['1/16', '1/8', '1/4', '1/2'] as const

/** The check as it was typed, still to be read. */
function checkOf(
  { position, at, readAt, givenTurns }: TurnEntryProps,
  turns: string,
  fineness: string,
): object {
  return {
    kind: 'turn-check',
    position,
    ...(at !== undefined && { at }),
    ...(readAt === 'input'
      ? { inputTurns: turns, outputTurns: givenTurns }
      : { inputTurns: givenTurns, outputTurns: turns, readAt }),
    errorTurns: fineness,
  }
}

interface GivenEndProps extends Pick<TurnEntryProps, 'givenTurns' | 'onGivenTurns'> {
  /** What the end that is turned is called. */
  readonly name: string
  readonly fineness: string
  readonly onFineness: (fineness: string) => void
}

/** How far the end is turned that is not read, and how finely the other one is read. */
function GivenEnd({ name, givenTurns, onGivenTurns, fineness, onFineness }: GivenEndProps) {
  return (
    <div className="flex flex-wrap items-end gap-3">
      <TypedField
        label={`Turns of the ${name}`}
        isGrowing
        className="text-[1.3rem] font-bold"
        inputMode="decimal"
        value={givenTurns}
        onType={onGivenTurns}
      />
      <div className="flex-1">
        <SelectField
          label="Read to within ±"
          value={fineness}
          options={FINENESSES.map((each) => [each, `${each} turn`] as const)}
          onChange={onFineness}
        />
      </div>
    </div>
  )
}

/** Asks for one turn check; kept on Enter. */
export function TurnEntry(props: TurnEntryProps) {
  const { positions, position, places, at, readAt, givenTurns, isDisabled } = props
  const { onPosition, onAt, onReadAt, onGivenTurns, onKeep } = props
  const given = readAt === 'input' ? 'output' : 'input'
  const names = { input: 'input', output: places.find(([body]) => body === at)?.[1] ?? 'output' }
  const [turns, setTurns] = useState('')
  const [fineness, setFineness] = useState<string>('1/8')
  const [problem, setProblem] = useState<string>()
  const field = useRef<HTMLInputElement>(null)
  const keep = (): void => {
    const parsed = entryBodySchema.safeParse(checkOf(props, turns, fineness))
    if (!parsed.success) {
      setProblem(parsed.error.issues[0]?.message)
      field.current?.focus()
      return
    }
    setProblem(undefined)
    onKeep(parsed.data)
    setTurns('')
  }
  return (
    <form
      aria-label="Enter a turn check"
      className="grid gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        keep()
      }}
    >
      <PositionChoice positions={positions} position={position} onPosition={onPosition} />
      {places.length > 0 && (
        <SelectField
          label="Output turned at"
          value={at ?? ''}
          options={[['', 'the first output driven'], ...places]}
          onChange={(body) => {
            onAt(body === '' ? undefined : body)
          }}
        />
      )}
      <ToggleRow
        label="What is read"
        options={[
          ['input', 'Read the input'],
          ['output', 'Read the output'],
        ]}
        selected={readAt}
        onSelect={onReadAt}
      />
      <GivenEnd
        name={names[given]}
        givenTurns={givenTurns}
        onGivenTurns={onGivenTurns}
        fineness={fineness}
        onFineness={setFineness}
      />
      <TurnsField
        ref={field}
        name={names[readAt]}
        turns={turns}
        problem={problem}
        onTurns={(text) => {
          setTurns(text)
          setProblem(undefined)
        }}
      />
      <button className="button button-main" disabled={isDisabled || !parseReading(givenTurns).ok}>
        <CornerDownLeft aria-hidden /> Keep this check
      </button>
    </form>
  )
}

interface TurnsFieldProps {
  readonly ref: React.Ref<HTMLInputElement>
  /** What the end that is read is called. */
  readonly name: string
  readonly turns: string
  readonly problem: string | undefined
  readonly onTurns: (turns: string) => void
}

function TurnsField({ ref, name, turns, problem, onTurns }: TurnsFieldProps) {
  return (
    <>
      <label className="text-[0.9rem] font-semibold">
        Turns of the {name}
        <input
          ref={ref}
          className="field block w-full text-center text-[2.2rem] leading-tight font-bold"
          value={turns}
          placeholder="3 7/8"
          autoComplete="off"
          aria-invalid={problem !== undefined}
          aria-describedby={problem ? 'turns-problem' : undefined}
          onChange={(event) => {
            onTurns(event.target.value)
          }}
        />
      </label>
      {problem && (
        <Warning id="turns-problem" role="alert">
          {problem}
        </Warning>
      )}
    </>
  )
}

type PositionChoiceProps = Pick<TurnEntryProps, 'positions' | 'position' | 'onPosition'>

/** The position that is selected while the shafts are turned. */
function PositionChoice({ positions, position, onPosition }: PositionChoiceProps) {
  return (
    <fieldset>
      <legend className="font-semibold">Position selected</legend>
      <div className="flex flex-wrap gap-1">
        {positions.map(({ id, label }) => (
          <label
            key={id}
            className="border-rule has-checked:border-accent has-checked:bg-accent-wash has-focus-visible:outline-accent flex min-h-[44px] min-w-[44px] cursor-pointer items-center justify-center border-2 px-2 text-[1.1rem] font-bold has-focus-visible:outline-2"
          >
            <input
              type="radio"
              className="sr-only"
              name="turn-position"
              value={id}
              checked={id === position}
              onChange={() => {
                onPosition(id)
              }}
            />
            {label}
          </label>
        ))}
      </div>
    </fieldset>
  )
}
