import { useEffect, useMemo, useRef, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { Link, useNavigate } from 'react-router'

import { analyseDraft, mostTorque } from '~/components/box/analysis.ts'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { IssueList } from '~/components/box/IssueList.tsx'
import { Legend } from '~/components/section/Legend.tsx'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import { GearReadout } from '~/components/trace/GearReadout.tsx'
import { Interlock } from '~/components/trace/Interlock.tsx'
import { InputFields } from '~/components/trace/InputFields.tsx'
import {
  MOVED_ID,
  formatPlaces,
  moveCoupler,
  parsePlaces,
  positionAt,
} from '~/components/trace/movedPlaces.ts'
import { PositionKeys } from '~/components/trace/PositionKeys.tsx'
import { SleeveGrips } from '~/components/trace/SleeveGrips.tsx'
import { TraceResult } from '~/components/trace/TraceResult.tsx'
import { readTraceInput } from '~/components/trace/traceInput.ts'
import { useViewState } from '~/components/useViewState.ts'
import { lockSentence } from '~/words/lock.ts'
import { couplerName } from '~/words/names.ts'
import type { CouplerPlaces } from 'core'
import { analyse, explainLock, fullPlaces, indexBox, prepareSolver } from 'core'

/** Whether a key is meant for a sleeve's grip, which arrows move. */
function isOnGrip({ target }: KeyboardEvent): boolean {
  return target instanceof Element && target.closest('[data-grip]') !== null
}

export default function Trace() {
  const { id, draft, words, settings } = useOpenBox()
  const [search, change] = useViewState()
  const navigate = useNavigate()
  const [pointedGear, setPointedGear] = useState<string>()
  const { positions, issues, fullTorque, checked } = useMemo(() => analyseDraft(draft), [draft])
  const naming = useMemo(() => ({ box: indexBox(draft), words }), [draft, words])

  const wanted = search.get('position')
  const at = Math.max(
    positions.findIndex(({ position }) => position.id === wanted),
    0,
  )
  const listed = positions[at]
  const movedText = search.get('moved')
  const hasInterlock = search.get('interlock') !== 'out'
  const [held, setHeld] = useState<{ readonly coupler: string; readonly by: string }>()
  const solver = useMemo(() => (checked.ok ? prepareSolver(checked.box) : undefined), [checked])
  const byHand = useMemo(() => {
    const couplers = parsePlaces(draft, movedText)
    if (!couplers || !solver) return undefined
    const position = { id: MOVED_ID, label: 'by hand', couplers }
    return { position, analysis: analyse(solver, couplers) }
  }, [draft, solver, movedText])
  const selected = byHand ?? listed
  const input = readTraceInput(search, settings.torqueUnit)

  const select = (index: number): void => {
    const next = positions[Math.min(Math.max(index, 0), positions.length - 1)]
    if (next) change({ position: next.position.id, moved: '' })
    setHeld(undefined)
  }
  // The address follows a little later, so moves in quick succession build on this.
  const latest = useRef<CouplerPlaces>({})
  const shownPlaces = selected?.position.couplers
  useEffect(() => {
    latest.current = shownPlaces ?? {}
  }, [shownPlaces])
  const move = (coupler: string, place: string): void => {
    const result = moveCoupler(draft, latest.current, coupler, place, hasInterlock)
    if (result.kind === 'held') {
      setHeld(result)
      return
    }
    latest.current = result.places
    setHeld(undefined)
    const position = positionAt(draft, result.places)
    change(
      position === undefined
        ? { moved: formatPlaces(draft, result.places) }
        : { position, moved: '' },
    )
  }
  useHotkeys(
    'left',
    () => {
      select(at - 1)
    },
    { ignoreEventWhen: isOnGrip },
  )
  useHotkeys(
    'right',
    () => {
      select(at + 1)
    },
    { ignoreEventWhen: isOnGrip },
  )
  useHotkeys('*', (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return
    const index = positions.findIndex(
      ({ position }) => position.label.toLowerCase() === event.key.toLowerCase(),
    )
    if (index >= 0) select(index)
  })

  if (!checked.ok || !selected)
    return (
      <main className="p-6">
        <h2 className="mb-3 text-xl">This box cannot be traced yet</h2>
        <IssueList draft={draft} issues={issues} words={words} />
      </main>
    )
  const { position, analysis } = selected
  const cause = solver && explainLock(solver, position.couplers)
  const nameOf = (id: string): string => {
    const coupler = naming.box.couplers.get(id)
    return coupler ? couplerName(naming, coupler) : id
  }
  const places = fullPlaces(draft.couplers, position.couplers)
  return (
    <main className="grid min-h-0 flex-1 lg:grid-cols-[minmax(0,1fr)_20rem] xl:grid-cols-[minmax(0,1fr)_23.5rem]">
      <title>{`${position.label} · ${draft.name} · Trace · Udrix`}</title>
      <section
        aria-label="Section along the shafts"
        className="flex min-h-0 flex-col gap-1 px-4 pt-2 pb-3"
      >
        <div className="min-h-0 flex-1">
          <SectionDrawing
            draft={draft}
            words={words}
            analysis={analysis}
            ribbonFullTorque={Math.max(fullTorque, mostTorque(analysis))}
            title={`Section along the shafts of ${draft.name}, position ${position.label}`}
            gearHref={(gear) => `/boxes/${id}/count?gear=${gear}`}
            onChooseGear={(gear) => void navigate(`/boxes/${id}/count?gear=${gear}`)}
            onPoint={setPointedGear}
            overlay={(section, scale) => (
              <SleeveGrips
                draft={draft}
                words={words}
                section={section}
                scale={scale}
                places={places}
                holding={held?.by}
                onMove={move}
              />
            )}
          />
        </div>
        <div className="flex min-h-[1.8rem] items-center">
          {pointedGear ? (
            <GearReadout naming={naming} gearId={pointedGear} analysis={analysis} input={input} />
          ) : (
            <Legend hasRibbon={analysis.state === 'drive'} hasGrips />
          )}
        </div>
        <Interlock
          isOn={hasInterlock}
          onChange={(isOn) => {
            setHeld(undefined)
            change({ interlock: isOn ? '' : 'out' })
          }}
          held={
            held &&
            `The interlock holds the ${nameOf(held.coupler)}: the ${nameOf(held.by)} is out of its centre.`
          }
          onReset={
            byHand &&
            (() => {
              select(at)
            })
          }
        />
        <PositionKeys
          positions={positions}
          selected={position.id}
          onSelect={select}
          hrefOf={(index) => {
            const next = new URLSearchParams(search)
            next.set('position', positions[index]?.position.id ?? '')
            return `?${next}`
          }}
        />
      </section>
      <aside
        aria-label={`Position ${position.label}`}
        className="border-rule bg-sheet flex min-h-0 flex-col gap-4 border-l-2 p-4 lg:overflow-auto"
      >
        <TraceResult
          naming={naming}
          selected={selected}
          input={input}
          lock={cause && lockSentence(naming, cause)}
          countHref={(gear) => `/boxes/${id}/count?gear=${gear}`}
          inputFields={<InputFields input={input} onChange={change} />}
        />
        <IssueList draft={draft} issues={issues} words={words} />
        <p className="text-graphite text-[0.86rem]">
          Figures are without losses. The maker’s manual for the unit rules.{' '}
          <Link to={`/boxes/${id}/ratios`} className="text-accent underline">
            All ratios
          </Link>{' '}
          ·{' '}
          <a
            href={`/boxes/${id}/drawing.svg?position=${encodeURIComponent(position.id)}`}
            download
            className="text-accent underline"
          >
            Drawing as SVG
          </a>
        </p>
      </aside>
    </main>
  )
}
