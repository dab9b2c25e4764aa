import type { Thumb } from '~/views/section/thumb.ts'

/** The section as a small picture. */
export function SectionThumb({ thumb: { width, height, outlines } }: { readonly thumb: Thumb }) {
  return (
    <svg className="section thumb" viewBox={`0 0 ${width} ${height}`} aria-hidden>
      {outlines.map(({ className, d }) => (
        <path key={className} className={className} d={d} />
      ))}
    </svg>
  )
}
