/** Writes that go one after another, each on top of the one before. A write tells itself what was refused, and does not throw. */
export function useTurns() {
  let last: Promise<void> = Promise.resolve()

  /** @returns ends when this write has been answered */
  function inTurn(write: () => Promise<void> | undefined): Promise<void> {
    last = last.then(write)
    return last
  }
  /** Ends when all that was begun has been answered. */
  const settled = () => last

  return { inTurn, settled }
}
