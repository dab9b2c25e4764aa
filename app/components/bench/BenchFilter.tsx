import { Search } from 'lucide-react'
import { useRef } from 'react'
import { Form, Link, useSubmit } from 'react-router'

import type { BenchView } from '~/views/bench/benchView.ts'
import { BENCH_SORTS, BENCH_STAGES, BENCH_WAITS } from '~/views/bench/benchChoices.ts'
import { LONGEST_SEARCH, isFiltered } from '~/views/bench/benchView.ts'
import { SORT_WORDS, WAIT_WORDS, benchStageWords } from '~/views/bench/benchWords.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

interface BenchFilterProps {
  readonly view: BenchView
  readonly words: Vocabulary
  /** Initials of the people of the shop. */
  readonly people: readonly string[]
}

/** What the boxes are told apart by, each with its choices. */
function choicesOf({ view, words, people }: BenchFilterProps) {
  const known = new Set([...people, ...(view.who === null ? [] : [view.who])])
  return [
    {
      name: 'stage',
      title: 'At stage',
      value: view.stage ?? '',
      options: [
        ['', 'any stage'],
        ...BENCH_STAGES.map((stage) => [stage, benchStageWords(words, stage)] as const),
      ],
    },
    {
      name: 'waits',
      title: 'Waits for',
      value: view.waits ?? '',
      options: [
        ['', 'whatever waits'],
        ...BENCH_WAITS.map((wait) => [wait, WAIT_WORDS[wait]] as const),
      ],
    },
    ...(known.size === 0
      ? []
      : [
          {
            name: 'who',
            title: 'Whose job it is',
            value: view.who ?? '',
            options: [
              ['', 'anybody’s job'],
              ...[...known].map((each) => [each, `job of ${each}`] as const),
            ] as const,
          },
        ]),
    {
      name: 'sort',
      title: 'In order',
      value: view.sort,
      options: BENCH_SORTS.map((sort) => [sort, SORT_WORDS[sort]] as const),
    },
  ] as const
}

/** Days between which a unit was here. */
function Days({ view: { since, until } }: Pick<BenchFilterProps, 'view'>) {
  return (
    <details className="open:basis-full" open={since !== null || until !== null}>
      <summary className="text-accent px-2 font-semibold">By date</summary>
      <div className="flex flex-wrap items-center gap-2 pb-1">
        {(
          [
            ['since', 'Here from', since],
            ['until', 'to', until],
          ] as const
        ).map(([name, title, day]) => (
          <label key={name} className="flex items-center gap-2">
            {title}
            <input
              key={day}
              type="date"
              name={name}
              className="field w-auto"
              defaultValue={day ?? ''}
            />
          </label>
        ))}
        <button className="button">Find</button>
      </div>
    </details>
  )
}

/** Which boxes are shown, and in which order; without a script a button asks for them. */
export function BenchFilter(props: BenchFilterProps) {
  const { view } = props
  const form = useRef<HTMLFormElement>(null)
  const submit = useSubmit()
  return (
    <Form
      ref={form}
      method="get"
      action="/"
      role="search"
      className="flex flex-wrap items-start gap-x-3 gap-y-2 pb-3"
      onSubmit={(event) => {
        event.preventDefault()
        // What is left open has no place in the address.
        const asked = [...new FormData(event.currentTarget)].filter(([, value]) => value !== '')
        void submit(new URLSearchParams(asked as [string, string][]), { action: '/' })
      }}
    >
      <label className="relative block min-w-[14rem] flex-1">
        <span className="sr-only">
          Search the boxes by name, reference, serial, complaint or part
        </span>
        <Search aria-hidden className="text-graphite absolute top-3 left-3 size-5" />
        <input
          key={view.search}
          type="search"
          name="q"
          defaultValue={view.search}
          className="field pl-10"
          placeholder="Name, owner, serial, complaint, part…"
          maxLength={LONGEST_SEARCH}
        />
      </label>
      <button className="button">Find</button>
      {choicesOf(props).map(({ name, title, value, options }) => (
        <label key={name} className="max-sm:min-w-[8.4rem] max-sm:flex-1">
          <span className="sr-only">{title}</span>
          <select
            key={value}
            name={name}
            defaultValue={value}
            className="field sm:w-auto sm:max-w-[11rem]"
            onChange={() => {
              form.current?.requestSubmit()
            }}
          >
            {options.map(([option, words]) => (
              <option key={option} value={option}>
                {words}
              </option>
            ))}
          </select>
        </label>
      ))}
      <Days view={view} />
      {isFiltered(view) && (
        <Link to="/" className="button-quiet">
          Show all
        </Link>
      )}
    </Form>
  )
}
