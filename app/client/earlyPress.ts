/**
 * A page can be seen before its script has run. Which key was pressed meanwhile is held by a line
 * of script in the page itself, and pressed once more when the page answers.
 */

interface Holding {
  udrixPressed?: HTMLButtonElement | undefined
  udrixHold?: ((event: Event) => void) | undefined
}

/** The line; forms are sent by the browser itself, so their keys are not held. */
export const HOLD_PRESSES = `addEventListener('click',window.udrixHold=e=>{window.udrixPressed=e.target.closest&&e.target.closest('button[type=button]')||window.udrixPressed},true)`

/** Presses what was pressed last before the page answered, where it is still there. */
export function replayPress(): void {
  // What the line has left on the window.
  const holding = globalThis as typeof globalThis & Holding
  const { udrixPressed: pressed, udrixHold: hold } = holding
  if (!hold) return
  removeEventListener('click', hold, true)
  holding.udrixHold = undefined
  holding.udrixPressed = undefined
  if (pressed?.isConnected === true && !pressed.disabled) pressed.click()
}
