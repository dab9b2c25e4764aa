import { useMemo } from 'react'
import { Link } from 'react-router'

import type { EndPlay } from 'core'
import { boundsOf, diffDrafts, limitFor, measuredOn, pieceOfRef, shimRange, timingsOf } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { TimingCards } from '~/components/build/TimingCards.tsx'
import { useBuild } from '~/components/build/useBuild.ts'
import { CheckField, EntryField, SelectField } from '~/components/Fields.tsx'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { useViewState } from '~/components/useViewState.ts'
import type { StackQuestion } from '~/views/build/stack.ts'
import { stackAnswer, stackRows, withLength } from '~/views/build/stack.ts'
import { lengthText, parseLength } from '~/views/layout/numbers.ts'
import { formatLength } from '~/words/format.ts'
import { boundsWords } from '~/words/measures.ts'
import { bodyName, capitalize } from '~/words/names.ts'

/** Where nobody says another, parts are made to so much (common practice). */
const USUAL_PLUS_MINUS_MM = 0.02

/** A stack against its shaft: the end play that follows, the shim for it; and timed countershafts. */
export default function BuildStack() {
  const { draft, words, edit } = useOpenBox()
  const { job, rules } = useOpenJob()
  const { naming, groups, nameOf } = useBuild()
  const [search, change] = useViewState()
  const unit = words.lengthUnit
  // The fullest shaft first: it is what most ask about.
  const benches = groups
    .filter(({ bench }) => bench !== null)
    .sort((one, other) => other.parts.length - one.parts.length)
  const group = benches.find(({ bench }) => bench === search.get('shaft')) ?? benches[0]
  const timings = useMemo(() => timingsOf(draft), [draft])
  const mm = (key: string, usual: number): number => {
    const value = Number(search.get(key) ?? '')
    return search.has(key) && Number.isFinite(value) ? value : usual
  }
  const turned = (search.get('turned') ?? '').split('|').filter(Boolean)
  const rows = group ? stackRows(naming.box, group, turned) : []
  const instead = search.get('instead') ?? ''
  const question: StackQuestion = {
    room: { mm: mm('room', 0), plusMinusMm: mm('roomtol', USUAL_PLUS_MINUS_MM) },
    plusMinusMm: mm('tol', USUAL_PLUS_MINUS_MM),
    instead: search.has('then') ? { part: instead, lengthMm: mm('then', 0) } : undefined,
  }
  const answer = search.has('room') ? stackAnswer(rows, question) : undefined
  const missing = rows.filter(({ isIn, lengthMm }) => isIn && lengthMm === undefined)
  const shaft = `shaft:${group?.bench ?? ''}`
  const limit = limitFor(
    { limits: job.limits, sheet: draft.sheet ?? [], rules },
    shaft,
    'end-play',
    unit,
  )
  const bounds = boundsOf(limit)
  const measured = measuredOn(job, shaft, 'end-play').at(-1)
  const field = (key: string, label: string, usual: string) => (
    <EntryField
      key={`${key} ${search.get(key)} ${unit}`}
      label={label}
      unit={unit}
      inputMode="decimal"
      value={search.has(key) ? lengthText(mm(key, 0), unit) : usual}
      onCommit={(text) => {
        if (text.trim() === '') {
          change({ [key]: '' })
          return null
        }
        const length = parseLength(text, unit, 0)
        if (!length.ok) return length.sentence
        change({ [key]: `${length.value}` })
        return null
      }}
    />
  )
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
                  change({ shaft: bench, turned: '', instead: '', then: '' })
                }}
              />
              {field('room', 'Room between the stops', '')}
              {field('roomtol', 'Room, ±', lengthText(USUAL_PLUS_MINUS_MM, unit))}
              {field('tol', 'Each part, ±', lengthText(USUAL_PLUS_MINUS_MM, unit))}
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
                    onChange={() => {
                      change({
                        turned: (turned.includes(part.id)
                          ? turned.filter((each) => each !== part.id)
                          : [...turned, part.id]
                        ).join('|'),
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
          {!search.has('room') ? (
            <p>
              Measure the room from the shoulder to the ring or bearing that ends the stack, and
              enter it. The lengths stay with the parts.
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
                    <ShimWords
                      play={answer.after ?? answer.before}
                      leastMm={bounds.least}
                      mostMm={bounds.most}
                      unit={unit}
                    />
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
              value={instead}
              options={[
                ['', 'nothing'],
                ...rows
                  .filter(({ isIn }) => isIn)
                  .map(({ part }) => [part.id, capitalize(nameOf(part))] as const),
              ]}
              onChange={(id) => {
                change({ instead: id, then: '' })
              }}
            />
            {instead !== '' && field('then', 'The new one is long', '')}
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
