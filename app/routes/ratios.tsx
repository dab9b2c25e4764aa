import { Download } from 'lucide-react'
import { useMemo } from 'react'

import type { BoxDraft } from 'core'
import { compareRatios, finalDriveRatio, indexBox, ratioPlaces } from 'core'

import { analyseDraft } from '~/views/box/analysis.ts'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { IssueList } from '~/components/box/IssueList.tsx'
import { FinalDriveFields } from '~/components/ratios/FinalDriveFields.tsx'
import { RollingRadiusField } from '~/components/ratios/RollingRadiusField.tsx'
import { RatioTable } from '~/components/ratios/RatioTable.tsx'
import { ShiftSpeedField, Shifts } from '~/components/ratios/Shifts.tsx'
import { SelectField } from '~/components/Fields.tsx'
import { parseShiftRpm } from '~/views/ratios/shiftPoints.ts'
import { useAddress } from '~/components/useAddress.ts'
import { formatNumber, formatRatio } from '~/words/format.ts'
import type { Naming } from '~/words/names.ts'
import { bodyName, capitalize } from '~/words/names.ts'

interface PlaceFieldProps {
  readonly naming: Naming
  readonly places: readonly string[]
  readonly at: string | undefined
  readonly onChange: (place: string) => void
}

/** Asks at which part the turns are told. */
function PlaceField({ naming, places, at, onChange }: PlaceFieldProps) {
  return (
    <div className="w-80">
      <SelectField
        label="Turns of the input for one turn of the"
        value={at ?? ''}
        options={[
          ['', 'first output driven'],
          ...places.map((place) => [place, bodyName(naming, place)] as const),
        ]}
        onChange={onChange}
      />
    </div>
  )
}

/** What the figures rest on, where the fields that say so are not printed. */
function settingsWords({ finalDrive, rollingRadiusMm }: BoxDraft, engineRpm: number): string {
  const drive = finalDrive
    ? `final drive ${finalDrive.drivenToothCount}/${finalDrive.drivingToothCount} = ${formatRatio(finalDriveRatio(finalDrive))}`
    : 'without a final drive'
  const wheel =
    rollingRadiusMm == null
      ? []
      : [`wheels of ${formatNumber(rollingRadiusMm, 1)} mm rolling radius`]
  return `${capitalize([drive, ...wheel, `shifts at ${formatNumber(engineRpm, 0)} rev/min`].join(', '))}.`
}

export default function Ratios() {
  const { id, draft, words, settings } = useOpenBox()
  const [search, change] = useAddress('ratios')
  const { positions, issues, solver } = useMemo(() => analyseDraft(draft), [draft])
  const places = useMemo(
    () => (solver ? ratioPlaces(solver.box, positions) : []),
    [solver, positions],
  )
  const at = places.find((place) => place === search.at)
  const rows = useMemo(() => compareRatios(positions, draft, at), [positions, draft, at])
  const engineRpm = parseShiftRpm(search.shift)
  const naming = { box: indexBox(draft), words }
  return (
    <main className="flex flex-1 flex-col gap-4 px-4 py-3">
      <title>{`${draft.name} · Ratios · Udrix`}</title>
      <h2 className="text-[1.3rem] not-print:sr-only">{`${draft.name}: ratios`}</h2>
      {places.length > 1 && (
        <PlaceField
          naming={naming}
          places={places}
          at={at}
          onChange={(place) => {
            change({ at: place })
          }}
        />
      )}
      <RatioTable
        rows={rows}
        words={words}
        draft={draft}
        hrefOf={(position) => `/boxes/${id}/trace?position=${position}`}
      />
      <IssueList draft={draft} issues={issues} words={words} />
      <div className="work-area gap-4 lg:grid-cols-[20rem_1fr]">
        <p className="hidden print:block">{settingsWords(draft, engineRpm)}</p>
        <div className="no-print flex flex-col items-start gap-4">
          <ShiftSpeedField
            engineRpm={engineRpm}
            onChange={(shift) => {
              change({ shift })
            }}
          />
          <FinalDriveFields key={JSON.stringify(draft.finalDrive)} />
          <RollingRadiusField />
          <a
            className="button"
            href={`/boxes/${id}/ratios.csv${at === undefined ? '' : `?at=${encodeURIComponent(at)}`}`}
            download
          >
            <Download aria-hidden /> Ratios as CSV
          </a>
        </div>
        <Shifts
          rows={rows}
          finalDrive={draft.finalDrive ?? null}
          rollingRadiusMm={at === undefined ? (draft.rollingRadiusMm ?? undefined) : undefined}
          engineRpm={engineRpm}
          settings={settings}
        />
      </div>
    </main>
  )
}
