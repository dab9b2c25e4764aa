import { useState } from 'react'

import { LARGEST } from 'core'

import { tooLongWords } from '~/words/lengths.ts'

import { useOpenBox } from './boxContext.ts'

/** The box's name, to be written over in place. */
export function NameField() {
  const { draft, edit } = useOpenBox()
  const [name, setName] = useState(draft.name)
  const tooLong = tooLongWords(name, LARGEST.nameLength)
  const commit = () => {
    const trimmed = name.trim()
    if (trimmed === '') setName(draft.name)
    else if (trimmed !== draft.name && tooLong === null)
      edit({ kind: 'rename', name: trimmed, base: draft.name })
  }
  return (
    <>
      <input
        aria-label="Name of the box"
        className="hover:border-steel focus:border-accent field-sizing-content min-h-[44px] max-w-full min-w-[5rem] text-ellipsis border-b-2 border-transparent bg-transparent px-1 font-semibold"
        value={name}
        aria-invalid={tooLong !== null}
        aria-describedby={tooLong === null ? undefined : 'name-too-long'}
        onChange={(event) => {
          setName(event.target.value)
        }}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur()
          if (event.key === 'Escape') setName(draft.name)
        }}
      />
      {tooLong && (
        <span
          id="name-too-long"
          role="alert"
          className="bg-sheet border-trouble text-trouble absolute top-full left-0 z-30 mt-1 border px-2 py-1 w-max max-w-[16rem] sm:max-w-[24rem] text-[0.86rem]"
        >
          {tooLong}
        </span>
      )}
    </>
  )
}

/** The name over the pages of a box; on a phone it is written over in the list of all pages. */
export function BoxName({ isDemo }: { readonly isDemo: boolean }) {
  const { draft } = useOpenBox()
  return (
    <h1 className="relative flex min-w-0 items-center gap-2 text-[0.86rem] sm:flex-1 sm:text-[1.15rem] xl:min-w-[9rem] xl:basis-[13rem]">
      <span className="truncate sm:hidden">{draft.name}</span>
      <span className="hidden min-w-0 sm:block">
        <NameField key={draft.name} />
      </span>
      {isDemo && (
        <span className="border-steel text-graphite flex-none border max-sm:hidden px-1.5 text-[0.8rem] font-semibold">
          demo
        </span>
      )}
    </h1>
  )
}
