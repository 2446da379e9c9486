/** Figures as they stand on drawings and beside them: with a true minus sign. */
const minus = (text: string): string => text.replace('-', '−')
/** A figure with its sign; 0 has none. */
export const signed = (value: number): string => (value > 0 ? `+${value}` : minus(String(value)))
/** To whole numbers. */
export const whole = (value: number): string => minus(String(Math.round(value) + 0))
/** From least to most, whole. */
export const range = (of: { min: number; max: number }): string => `${whole(of.min)} … ${whole(of.max)}`
