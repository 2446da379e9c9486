/** Where the hand is now; the answer tells later whether it is still there, or nowhere, so that it may be led on. */
export function handStays(): () => boolean {
  const here = document.activeElement ?? document.body
  return () => {
    const now = document.activeElement ?? document.body
    return now === here || now === document.body
  }
}
