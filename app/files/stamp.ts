/** What each response with a page has of its own. */
export interface Stamp {
  readonly nonce: string
  /** Tells what the page was made of from any other state; empty where that is not known. */
  readonly version: string
}
