import { X } from 'lucide-react'
import { useMemo, useState } from 'react'

import { useOpenJob } from '~/components/job/jobContext.ts'
import { SearchField } from '~/components/SearchField.tsx'
import { findParts, searchableParts } from '~/views/measure/findParts.ts'
import { capitalize } from '~/words/names.ts'

import type { OpenBuild } from './useBuild.ts'

/** Of more than this, another word is typed. */
const MOST_LISTED = 24

interface WantedPartsProps {
  readonly build: OpenBuild
  /** What is asked for, by references. */
  readonly asked: readonly string[]
  readonly onAsk: (refs: readonly string[]) => void
}

interface FoundPartsProps {
  readonly build: OpenBuild
  readonly refs: readonly string[]
  readonly onChoose: (ref: string) => void
}

function FoundParts({ build: { assembly, nameOf }, refs, onChoose }: FoundPartsProps) {
  return (
    <ul aria-label="Parts found" className="flex flex-wrap gap-1">
      {refs.map((ref) => {
        const part = assembly.byRef.get(ref)
        return part ? (
          <li key={ref}>
            <button
              type="button"
              className="button"
              onClick={() => {
                onChoose(ref)
              }}
            >
              {capitalize(nameOf(part))}
            </button>
          </li>
        ) : null
      })}
      {refs.length === 0 && <li>No part is called so.</li>}
    </ul>
  )
}

/** Asks which parts somebody wants to get at. */
export function WantedParts({ build, asked, onAsk }: WantedPartsProps) {
  const { naming, assembly, nameOf } = build
  const { job } = useOpenJob()
  const [wanted, setWanted] = useState('')
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
  const targets = [...new Set(asked.flatMap((ref) => assembly.byRef.get(ref) ?? []))]
  return (
    <>
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
              onAsk(asked.filter((ref) => assembly.byRef.get(ref) !== part))
            }}
          >
            {capitalize(nameOf(part))} <X aria-hidden />
          </button>
        ))}
      </div>
      {wanted.trim() !== '' && (
        <FoundParts
          build={build}
          refs={found.map(({ ref }) => ref)}
          onChoose={(ref) => {
            onAsk([...asked, ref])
            setWanted('')
          }}
        />
      )}
    </>
  )
}
