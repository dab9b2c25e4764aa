import { X } from 'lucide-react'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'

import { isJudged, partsOff } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { PartPicture } from '~/components/build/PartPicture.tsx'
import { useBuild } from '~/components/build/useBuild.ts'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { SearchField } from '~/components/SearchField.tsx'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import { useViewState } from '~/components/useViewState.ts'
import { bareParts, partsDrawn } from '~/views/build/buildView.ts'
import { reachOf } from '~/views/build/reach.ts'
import { findParts, searchableParts } from '~/views/measure/findParts.ts'
import type { Layer, Layers } from '~/views/section/layers.ts'
import { stepWords } from '~/words/build.ts'
import { capitalize } from '~/words/names.ts'

const LAYERS: Layers = new Set<Layer>(['parts', 'names'])
/** Of more than this, another word is typed. */
const MOST_LISTED = 24

/** The least that has to come off to get at a part or a few. */
export default function BuildReach() {
  const { id, draft, words } = useOpenBox()
  const { job } = useOpenJob()
  const { naming, section, assembly, order, groups, nameOf } = useBuild()
  const [search, change] = useViewState()
  const [wanted, setWanted] = useState('')
  const asked = (search.get('for') ?? '').split('|').filter(Boolean)
  const targets = [...new Set(asked.flatMap((ref) => assembly.byRef.get(ref) ?? []))]
  const off = partsOff(assembly, job.taken)
  const reach = reachOf(naming.box, assembly, order, targets, off)
  const searchable = useMemo(
    () =>
      searchableParts(
        naming,
        assembly.parts.map(({ part }) => part),
        job.trays,
      ),
    [naming, assembly, job.trays],
  )
  const found = (wanted.trim() === '' ? [] : findParts(searchable, wanted)).slice(0, MOST_LISTED)
  const ask = (refs: readonly string[]): void => {
    change({ for: [...new Set(refs)].join('|') })
  }
  const steps = reach?.steps ?? []
  const offHere = new Set(steps.map(({ part }) => part.id))
  const bare = bareParts(groups, off)
  const drawnParts = useMemo(() => partsDrawn(naming.box, assembly), [naming, assembly])
  const classOf = (drawn: string): string | undefined => {
    const part = drawnParts.get(drawn)
    if (!part) return undefined
    if (bare.has(part.id)) return 'is-off'
    return offHere.has(part.id) ? 'in-hand' : undefined
  }
  const toLookAt = steps.filter(
    ({ part: { part } }) => part.looks.length > 0 && part.kind !== 'shaft' && !isJudged(job, part),
  )
  return (
    <main className="work-area lg:grid-cols-[minmax(0,1fr)_23rem] xl:grid-cols-[minmax(0,1fr)_30rem]">
      <title>{`${draft.name} · Get at a part · Udrix`}</title>
      <section
        aria-label="What is wanted"
        className="flex min-h-0 flex-col gap-2 overflow-auto px-4 pt-3 pb-3"
      >
        <div className="flex flex-wrap items-center gap-2">
          <SearchField
            label="Which part do you want to get at?"
            placeholder="Get at: ring for 2, 3rd gear …"
            width="w-[20rem]"
            value={wanted}
            onChange={setWanted}
          />
          {targets.map((part) => (
            <button
              key={part.id}
              type="button"
              className="button"
              aria-label={`No longer ${nameOf(part)}`}
              onClick={() => {
                ask(asked.filter((ref) => assembly.byRef.get(ref) !== part))
              }}
            >
              {capitalize(nameOf(part))} <X aria-hidden />
            </button>
          ))}
        </div>
        {wanted.trim() !== '' && (
          <ul aria-label="Parts found" className="flex flex-wrap gap-1">
            {found.map(({ ref }) => {
              const part = assembly.byRef.get(ref)
              return part ? (
                <li key={ref}>
                  <button
                    type="button"
                    className="button"
                    onClick={() => {
                      ask([...asked, ref])
                      setWanted('')
                    }}
                  >
                    {capitalize(nameOf(part))}
                  </button>
                </li>
              ) : null
            })}
            {found.length === 0 && <li>No part is called so.</li>}
          </ul>
        )}
        <div className="build min-h-[16rem] flex-1">
          <SectionDrawing
            draft={draft}
            words={words}
            layers={LAYERS}
            classOf={classOf}
            title={`Section along the shafts of ${draft.name}; what has to come off is outlined`}
          />
        </div>
      </section>
      <aside className="border-rule bg-sheet flex min-h-0 flex-col gap-3 overflow-auto border-l-2 p-4">
        {targets.length === 0 ? (
          <p className="text-lg">
            Name the part that you want to get at, or several. Udrix tells the least that has to
            come off for it.
          </p>
        ) : !reach ? (
          <p className="text-lg">
            It does not come off as the parts are described.{' '}
            <Link to={`/boxes/${id}/build`} className="text-accent underline">
              See what holds it
            </Link>
            .
          </p>
        ) : steps.length === 0 ? (
          <p className="text-lg">It is off already.</p>
        ) : (
          <>
            <h2 className="text-[1.35rem] leading-tight">
              {steps.length === 1 ? 'It comes off by itself' : `${steps.length} parts come off`}
            </h2>
            <p>
              {reach.pressed.length === 0
                ? 'None of them is pressed.'
                : `Press work: ${reach.pressed.length} (${reach.pressed.map(nameOf).join(', ')}).`}{' '}
              {reach.once.length === 0
                ? 'All of them go in again.'
                : `New each time: ${reach.once.map(nameOf).join(', ')}.`}
            </p>
            <ol className="flex flex-col">
              {steps.map((step, at) => (
                <li
                  key={step.part.id}
                  className="border-rule flex items-center gap-2 border-t py-1"
                >
                  <span className="text-graphite w-7 flex-none text-right tabular-nums">
                    {at + 1}
                  </span>
                  <span className="h-9 w-12 flex-none">
                    <PartPicture
                      index={naming.box}
                      section={section}
                      part={step.part}
                      width={48}
                      height={36}
                    />
                  </span>
                  <span className={targets.includes(step.part) ? 'font-bold' : undefined}>
                    {stepWords(naming, step, 'down')}
                  </span>
                </li>
              ))}
            </ol>
            {toLookAt.length > 0 && (
              <section aria-label="Look at while it is open">
                <h3 className="font-semibold">Look at while it is open</h3>
                <ul className="flex flex-wrap gap-x-3">
                  {toLookAt.map(({ part }) => (
                    <li key={part.id}>
                      <Link
                        to={`/boxes/${id}/measure?part=${encodeURIComponent(part.part.ref)}`}
                        className="text-accent underline"
                      >
                        {nameOf(part)}
                      </Link>
                    </li>
                  ))}
                </ul>
              </section>
            )}
          </>
        )}
      </aside>
    </main>
  )
}
