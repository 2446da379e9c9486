/**
 * Calls of one screen, each begun when the one before has been answered: no answer shows things older than the
 * last, and what is sent can be read off what the last one brought.
 */
export function inTurn(): <T>(begin: () => Promise<T>) => Promise<T> {
  let last: Promise<unknown> = Promise.resolve()
  return (begin) => {
    const mine = last.then(begin, begin)
    last = mine
    return mine
  }
}
