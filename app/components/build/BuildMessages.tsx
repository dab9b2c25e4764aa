/** What stands in the way of an order, was left on the bench, or is told of and gone. */
import type { AssemblyPart, Order, Progress } from 'core'

import { Warning } from '~/components/Warning.tsx'
import { assemblyPartName } from '~/words/build.ts'
import { unitPartName } from '~/words/jobs.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize } from '~/words/names.ts'

interface BuildMessagesProps {
  readonly naming: Naming
  readonly order: Order
  readonly progress: Progress
  /** Whether what nobody said anything of counts as off. */
  readonly isApart: boolean
  /** What people stated of parts that are gone, by reference. */
  readonly lost: readonly string[]
  readonly partOf: (ref: string) => AssemblyPart | undefined
  readonly onUndo: (parts: readonly AssemblyPart[]) => void
}

export function BuildMessages(props: BuildMessagesProps) {
  const { naming, order, progress, isApart, lost, partOf, onUndo } = props
  const name = (ref: string): string => {
    const part = partOf(ref)
    return part ? assemblyPartName(naming, part) : unitPartName(naming, ref)
  }
  const names = (refs: readonly string[]): string => refs.map(name).join(', ')
  const [first, ...others] = order.circle
  const heldWords = (): string => {
    const together = partOf(first ?? '')
    if (others.length > 0)
      return `These hold one another, so that none can go first: ${names(order.circle)}. ${order.isCircleLeast ? '' : 'There may be fewer that do: to find the fewest would take too long. '}Check their sizes, or take back what was stated of their order.${order.stuck.length > order.circle.length ? ` ${order.stuck.length} parts in all wait for it.` : ''}`
    if (together && together.refs.length > 1)
      return `${capitalize(assemblyPartName(naming, together))} only move together, and what was stated of their order contradicts itself. Take one of these statements back.`
    return `Nothing lets the ${name(first ?? '')} off: the shaft, or what stays on it, is thicker than its bore on both sides. Check bore and shoulders on Lay out, or say that it is in halves.`
  }
  const gone = [...new Set([...progress.lost, ...lost])]
  return (
    <>
      {first !== undefined && (
        <Warning role="status">{heldWords()} The other parts have their order.</Warning>
      )}
      {gone.length > 0 && (
        <Warning role="status">
          No longer in this box, though this job or what was stated of the order tells of it:{' '}
          {names(gone)}. The rest goes on; parts that nobody said anything of count as{' '}
          {isApart ? 'off' : 'in'}.
        </Warning>
      )}
      {progress.forgotten.map(({ part, undo }) => (
        <Warning key={part.id} role="status">
          The {assemblyPartName(naming, part)} is still here, and what is in keeps it out.{' '}
          {undo.length > 0 && (
            <>
              The least to take off again: {names(undo)}.{' '}
              <button
                type="button"
                className="button-quiet underline"
                onClick={() => {
                  onUndo(undo.flatMap((id) => partOf(id) ?? []))
                }}
              >
                They are off again
              </button>
            </>
          )}
        </Warning>
      ))}
    </>
  )
}
