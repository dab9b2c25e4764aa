/** How to read the drawing, in one line. */
export function Legend({
  hasRibbon,
  hasGrips = false,
}: {
  readonly hasRibbon: boolean
  readonly hasGrips?: boolean
}) {
  return (
    <p className="text-graphite flex flex-wrap gap-x-5 text-[0.86rem]">
      <span>■ turns with its shaft</span>
      <span>□ free on its shaft</span>
      <span>◀ ▶ engaged that way</span>
      {hasRibbon && <span>━ as wide as the torque it carries</span>}
      {hasGrips && <span>↔ pull a sleeve to move it</span>}
    </p>
  )
}
