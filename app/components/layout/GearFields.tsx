import { X } from 'lucide-react'
import { useState } from 'react'

import type { Gear, Link, PairKind } from 'core'
import {
  GEAR,
  GEAR_MOUNTS,
  PAIR_KINDS,
  indexBox,
  namesOf,
  pairsOf,
  removePart,
  setMount,
  toggleMesh,
} from 'core'

import { Choice } from '~/components/newBox/Choice.tsx'
import { termMeaning } from '~/words/meanings.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize, gearName } from '~/words/names.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'
import { LINK_WORDS } from '~/words/vocabulary.ts'
import { withPart } from '~/views/layout/withPart.ts'

import { FieldEntries } from '~/components/FieldEntry.tsx'
import { CountField, SelectField } from '~/components/Fields.tsx'
import type { Drafting } from './useDrafting.ts'

/** What has a field of its own here, or is entered on another page. */
const ELSEWHERE: readonly (keyof Gear)[] = [
  'id',
  'label',
  'toothCount',
  'recount',
  'twinOf',
  'mount',
]

interface GearFieldsProps {
  readonly drafting: Drafting
  readonly words: Vocabulary
  readonly gear: Gear
  readonly onCount: (gearId: string, toothCount: number | null) => void
}

export function GearFields({ drafting, words, gear, onCount }: GearFieldsProps) {
  const { draft, become } = drafting
  const naming = { box: indexBox(draft), words }
  const entries = {
    naming,
    fields: GEAR,
    of: gear,
    onChange: (change: Partial<Gear>): null => {
      become(withPart(draft, 'gears', { ...gear, ...change }))
      return null
    },
  }
  return (
    <>
      <div className="grid grid-cols-2 gap-2">
        <FieldEntries {...entries} names={['label']} />
        <CountField
          label="Teeth"
          toothCount={gear.toothCount}
          onCount={(toothCount) => {
            onCount(gear.id, toothCount)
          }}
        />
      </div>
      <Choice
        isStacked
        legend="Sits on its shaft"
        name={`mount ${gear.id}`}
        value={gear.mount}
        options={GEAR_MOUNTS.map((mount) => [mount, words.mounts[mount]])}
        onChange={(value) => {
          const mount = GEAR_MOUNTS.find((candidate) => candidate === value)
          if (mount) become(setMount(draft, gear.id, mount))
        }}
      />
      {(gear.mount === 'integral' || gear.mount === 'free') && (
        <p className="text-graphite -mt-1 text-[0.86rem]">{termMeaning(words, gear.mount)}</p>
      )}
      <div className="grid grid-cols-2 gap-2">
        <FieldEntries
          {...entries}
          names={namesOf(GEAR, gear.mount === 'free' ? ELSEWHERE : [...ELSEWHERE, 'inertiaKgM2'])}
        />
      </div>
      <Meshes drafting={drafting} words={words} gear={gear} />
    </>
  )
}

interface MateLineProps {
  readonly naming: Naming
  readonly link: Link
  /** The gear at the other end, which may be gone. */
  readonly mate: string
  readonly onPart: () => void
}

function MateLine({ naming, link, mate, onPart }: MateLineProps) {
  const found = naming.box.gears.get(mate)
  return (
    <li className="flex items-center justify-between">
      <span>
        {found ? capitalize(gearName(naming, found)) : mate}
        {link.kind !== 'external-mesh' && ` (${LINK_WORDS[link.kind]})`}
      </span>
      <button
        type="button"
        className="button-quiet"
        aria-label={`Part from ${found ? gearName(naming, found) : 'what is not there'}`}
        onClick={onPart}
      >
        <X aria-hidden />
      </button>
    </li>
  )
}

/** What the gear is in mesh with, and a way to add to it. */
function Meshes({ drafting, words, gear }: Omit<GearFieldsProps, 'onCount'>) {
  const { draft, become } = drafting
  const naming = { box: indexBox(draft), words }
  const [kind, setKind] = useState<PairKind>('external-mesh')
  const mates = draft.links.flatMap((link) => {
    return pairsOf(link).flatMap(({ a, b }) => {
      if (a === gear.id) return [{ link, mate: b }]
      return b === gear.id ? [{ link, mate: a }] : []
    })
  })
  const axisOf = (memberId: string) => draft.members.find(({ id }) => id === memberId)?.axis
  const others = draft.gears.filter(
    (other) =>
      axisOf(other.member) !== axisOf(gear.member) && !mates.some(({ mate }) => mate === other.id),
  )
  return (
    <section aria-label="In mesh with">
      <h3 className="text-[0.95rem]">In mesh with</h3>
      <ul>
        {mates.map(({ link, mate }) => (
          <MateLine
            key={link.id}
            naming={naming}
            link={link}
            mate={mate}
            onPart={() => {
              become(removePart(draft, { list: 'links', id: link.id }))
            }}
          />
        ))}
      </ul>
      {mates.length === 0 && <p className="text-graphite">Nothing.</p>}
      <div className="grid grid-cols-2 gap-2">
        <SelectField
          label="Add a mate"
          value=""
          options={[
            ['', 'choose a gear'],
            ...others.map((other): [string, string] => [
              other.id,
              capitalize(gearName(naming, other)),
            ]),
          ]}
          onChange={(mate) => {
            if (mate !== '') become(toggleMesh(draft, gear.id, mate, kind))
          }}
        />
        <SelectField
          label="by"
          value={kind}
          options={PAIR_KINDS.map((option) => [option, LINK_WORDS[option]])}
          onChange={setKind}
        />
      </div>
    </section>
  )
}
