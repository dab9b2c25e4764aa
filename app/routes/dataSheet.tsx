import { Plus } from 'lucide-react'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'

import { indexBox } from 'core'
import type { BoxDraft } from 'core'

import { PrintButton } from '~/components/PrintButton.tsx'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { useBecome } from '~/components/box/useBecome.ts'
import { BearingTable } from '~/components/sheet/BearingTable.tsx'
import { SheetTable } from '~/components/sheet/SheetTable.tsx'
import { CheckField, TypedField } from '~/components/Fields.tsx'
import { Warning } from '~/components/Warning.tsx'
import type { SheetSection } from '~/views/sheet/sheetRows.ts'
import { SHEET_SECTIONS, lineId, parseSheetText, sheetRows } from '~/views/sheet/sheetRows.ts'
import { DEFERENCE } from '~/words/cautions.ts'

const TITLES: Readonly<Record<SheetSection, string>> = {
  identity: 'As stamped and cast on it',
  oil: 'Oil',
  fasteners: 'Fasteners',
  limits: 'Limits of the maker',
  other: 'Anything else',
}

/** Everything that is the maker's or stamped on the unit, on one page, with places for what is not known. */
export default function DataSheet() {
  const { id, draft, words, settings } = useOpenBox()
  const naming = useMemo(() => ({ box: indexBox(draft), words }), [draft, words])
  const rows = useMemo(() => sheetRows(draft), [draft])
  const become = useBecome()
  return (
    <main className="flex-1 px-4 py-3 lg:min-h-0 lg:overflow-auto" tabIndex={0}>
      <title>{`${draft.name} · Data sheet · Udrix`}</title>
      <div className="mx-auto grid max-w-[64rem] gap-4 print:gap-2 print:text-[0.82rem]">
        <div className="border-ink flex flex-wrap items-baseline justify-between gap-x-6 border-b-2 pb-1">
          <h2 className="text-[1.5rem]">{draft.name}: data sheet</h2>
          <PrintButton />
        </div>
        <p className="text-graphite no-print">
          Write down what the maker’s manual says, and where you read it: measurements of every job
          are judged by the limits here. {DEFERENCE}
        </p>
        <div className="no-print">
          <CheckField
            label="Kept for its parts: other units may be given them"
            isChecked={draft.isSpare === true}
            onChange={(isSpare) => {
              become({ ...draft, isSpare })
            }}
          />
        </div>
        {SHEET_SECTIONS.map((section) => {
          const ofSection = rows.filter((row) => row.section === section)
          return (
            <section key={section} aria-label={TITLES[section]}>
              <h3 className="text-[1.15rem]">{TITLES[section]}</h3>
              {ofSection.length > 0 && (
                <SheetTable
                  draft={draft}
                  naming={naming}
                  rows={ofSection}
                  title={TITLES[section]}
                  isInInches={settings.lengthUnit === 'in'}
                  onBecome={become}
                />
              )}
              {section === 'fasteners' && ofSection.length === 0 && (
                <p className="text-graphite">
                  No bolts or nuts are listed:{' '}
                  <Link to={`/boxes/${id}/layout`} className="text-accent no-print underline">
                    add them on Lay out
                  </Link>
                  .
                </p>
              )}
              {section === 'other' && <AddLine draft={draft} onBecome={become} />}
            </section>
          )
        })}
        <BearingTable naming={naming} />
      </div>
    </main>
  )
}

/** A line that the sheet does not ask for. */
function AddLine({
  draft,
  onBecome,
}: {
  readonly draft: BoxDraft
  readonly onBecome: (next: BoxDraft) => void
}) {
  const [what, setWhat] = useState('')
  const [problem, setProblem] = useState<string>()
  return (
    <form
      className="no-print mt-1 flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        const parsed = parseSheetText(what)
        setProblem(parsed.ok ? undefined : parsed.sentence)
        if (!parsed.ok || parsed.text === undefined) return
        const line = { kind: 'other' as const, what: parsed.text }
        const id = lineId(draft, line)
        onBecome({ ...draft, sheet: [...(draft.sheet ?? []), { id, ...line }] })
        setWhat('')
      }}
    >
      <TypedField
        label="Another line"
        className="w-[20rem]"
        value={what}
        placeholder="gap of the reverse switch"
        onType={setWhat}
      />
      <button className="button">
        <Plus aria-hidden /> Add
      </button>
      {problem && <Warning role="alert">{problem}</Warning>}
    </form>
  )
}
