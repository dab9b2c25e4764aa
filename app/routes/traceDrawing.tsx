import { Suspense, lazy, useEffect, useMemo, useRef, useState } from 'react'
import { useNavigate } from 'react-router'

import type { CouplerPlaces, Forces } from 'core'
import { areFreed, fullPlaces, missingParts, solveForces } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { Legend } from '~/components/section/Legend.tsx'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import { DrawingTools } from '~/components/trace/DrawingTools.tsx'
import { GearReadout } from '~/components/trace/GearReadout.tsx'
import { formatPlaces, moveCoupler, positionAt } from '~/views/trace/movedPlaces.ts'
import { PositionFrame } from '~/components/trace/PositionFrame.tsx'
import { SleeveGrips } from '~/components/trace/SleeveGrips.tsx'
import { parseRibbonScale, ribbonFullTorque } from '~/views/section/ribbonScale.ts'
import { useOpenTrace } from '~/components/trace/traceContext.ts'
import { usePositionChoice } from '~/components/trace/usePositionChoice.ts'
import type { Naming } from '~/words/names.ts'
import { couplerName } from '~/words/names.ts'

const MissingParts = lazy(() => import('~/components/shift/MissingParts.tsx'))

/** A coupler that the interlock keeps where it is, and the one that is out of its centre. */
interface Held {
  readonly coupler: string
  readonly by: string
}

function heldWords(naming: Naming, { coupler, by }: Held): string {
  const [one, other] = [coupler, by].map((id) => {
    const found = naming.box.couplers.get(id)
    return found ? couplerName(naming, found) : id
  })
  return `The interlock holds the ${one}: the ${other} is out of its centre.`
}

/** What the unit's latest job found missing between the rods, without which some are not kept apart. */
function useMissing() {
  const { naming } = useOpenTrace()
  const { job } = useOpenBox()
  return useMemo(() => missingParts(naming.box, job?.missing ?? []), [naming, job])
}

/** Moves sleeves by hand, as far as the interlock lets them. */
function useSleeves(hasInterlock: boolean) {
  const { draft } = useOpenBox()
  const { selected, change } = useOpenTrace()
  const missing = useMissing()
  const { position } = selected
  const [held, setHeld] = useState<Held>()
  // The page follows a little later, so moves in quick succession build on this.
  const latest = useRef<CouplerPlaces>({})
  useEffect(() => {
    latest.current = position.couplers
  }, [position.couplers])
  const move = (coupler: string, place: string): void => {
    const result = moveCoupler(draft, latest.current, coupler, place, {
      hasInterlock,
      areFreed: (one, other) => areFreed(draft, missing, one, other),
    })
    if (result.kind === 'held') {
      setHeld(result)
      return
    }
    latest.current = result.places
    setHeld(undefined)
    const listed = positionAt(draft, result.places)
    change(
      listed === undefined
        ? { moved: formatPlaces(draft, result.places), waits: '' }
        : { position: listed, moved: '', waits: '' },
    )
  }
  return {
    held,
    letGo: () => {
      setHeld(undefined)
    },
    move,
  }
}

interface UnderTheDrawingProps {
  readonly held: Held | undefined
  readonly pointedGear: string | undefined
  readonly forces: Forces | undefined
}

/** What the interlock holds, what is pointed at, or what the signs mean. */
function UnderTheDrawing({ held, pointedGear, forces }: UnderTheDrawingProps) {
  const { naming, selected, input, layers } = useOpenTrace()
  const { analysis } = selected
  return (
    <div className="flex min-h-[1.8rem] items-center">
      {held ? (
        <p role="status" className="text-trouble font-semibold">
          {heldWords(naming, held)}
        </p>
      ) : pointedGear ? (
        <GearReadout naming={naming} gearId={pointedGear} analysis={analysis} input={input} />
      ) : (
        <Legend
          layers={layers}
          hasRibbon={analysis.state === 'drive' && !input.isPedalDown}
          hasForces={forces !== undefined}
          missingForces={forces?.missing.length ?? 0}
          hasGrips
        />
      )}
    </div>
  )
}

export default function TraceDrawing() {
  const { id, draft, words } = useOpenBox()
  const trace = useOpenTrace()
  const { selected, input, layers, search, change, solver } = trace
  const { position, analysis } = selected
  const navigate = useNavigate()
  const [pointedGear, setPointedGear] = useState<string>()
  const hasInterlock = search.interlock !== 'out'
  const missing = useMissing()
  const { held, letGo, move } = useSleeves(hasInterlock)
  const select = usePositionChoice(letGo)
  const drive = analysis.state === 'drive' && !input.isPedalDown ? analysis : undefined
  const places = fullPlaces(draft.couplers, position.couplers)
  const forces =
    drive && layers.has('forces') ? solveForces(solver.box, drive, input.torqueNm) : undefined
  return (
    <PositionFrame title="Trace" onSelect={select}>
      <div className="min-h-0 flex-1 print:h-[9cm] print:flex-none">
        <SectionDrawing
          draft={draft}
          words={words}
          state={analysis}
          drive={drive}
          ribbonFullTorque={ribbonFullTorque(
            parseRibbonScale(search.ribbon),
            trace.fullTorque,
            trace.selected.analysis,
            input.torqueNm,
          )}
          input={input}
          forces={forces}
          layers={layers}
          pace={trace.pace}
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
      {missing.length > 0 && (
        <Suspense>
          <MissingParts naming={trace.naming} solver={solver} missing={missing} />
        </Suspense>
      )}
      <UnderTheDrawing held={held} pointedGear={pointedGear} forces={forces} />
      <DrawingTools
        hasInterlock={hasInterlock}
        onInterlock={(isOn) => {
          letGo()
          change({ interlock: isOn ? '' : 'out' })
        }}
        onReset={
          trace.isByHand
            ? () => {
                select(trace.at)
              }
            : undefined
        }
      />
    </PositionFrame>
  )
}
