interface MarkedBlock {
  readonly toothCount: number
  readonly x: number
  readonly width: number
  readonly y: number
  readonly radius: number
  /** Distance from the axis within which no marks are drawn. */
  readonly inner: number
}

/**
 * The teeth of a gear seen from the side, as one path: a line across the face for
 * each tooth on the near half, at the height that its place round the gear has.
 */
export function toothMarks({ toothCount, x, width, y, radius, inner }: MarkedBlock): string {
  const step = (2 * Math.PI) / toothCount
  const marks: string[] = []
  for (let angle = step / 2 - Math.PI / 2; angle < Math.PI / 2; angle += step) {
    const height = radius * Math.sin(angle)
    if (Math.abs(height) > inner)
      marks.push(`M${x.toFixed(0)} ${(y + height).toFixed(1)}h${width.toFixed(0)}`)
  }
  return marks.join('')
}
