import { X } from 'lucide-react'
import { useState } from 'react'

import type { Gear, Link, PairKind } from 'core'
import {
  GEAR_MOUNTS,
  HANDS,
  LEAST_PRESSURE_ANGLE_DEG,
  PAIR_KINDS,
  MOST_PRESSURE_ANGLE_DEG,
  indexBox,
  pairsOf,
  removePart,
  setMount,
  toggleMesh,
} from 'core'

import { Choice } from '~/components/newBox/Choice.tsx'
import type { LengthUnit } from '~/words/format.ts'
import { termMeaning } from '~/words/meanings.ts'
import type { Naming } from '~/words/names.ts'
import { bodyName, capitalize, gearName } from '~/words/names.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'
import { LINK_WORDS } from '~/words/vocabulary.ts'
import { LARGEST_MODULE_MM, lengthText, parseLength, parseWithin } from '~/views/layout/numbers.ts'
import { withPart } from '~/views/layout/withPart.ts'

import { CountField, EntryField, NameField, SelectField } from '~/components/Fields.tsx'
import type { Drafting } from './useDrafting.ts'

const LARGEST_HELIX_DEG = 60

interface GearFieldsProps {
  readonly drafting: Drafting
  readonly words: Vocabulary
  readonly gear: Gear
  readonly onCount: (gearId: string, toothCount: number | null) => void
}

interface FiguresProps {
  readonly gear: Gear
  readonly put: (change: Partial<Gear>) => null
}

/** Face width in the unit chosen, module in mm as everywhere. */
function SizeFields({ gear, unit, put }: FiguresProps & { readonly unit: LengthUnit }) {
  return (
    [
      ['faceWidthMm', 'Face width'],
      ['moduleMm', 'Normal module'],
    ] as const
  ).map(([key, label]) => (
    <EntryField
      key={`${key} ${gear[key]} ${unit}`}
      label={label}
      unit={key === 'moduleMm' ? 'mm' : unit}
      inputMode="decimal"
      value={gear[key] === undefined ? '' : lengthText(gear[key], key === 'moduleMm' ? 'mm' : unit)}
      onCommit={(text) => {
        if (text.trim() === '') return put({ [key]: undefined })
        const length =
          key === 'moduleMm'
            ? parseWithin(text, 0.1, LARGEST_MODULE_MM, 'A module, in mm,')
            : parseLength(text, unit, 0.1)
        return length.ok ? put({ [key]: length.value }) : length.sentence
      }}
    />
  ))
}

/** Angles of the teeth, and which way the helix turns. */
function AngleFields({ gear, put }: FiguresProps) {
  return (
    <>
      <EntryField
        key={`helix ${gear.helixAngleDeg}`}
        label="Helix angle"
        unit="°"
        inputMode="decimal"
        value={gear.helixAngleDeg === undefined ? '' : `${gear.helixAngleDeg}`}
        onCommit={(text) => {
          if (text.trim() === '') return put({ helixAngleDeg: undefined })
          const angle = parseWithin(text, 0, LARGEST_HELIX_DEG, 'A helix angle, in degrees,')
          return angle.ok ? put({ helixAngleDeg: angle.value }) : angle.sentence
        }}
      />
      <SelectField
        label="Hand of the helix"
        value={gear.hand ?? ''}
        options={[['', 'not known'], ...HANDS.map((hand) => [hand, `${hand}-hand`] as const)]}
        onChange={(hand) => put({ hand: hand === '' ? undefined : hand })}
      />
      <EntryField
        key={`pressure ${gear.pressureAngleDeg}`}
        label="Pressure angle"
        unit="°"
        inputMode="decimal"
        value={gear.pressureAngleDeg === undefined ? '' : `${gear.pressureAngleDeg}`}
        onCommit={(text) => {
          if (text.trim() === '') return put({ pressureAngleDeg: undefined })
          const angle = parseWithin(
            text,
            LEAST_PRESSURE_ANGLE_DEG,
            MOST_PRESSURE_ANGLE_DEG,
            'A pressure angle, in degrees,',
          )
          return angle.ok ? put({ pressureAngleDeg: angle.value }) : angle.sentence
        }}
      />
    </>
  )
}

export function GearFields({ drafting, words, gear, onCount }: GearFieldsProps) {
  const { draft, become } = drafting
  const naming = { box: indexBox(draft), words }
  const unit = words.lengthUnit
  const put = (change: Partial<Gear>): null => {
    become(withPart(draft, 'gears', { ...gear, ...change }))
    return null
  }
  return (
    <>
      <div className="grid grid-cols-2 gap-2">
        <NameField
          label="Called"
          value={gear.label}
          whenEmpty="A gear needs a name."
          onKeep={(label) => put({ label })}
        />
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
        <SelectField
          label="On"
          value={gear.member}
          options={draft.members.map(({ id }) => [id, capitalize(bodyName(naming, id))])}
          onChange={(member) => put({ member })}
        />
        <EntryField
          key={`station ${gear.stationMm} ${unit}`}
          label="Station"
          unit={unit}
          inputMode="decimal"
          value={lengthText(gear.stationMm, unit)}
          onCommit={(text) => {
            const length = parseLength(text, unit)
            return length.ok ? put({ stationMm: length.value }) : length.sentence
          }}
        />
        <SizeFields gear={gear} unit={unit} put={put} />
        <AngleFields gear={gear} put={put} />
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
