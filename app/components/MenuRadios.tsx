import { Check } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'

interface MenuRadiosProps {
  readonly title: string
  readonly value: string
  /** Values with what is written on their items. */
  readonly options: readonly (readonly [value: string, title: string])[]
  readonly onChange: (value: string) => void
}

/** One of a few in a menu that stays open, the chosen one ticked; short ones stand side by side. */
export function MenuRadios({ title, value, options, onChange }: MenuRadiosProps) {
  return (
    <DropdownMenu.RadioGroup value={value} onValueChange={onChange}>
      <DropdownMenu.Label className="text-graphite px-2 pt-2 text-[0.86rem]">
        {title}
      </DropdownMenu.Label>
      <div className="flex flex-wrap gap-x-3">
        {options.map(([option, name]) => (
          <DropdownMenu.RadioItem
            key={option}
            value={option}
            onSelect={(event) => {
              event.preventDefault()
            }}
            className="menu-item data-[state=checked]:font-bold"
          >
            <span className="w-5">
              <DropdownMenu.ItemIndicator>
                <Check aria-hidden className="size-5" />
              </DropdownMenu.ItemIndicator>
            </span>
            {name}
          </DropdownMenu.RadioItem>
        ))}
      </div>
    </DropdownMenu.RadioGroup>
  )
}
