const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i

/** Whether a text can be the id of anything in the database. */
export function isId(text: string): boolean {
  return UUID.test(text)
}
