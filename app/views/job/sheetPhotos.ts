/** Which photographs of a job are left off its sheet, as the address keeps it. */

export function leftOutPhotos(text: string | null): ReadonlySet<string> {
  return new Set((text ?? '').split(',').filter(Boolean))
}

/** The address's text after a photograph was put on the sheet or left off. */
export function withPhotoOnSheet(
  leftOut: ReadonlySet<string>,
  photo: string,
  isOn: boolean,
): string {
  const next = new Set(leftOut)
  if (isOn) next.delete(photo)
  else next.add(photo)
  return [...next].join(',')
}
