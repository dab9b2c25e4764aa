import { useMemo } from 'react'
import { Link } from 'react-router'

import type { EndPlay, Entered, MeasuredStack } from 'core'
import { boundsOf, diffDrafts, limitFor, measuredOn, pieceOfRef, shimRange, timingsOf } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { TimingCards } from '~/components/build/TimingCards.tsx'
import { useBuild } from '~/components/build/useBuild.ts'
import { CheckField, EntryField, SelectField } from '~/components/Fields.tsx'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { ShimPlanner } from '~/components/measure/ShimPlanner.tsx'
import { useViewState } from '~/components/useViewState.ts'
import {
  EMPTY_STACK,
  mmOf,
  questionOf,
  stackAnswer,
  stackRows,
  withLength,
} from '~/views/build/stack.ts'
import { lengthText, parseLength } from '~/views/layout/numbers.ts'
import { formatLength } from '~/words/format.ts'
import { boundsWords } from '~/words/measures.ts'
import { bodyName, capitalize } from '~/words/names.ts'

/** More than that is no play that shims are for. */
const MOST_PLAY_MM = 10

/** A stack against its shaft: the end play that follows, the shim for it; and timed countershafts. */
export default function BuildStack() {
  const { draft, words, edit } = useOpenBox()
  const { job, current, shelf, rules, record } = useOpenJob()
  const { naming, groups, nameOf } = useBuild()
  const [search, change] = useViewState()
  const unit = words.lengthUnit
  // The fullest shaft first: it is what most ask about.
  const benches = groups
    .filter(({ bench }) => bench !== null)
    .sort((one, other) => other.parts.length - one.parts.length)
  const group = benches.find(({ bench }) => bench === search.get('shaft')) ?? benches[0]
  const timings = useMemo(() => timingsOf(draft), [draft])
  const shaft = `shaft:${group?.bench ?? ''}`
  const stack = job.stacks.get(shaft) ?? EMPTY_STACK
  const { turned, instead } = stack
  const isDisabled = current === undefined || job.isClosed
  const keep = (next: Partial<MeasuredStack>): void => {
    record({ kind: 'stack', shaft, stack: { ...stack, ...next } })
  }
  const rows = group ? stackRows(naming.box, group, turned) : []
  const question = questionOf(stack)
  const answer = question && stackAnswer(rows, question)
  const missing = rows.filter(({ isIn, lengthMm }) => isIn && lengthMm === undefined)
  const limit = limitFor(
    { limits: job.limits, sheet: draft.sheet ?? [], rules },
    shaft,
    'end-play',
    unit,
  )
  const bounds = boundsOf(limit)
  const measured = measuredOn(job, shaft, 'end-play').at(-1)
  const play = answer && (answer.after ?? answer.before)
  /** A length of the stack; where nothing is typed it is as nobody had said it. */
  const field = (
    label: string,
    value: Entered | null,
    onKeep: (length: Entered | null) => void,
  ) => {
    const shown = value === null ? '' : lengthText(mmOf(value), unit)
    return (
      <EntryField
        key={`${shaft} ${label} ${shown}`}
        label={label}
        unit={unit}
        inputMode="decimal"
        value={shown}
        isDisabled={isDisabled}
        onCommit={(text) => {
          if (text.trim() === '') {
            onKeep(null)
            return null
          }
          const length = parseLength(text, unit, 0)
          if (!length.ok) return length.sentence
          onKeep({ text: lengthText(length.value, unit), unit })
          return null
        }}
      />
    )
  }
  return (
    <main
      className="grid flex-1 content-start gap-x-8 gap-y-4 px-4 py-3 lg:min-h-0 lg:grid-cols-2 lg:overflow-auto"
      tabIndex={0}
    >
      <title>{`${draft.name} · Stack-up · Udrix`}</title>
      <section aria-label="Stack" className="flex flex-col gap-2">
        <h2 className="text-[1.35rem]">What a stack leaves of end play</h2>
        {group ? (
          <>
            <div className="grid grid-cols-2 gap-2 sm:grid-cols-4">
              <SelectField
                label="Shaft"
                value={group.bench ?? ''}
                options={benches.map(
                  ({ bench }) => [bench ?? '', capitalize(bodyName(naming, bench ?? ''))] as const,
                )}
                onChange={(bench) => {
                  change({ shaft: bench })
                }}
              />
              {field('Room between the stops', stack.room, (room) => {
                keep({ room })
              })}
              {field('Room, ±', stack.roomDeviation, (length) => {
                keep({ roomDeviation: length ?? EMPTY_STACK.roomDeviation })
              })}
              {field('Each part, ±', stack.partDeviation, (length) => {
                keep({ partDeviation: length ?? EMPTY_STACK.partDeviation })
              })}
            </div>
            <ul aria-label="Parts of the stack">
              {rows.map(({ part, lengthMm, isIn }) => (
                <li
                  key={part.id}
                  className="border-rule grid grid-cols-[minmax(0,1fr)_8rem] items-end gap-2 border-t py-0.5"
                >
                  <CheckField
                    label={capitalize(nameOf(part))}
                    isChecked={isIn}
                    isDisabled={isDisabled}
                    onChange={() => {
                      keep({
                        turned: turned.includes(part.id)
                          ? turned.filter((each) => each !== part.id)
                          : [...turned, part.id],
                      })
                    }}
                  />
                  {isIn && (
                    <EntryField
                      key={`${lengthMm} ${unit}`}
                      label={<span className="sr-only">{`Length of ${nameOf(part)}`}</span>}
                      unit={unit}
                      inputMode="decimal"
                      value={lengthMm === undefined ? '' : lengthText(lengthMm, unit)}
                      onCommit={(text) => {
                        const length =
                          text.trim() === '' ? undefined : parseLength(text, unit, 0.001)
                        if (length && !length.ok) return length.sentence
                        const next = withLength(
                          naming.box,
                          part,
                          length?.value,
                          pieceOfRef(naming.box, part.part.ref),
                        )
                        const changes = diffDrafts(draft, next)
                        if (changes.length > 0) edit({ kind: 'change', changes })
                        return null
                      }}
                    />
                  )}
                </li>
              ))}
            </ul>
          </>
        ) : (
          <p>Nothing stands on a shaft that could be added up. List the parts on Lay out first.</p>
        )}
      </section>
      <div className="flex flex-col gap-4 lg:sticky lg:top-0 lg:self-start">
        <section
          aria-label="What follows"
          className="bg-sheet border-rule flex flex-col gap-2 border p-3"
        >
          {!question ? (
            <p>
              {current
                ? 'Measure the room from the shoulder to the ring or bearing that ends the stack, and enter it. It is kept in the job; the lengths stay with the parts.'
                : 'What is measured of a stack is kept in the job of a visit: open one above first.'}
            </p>
          ) : missing.length > 0 ? (
            <p>
              To be measured: {missing.map(({ part }) => nameOf(part)).join(', ')}. Or take out of
              the stack what does not bear.
            </p>
          ) : (
            answer && (
              <>
                <PlayWords title="End play" play={answer.before} unit={unit} />
                {answer.after && (
                  <PlayWords title="With the part replaced" play={answer.after} unit={unit} />
                )}
                {limit && bounds ? (
                  <>
                    <p>Asked for: {boundsWords(bounds, limit.unit)}</p>
                    {!measured && (
                      <ShimWords
                        play={play ?? answer.before}
                        leastMm={bounds.least}
                        mostMm={bounds.most}
                        unit={unit}
                      />
                    )}
                  </>
                ) : (
                  <p className="text-graphite">
                    The maker’s range of the end play of this shaft is not known: enter it on the
                    data sheet, and the shim follows.
                  </p>
                )}
                {measured && (
                  <p>
                    Measured in this job: {formatLength(measured.judgement.figures.figure, unit)}.
                    It counts before what the lengths make of it.
                  </p>
                )}
              </>
            )
          )}
          <div className="grid grid-cols-2 gap-2">
            <SelectField
              label="Replaced"
              value={instead?.part ?? ''}
              isDisabled={isDisabled}
              options={[
                ['', 'nothing'],
                ...rows
                  .filter(({ isIn }) => isIn)
                  .map(({ part }) => [part.id, capitalize(nameOf(part))] as const),
              ]}
              onChange={(part) => {
                keep({ instead: part === '' ? undefined : { part, length: null } })
              }}
            />
            {instead &&
              field('The new one is long', instead.length, (length) => {
                keep({ instead: { ...instead, length } })
              })}
          </div>
          <p className="text-graphite text-[0.9rem]">
            Worst case adds every deviation; the root of their squares is what many parts made
            independently come to.{' '}
            <Link
              to={`../measure?part=${encodeURIComponent(shaft)}`}
              relative="path"
              className="text-accent underline"
            >
              Measure the end play
            </Link>{' '}
            when it is together.
          </p>
          {play && play.mm >= 0 && play.mm <= MOST_PLAY_MM && (
            <ShimPlanner
              key={shaft}
              shelf={shelf}
              limit={limit}
              unit={unit}
              measuredMm={measured?.judgement.figures.figure ?? play.mm}
              done={job.shims.get(shaft)}
              isDisabled={isDisabled}
              onFit={(thicknesses, expected) => {
                record({ kind: 'shims', part: shaft, thicknesses, expected })
              }}
            />
          )}
        </section>
        <TimingCards naming={naming} timings={timings} />
      </div>
    </main>
  )
}

function PlayWords({
  title,
  play,
  unit,
}: {
  readonly title: string
  readonly play: EndPlay
  readonly unit: 'mm' | 'in'
}) {
  return (
    <p className="text-[1.1rem]">
      {title}: <b>{formatLength(play.mm, unit)}</b>
      {play.mm < 0 && ' (preload: the stack is longer than its room)'}, ±{' '}
      {formatLength(play.rootMm, unit)} to be expected, ± {formatLength(play.worstMm, unit)} in the
      worst case.
    </p>
  )
}

function ShimWords({
  play,
  leastMm,
  mostMm,
  unit,
}: {
  readonly play: EndPlay
  readonly leastMm: number | undefined
  readonly mostMm: number | undefined
  readonly unit: 'mm' | 'in'
}) {
  if (leastMm === undefined || mostMm === undefined) return null
  const range = shimRange(play, leastMm, mostMm)
  if (!range)
    return (
      <p>
        It is less than the least that is asked for: a thinner part is needed, by{' '}
        {formatLength(leastMm - play.mm, unit)} at least.
      </p>
    )
  return range.leastMm === 0 ? (
    <p>It is within the range without a shim.</p>
  ) : (
    <p>
      Shim: from <b>{formatLength(range.leastMm, unit)}</b> to{' '}
      <b>{formatLength(range.mostMm, unit)}</b> brings it in.
    </p>
  )
}
