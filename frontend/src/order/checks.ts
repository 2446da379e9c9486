/** The order checks by their short names, in the order in which they are shown. */
export const CHECKS: Record<string, { short: string; words: string }> = {
  identity: { short: 'identity', words: 'Identity' },
  interchange: { short: 'fits', words: 'Interchange' },
  shaft: { short: 'shaft', words: 'Shaft' },
  housing: { short: 'housing', words: 'Housing' },
  quantity: { short: 'quantity', words: 'Quantity' },
  clearance: { short: 'clearance', words: 'Clearance' },
  strip_down: { short: 'strip-down', words: 'Strip-down' },
  build: { short: 'build', words: 'Build' },
  stock: { short: 'stock', words: 'Stock' },
}
/** Those that every part has stand in columns; the others only where there is something to say. */
export const COLUMNS = ['identity', 'interchange', 'shaft', 'housing', 'quantity'] as const
