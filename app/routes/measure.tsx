import { useMemo, useState } from 'react'

import type { Measure, UnitPart } from 'core'
import { MEASURES, alongShafts, indexBox, unitParts, wholePart, worstByPart } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { Photos } from '~/components/job/Photos.tsx'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { FindingList } from '~/components/measure/FindingList.tsx'
import { LookButtons } from '~/components/measure/LookButtons.tsx'
import { MeasureOfPart } from '~/components/measure/MeasureOfPart.tsx'
import { PartChooser } from '~/components/measure/PartChooser.tsx'
import { VerdictDrawing } from '~/components/measure/VerdictDrawing.tsx'
import { TrayField } from '~/components/measure/TrayField.tsx'
import { Neighbours } from '~/components/measure/Neighbours.tsx'
import { Warning } from '~/components/Warning.tsx'
import { useChangeSettings } from '~/components/useChangeSettings.ts'
import type { Settings } from '~/settings.ts'
import { useAddress } from '~/components/useAddress.ts'
import { NothingToShow, WorkArea, WorkMain, WorkPanel } from '~/components/WorkArea.tsx'
import { unitPartName } from '~/words/jobs.ts'
import { MEASURE_NAMES } from '~/words/measures.ts'
import { capitalize } from '~/words/names.ts'

interface PartInHandProps {
  readonly part: UnitPart
  readonly name: string
  readonly isDisabled: boolean
  readonly units: Settings['readingUnits']
  readonly onUnits: (units: Settings['readingUnits']) => void
  readonly tool: string
  readonly onTool: (tool: string) => void
}

/** What is measured, seen and kept of the part chosen. */
function PartInHand(props: PartInHandProps) {
  const { part, name, isDisabled, units, onUnits, tool, onTool } = props
  const { id, draft } = useOpenBox()
  const box = indexBox(draft)
  const { job, record } = useOpenJob()
  const [search, change] = useAddress('measure')
  const asked = MEASURES.find((each) => each === search.measure)
  const measure = part.measures.find((each) => each === asked) ?? part.measures[0]
  return (
    <>
      <TrayField
        key={`tray ${part.ref} ${job.trays.get(part.ref) ?? ''}`}
        tray={job.trays.get(part.ref) ?? ''}
        isDisabled={isDisabled}
        onKeep={(tray) => {
          record({ kind: 'tray', part: part.ref, tray })
        }}
      />
      <MeasureChoice
        measures={part.measures}
        chosen={measure}
        onChoose={(each) => {
          change({ part: part.ref, measure: each })
        }}
      />
      {measure && (
        <MeasureOfPart
          key={`${part.ref} ${measure}`}
          part={part.ref}
          partName={name}
          measure={measure}
          tool={tool}
          onTool={onTool}
          unit={units[measure]}
          onUnit={(next) => {
            onUnits({ ...units, [measure]: next })
          }}
        />
      )}
      {part.looks.map((look) => (
        <LookButtons
          key={look}
          look={look}
          isDisabled={isDisabled}
          onGrade={(grade) => {
            record({ kind: 'look', part: part.ref, look, grade })
          }}
        />
      ))}
      <Photos key={`photos ${part.ref}`} boxId={id} part={part.ref} />
      <FindingList
        boxId={id}
        findings={job.findings.filter((finding) => wholePart(box, finding.part) === part.ref)}
        isDisabled={isDisabled}
        onRecord={record}
      />
    </>
  )
}

/** Measurements and looks, part by part, with their verdicts in the drawing. */
export default function MeasurePage() {
  const { draft, words, settings } = useOpenBox()
  const { job, current } = useOpenJob()
  const [search, change] = useAddress('measure')
  const [units, setUnits] = useState(settings.readingUnits)
  const { change: changeSettings } = useChangeSettings()
  const [tool, setTool] = useState('')
  const naming = useMemo(() => ({ box: indexBox(draft), words }), [draft, words])
  const parts = useMemo(() => unitParts(draft), [draft])
  const worst = useMemo(() => worstByPart(job), [job])
  const along = useMemo(() => alongShafts(draft, parts), [draft, parts])
  const wanted = wholePart(naming.box, search.part ?? '')
  const named = parts.find(({ ref }) => ref === wanted)
  const tray = search.tray ?? ''
  const part: UnitPart | undefined =
    named ??
    parts.find(({ kind }) => kind === search.kind) ??
    parts.find(({ ref }) => job.trays.get(ref) === tray) ??
    parts[0]
  const isDisabled = current === undefined || job.isClosed
  const choose = (ref: string): void => {
    change({ part: ref, measure: '', kind: '' }, 'after-paint')
  }
  if (!part)
    return (
      <NothingToShow title={`${draft.name} · Measure`}>
        <p>This box has no parts yet. Lay it out first.</p>
      </NothingToShow>
    )
  const name = unitPartName(naming, part.ref)
  return (
    <WorkArea title={`${draft.name} · Measure`}>
      <WorkMain label="Section along the shafts, and parts">
        <VerdictDrawing part={part} worst={worst} onChoose={choose} />
        <PartChooser
          job={job}
          naming={naming}
          parts={parts}
          part={part}
          tray={tray}
          worst={worst}
          onChoose={choose}
        />
      </WorkMain>
      <WorkPanel of={part.ref}>
        {wanted !== '' && !named && (
          <Warning role="status">
            The {unitPartName(naming, wanted)} is no longer in this box; what was found on it is
            kept in the log of the job. Choose another part.
          </Warning>
        )}
        <div className="flex items-start justify-between gap-2">
          <h2 className="text-[1.35rem] leading-tight">{capitalize(name)}</h2>
          <Neighbours along={along} part={part} naming={naming} onChoose={choose} />
        </div>
        <PartInHand
          part={part}
          name={name}
          isDisabled={isDisabled}
          units={units}
          onUnits={(next) => {
            setUnits(next)
            changeSettings({ readingUnits: JSON.stringify(next) })
          }}
          tool={tool}
          onTool={setTool}
        />
      </WorkPanel>
    </WorkArea>
  )
}

interface MeasureChoiceProps {
  readonly measures: readonly Measure[]
  readonly chosen: Measure | undefined
  readonly onChoose: (measure: Measure) => void
}

/** What of a part is measured, where there is more than one thing. */
function MeasureChoice({ measures, chosen, onChoose }: MeasureChoiceProps) {
  if (measures.length <= 1) return null
  return (
    <div role="group" aria-label="What is measured" className="flex flex-wrap gap-1">
      {measures.map((each) => (
        <button
          key={each}
          type="button"
          aria-pressed={each === chosen}
          className="button aria-pressed:bg-accent-wash"
          onClick={() => {
            onChoose(each)
          }}
        >
          {capitalize(MEASURE_NAMES[each])}
        </button>
      ))}
    </div>
  )
}
