import { number } from '../schema/field'

/** A share of full. */
export const share = (word: string) => number(word, 'percent', { min: 0, max: 100 })
/** A time that may be none. */
export const seconds = (word: string, max = 86400) => number(word, 'seconds', { min: 0, max })
/** A time that is never none. */
export const over = (word: string) => number(word, 'seconds', { over: 0, max: 86400 })
/** A temperature. */
export const degrees = (word: string) => number(word, 'temperature', { min: -273.15, max: 2000 })
/** A difference that is never none. */
export const width = (word: string) => number(word, 'difference', { over: 0, max: 1000 })
/** A difference that may be none. */
export const part = (word: string) => number(word, 'difference', { min: 0, max: 1000 })
/** A time in hours, that may be none. */
export const hours = (word: string) => number(word, 'hours', { min: 0, max: 1000 })
/** A time in minutes, that may be none. */
export const minutes = (word: string) => number(word, 'minutes', { min: 0, max: 100_000 })
/** A voltage that is never none. */
export const volts = (word: string) => number(word, 'voltage', { over: 0, max: 100 })
