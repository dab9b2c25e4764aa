/** What stands where in a drawing, in viewBox units, to tell whether two things are apart. */

/** Width to reserve for a character of a name, and the height of a line. */
export const CHARACTER = 8.2
export const LINE = 19

export interface Rectangle {
  readonly left: number
  readonly top: number
  readonly right: number
  readonly bottom: number
}

export function isApart(one: Rectangle, other: Rectangle): boolean {
  return (
    one.right <= other.left ||
    other.right <= one.left ||
    one.bottom <= other.top ||
    other.bottom <= one.top
  )
}

/** What a line of type covers, by its left end and its base line. */
export function lineOf(x: number, y: number, width: number): Rectangle {
  return { left: x, top: y - LINE + 5, right: x + width, bottom: y + 3 }
}
