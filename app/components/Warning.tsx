import { TriangleAlert } from 'lucide-react'
import clsx from 'clsx'
import type { ComponentProps } from 'react'

/** A sentence of what is wrong, with its mark. With `role="alert"` it is read out as it comes. */
export function Warning({ className, children, ...attributes }: ComponentProps<'p'>) {
  return (
    <p className={clsx('trouble', className)} {...attributes}>
      <TriangleAlert aria-hidden /> <span className="min-w-0 break-words">{children}</span>
    </p>
  )
}
