import { Search } from 'lucide-react'
import { useRef } from 'react'
import { Form, Link } from 'react-router'

import type { BenchView } from '~/views/bench/benchView.ts'
import { BENCH_SORTS, BENCH_STAGES, BENCH_WAITS } from '~/views/bench/benchChoices.ts'
import { LONGEST_SEARCH, isFiltered } from '~/views/bench/benchView.ts'
import { SORT_WORDS, WAIT_WORDS, benchStageWords } from '~/views/bench/benchWords.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

interface BenchFilterProps {
  readonly view: BenchView
  readonly words: Vocabulary
}

/** What the boxes are told apart by, each with its choices. */
function choicesOf({ view, words }: BenchFilterProps) {
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
    {
      name: 'sort',
      title: 'In order',
      value: view.sort,
      options: BENCH_SORTS.map((sort) => [sort, SORT_WORDS[sort]] as const),
    },
  ] as const
}

/** Which boxes are shown, and in which order; without a script a button asks for them. */
export function BenchFilter({ view, words }: BenchFilterProps) {
  const form = useRef<HTMLFormElement>(null)
  return (
    <Form
      ref={form}
      method="get"
      action="/"
      role="search"
      className="flex flex-wrap items-end gap-x-3 gap-y-2 pb-3"
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
      {choicesOf({ view, words }).map(({ name, title, value, options }) => (
        <label key={name} className="max-sm:grow">
          <span className="sr-only">{title}</span>
          <select
            key={value}
            name={name}
            defaultValue={value}
            className="field min-w-full sm:w-auto sm:max-w-[11rem] sm:min-w-0"
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
      {isFiltered(view) && (
        <Link to="/" className="button-quiet">
          Show all
        </Link>
      )}
    </Form>
  )
}
