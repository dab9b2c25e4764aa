import { useState } from 'react'

import { LONGEST_NAME } from 'core'

import { useOpenBox } from './boxContext.ts'

/** The box's name, which can be written over in place. */
export function BoxName({ isDemo }: { readonly isDemo: boolean }) {
  const { draft, edit } = useOpenBox()
  const [name, setName] = useState(draft.name)
  const commit = () => {
    const trimmed = name.trim()
    if (trimmed === '') setName(draft.name)
    else if (trimmed !== draft.name) edit({ kind: 'rename', name: trimmed, base: draft.name })
  }
  return (
    <h1 className="flex min-w-[9rem] flex-1 basis-[13rem] items-center gap-2 text-[1.15rem]">
      <input
        aria-label="Name of the box"
        className="hover:border-steel focus:border-accent field-sizing-content min-h-[44px] max-w-full min-w-[5rem] text-ellipsis border-b-2 border-transparent bg-transparent px-1"
        value={name}
        maxLength={LONGEST_NAME}
        onChange={(event) => {
          setName(event.target.value)
        }}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur()
          if (event.key === 'Escape') setName(draft.name)
        }}
      />
      {isDemo && (
        <span className="border-steel text-graphite flex-none border max-sm:hidden px-1.5 text-[0.8rem] font-semibold">
          demo
        </span>
      )}
    </h1>
  )
}
