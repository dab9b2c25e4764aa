import { Settings2 } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { useEffect, useRef } from 'react'

import { MenuRadios } from '~/components/MenuRadios.tsx'
import { useChangeSettings } from '~/components/useChangeSettings.ts'
import { Warning } from '~/components/Warning.tsx'
import {
  LENGTH_UNITS,
  ROAD_SPEED_UNITS,
  ROAD_SPEED_UNIT_NAMES,
  TORQUE_UNITS,
  TORQUE_UNIT_NAMES,
} from '~/words/format.ts'
import type { Settings } from '~/settings.ts'
import { THEMES } from '~/settings.ts'
import { ENDS, END_NAMES, VOCABULARIES, WORDS } from '~/words/vocabulary.ts'

const CHOICES = [
  {
    key: 'torqueUnit',
    title: 'Torque in',
    options: TORQUE_UNITS.map((unit) => [unit, TORQUE_UNIT_NAMES[unit]] as const),
  },
  {
    key: 'lengthUnit',
    title: 'Lengths in',
    options: LENGTH_UNITS.map((unit) => [unit, unit] as const),
  },
  {
    key: 'roadSpeedUnit',
    title: 'Road speed in',
    options: ROAD_SPEED_UNITS.map((unit) => [unit, ROAD_SPEED_UNIT_NAMES[unit]] as const),
  },
  {
    key: 'ends',
    title: 'The ends of a box',
    options: END_NAMES.map((name) => [name, `${ENDS[name].input}, ${ENDS[name].output}`] as const),
  },
  {
    key: 'vocabulary',
    title: 'Words',
    options: VOCABULARIES.map((name) => {
      const { members, couplers, ring } = WORDS[name]
      return [
        name,
        `${members.countershaft}, ${members['input-shaft']}, ${couplers.synchronizer}, ${ring}`,
      ] as const
    }),
  },
  {
    key: 'theme',
    title: 'Theme',
    options: THEMES.map(
      (theme) => [theme, theme === 'system' ? 'as the device has it' : theme] as const,
    ),
  },
] as const

/** Units, words and theme: one menu, the same everywhere. */
export function SettingsControls({ settings }: { readonly settings: Settings }) {
  const { change, isBusy, trouble } = useChangeSettings()
  /** Chosen here and not answered yet: a later choice is sent with those before it. */
  const chosen = useRef<Readonly<Record<string, string>>>({})
  useEffect(() => {
    if (!isBusy) chosen.current = {}
  }, [isBusy])
  const choose = (key: string, value: string): void => {
    chosen.current = { ...chosen.current, [key]: value }
    change(chosen.current)
  }
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className="button-quiet">
        <Settings2 aria-hidden /> <span className="max-sm:sr-only">Settings</span>
      </DropdownMenu.Trigger>
      <DropdownMenu.Content
        align="end"
        className="bg-sheet border-ink z-40 max-h-(--radix-dropdown-menu-content-available-height) w-[23rem] max-w-(--radix-dropdown-menu-content-available-width) overflow-auto border-2 p-2"
        aria-label="Settings"
      >
        {trouble !== undefined && <Warning role="alert">{trouble}</Warning>}
        {CHOICES.map(({ key, title, options }) => (
          <MenuRadios
            key={key}
            title={title}
            value={settings[key]}
            options={options}
            onChange={(value) => {
              choose(key, value)
            }}
          />
        ))}
      </DropdownMenu.Content>
    </DropdownMenu.Root>
  )
}
