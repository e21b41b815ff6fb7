import { id, number, record } from './field'

/** Place of an entry among the others of its map. */
export const order = () => number('place in the list', 'count', { min: 0, max: 1e15 })

/** A port of a device. */
export const portRef = (word: string) => record(word, { device: id('device'), port: id('port') })
