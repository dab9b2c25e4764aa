import { Download, Plus, Wrench } from 'lucide-react'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { v7 as uuidv7 } from 'uuid'

import type { PartLine } from 'core'
import { LINE_STATES, indexBox, needsOf } from 'core'

import { TypedField } from '~/components/Fields.tsx'
import { withDatabase } from '~/.server/answers.ts'
import { chosenJob } from '~/.server/jobDownloads.ts'
import { sparesFor } from '~/.server/spares.ts'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { OrderTable } from '~/components/order/OrderTable.tsx'
import type { OrderLine } from '~/views/order/orderLines.ts'
import { inspectionWords, orderLines, totalsOf, totalsWords } from '~/views/order/orderLines.ts'
import { unitPartName } from '~/words/jobs.ts'
import { LONGEST_LINE, tooLongWords } from '~/words/lengths.ts'
import { capitalize } from '~/words/names.ts'

import type { Route } from './+types/order'
import { entryBodySchema } from '~/files/jobEntry.ts'
import { LINE_STATE_NAMES } from '~/words/measures.ts'
import { Warning } from '~/components/Warning.tsx'

/** What other units and the shelf have of what this job needs. */
export async function loader({ params, request }: Route.LoaderArgs) {
  const { box, words, job } = await chosenJob(params.boxId, request)
  const keys = needsOf(box.draft, job).map(({ key }) => key)
  const spares = await withDatabase(() => sparesFor(box, keys))
  return {
    spares: spares.flatMap(({ spare, found }) => {
      const naming = { box: indexBox(spare), words }
      return found.map(({ parts, ...rest }) => ({
        ...rest,
        names: parts.map((ref) => ({ ref, name: unitPartName(naming, ref) })),
      }))
    }),
  }
}

/** The list stays where the server does not answer, without what others have of it. */
export function clientLoader({ serverLoader }: Route.ClientLoaderArgs) {
  return serverLoader().catch(() => ({ spares: [] }))
}

interface AddLineProps {
  readonly isDisabled: boolean
  readonly onAdd: (what: string, isLabour: boolean) => void
  readonly children: React.ReactNode
}

/** Asks for a part that no verdict asks for, or for work. */
function AddLine({ isDisabled, onAdd, children }: AddLineProps) {
  const [added, setAdded] = useState('')
  const add = (isLabour: boolean): void => {
    if (tooLongWords(added, LONGEST_LINE) !== null) return
    onAdd(added, isLabour)
    if (added.trim() !== '') setAdded('')
  }
  return (
    <form
      className="no-print mt-3 flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        add(false)
      }}
    >
      <TypedField
        label="Another part, or work"
        className="w-[20rem]"
        value={added}
        longest={LONGEST_LINE}
        isDisabled={isDisabled}
        onType={setAdded}
      />
      <button className="button" disabled={isDisabled}>
        <Plus aria-hidden /> Add
      </button>
      <button
        type="button"
        className="button"
        disabled={isDisabled}
        onClick={() => {
          add(true)
        }}
      >
        <Wrench aria-hidden /> Add as labour
      </button>
      {children}
    </form>
  )
}

/** What is looked at where parts like those ordered are replaced. */
function LookAsWell({ looks }: { readonly looks: readonly string[] }) {
  if (looks.length === 0) return null
  return (
    <section aria-label="Look at as well" className="mt-3">
      <h3 className="text-[1.05rem]">Look at as well</h3>
      <ul className="list-disc pl-6">
        {looks.map((each) => (
          <li key={each}>{capitalize(each)}</li>
        ))}
      </ul>
    </section>
  )
}

/** What is replaced, what goes with it, what it costs, and what has arrived. */
export default function Order({ loaderData: { spares } }: Route.ComponentProps) {
  const { id, draft, words } = useOpenBox()
  const { job, current, record, shelf } = useOpenJob()
  const [problem, setProblem] = useState<string>()
  const naming = useMemo(() => ({ box: indexBox(draft), words }), [draft, words])
  const lines = useMemo(() => orderLines(naming, job), [naming, job])
  const looks = useMemo(() => inspectionWords(naming, job), [naming, job])
  const totals = totalsOf(lines)
  const isDisabled = current === undefined || job.isClosed
  const keep = ({ why: _why, isWritten: _isWritten, ...line }: Partial<OrderLine>): void => {
    const parsed = entryBodySchema.safeParse({ kind: 'line', line })
    setProblem(parsed.error?.issues[0]?.message)
    if (parsed.success) record(parsed.data)
  }
  const addOwn = (what: string, isLabour: boolean): void => {
    const own: PartLine = {
      key: `own:${uuidv7()}`,
      what,
      quantity: 1,
      price: null,
      state: 'needed',
      ...(isLabour && { isLabour }),
    }
    keep(own)
  }
  return (
    <main className="flex-1 px-4 py-3 lg:min-h-0 lg:overflow-auto">
      <title>{`${draft.name} · Parts · Udrix`}</title>
      <h2 className="hidden text-[1.35rem] print:block">{draft.name}</h2>
      <h2 className="text-[1.35rem]">Parts to order</h2>
      {lines.length === 0 ? (
        <p className="py-2 text-[1.05rem]">
          Nothing is to be replaced yet. Parts come here by their verdicts:{' '}
          <Link to={`/boxes/${id}/measure`} className="text-accent underline">
            measure first
          </Link>
          , or add a part yourself.
        </p>
      ) : (
        <>
          <p className="py-1" role="status">
            {LINE_STATES.map((state) => `${totals.byState[state]} ${LINE_STATE_NAMES[state]}`).join(
              ', ',
            )}
            . {totalsWords(totals, shelf.currency)}
          </p>
          <div className="overflow-x-auto">
            <OrderTable
              currency={shelf.currency}
              lines={lines}
              spares={spares}
              stock={shelf.stock}
              isDisabled={isDisabled}
              onKeep={keep}
            />
          </div>
          <LookAsWell looks={looks} />
        </>
      )}
      {problem && (
        <Warning role="alert" className="mt-2">
          {problem}
        </Warning>
      )}
      <AddLine isDisabled={isDisabled} onAdd={addOwn}>
        {lines.length > 0 && current && (
          <a className="button" href={`/boxes/${id}/order.csv?job=${current.id}`} download>
            <Download aria-hidden /> Parts as CSV
          </a>
        )}
      </AddLine>
    </main>
  )
}
