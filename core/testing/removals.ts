/** Whether parts can be taken off in an order, tried one by one. */
import type { Removable } from '../assembly/removal.ts'

export function stepsOff(parts: readonly Removable[], order: readonly string[]): boolean {
  const off = new Set<string>()
  const known = new Map(parts.map((part) => [part.id, part]))
  return order.every((id) => {
    const isOpen = known
      .get(id)
      ?.ways.some(({ blockedBy }) => blockedBy.every((each) => off.has(each) || !known.has(each)))
    off.add(id)
    return isOpen === true
  })
}
