import { mountings } from '../../plant/enclosure'
import { choice, filled, flag, growing, instant, map, maybe, number, record, text, whole } from '../../schema/field'
import { order } from '../../schema/places'
import { readingRecord } from './readingFields'

const side = (word: string) => maybe(number(word, 'length', { over: 0, max: 10 }))

/** State of one wire row. The row itself is derived; its identity is its two ends. */
export const rowRecord = growing(
  record('wire', {
    landed: maybe(flag('landed')),
    /** Number that the landed wire carries: it stays when the list around it changes. */
    number: maybe(number('number', 'count', { min: 1, max: 10000 })),
    tested: maybe({ ...readingRecord, word: 'tested' }),
    note: maybe(text('note', 400)),
    label: maybe(text('label', 20)),
    lengthM: maybe(number('length', 'length', { min: 0, max: 10000 })),
    sizeMm2: maybe(number('section', 'section', { over: 0, max: 1000 })),
  }),
)

/** What became of one row when the chain was changed. */
export const rowChangeRecord = whole(
  record('change of the wire list', {
    order: order(),
    what: choice('what', ['came', 'went', 'moved']),
    /** The wire in words, as it was or is to be. */
    says: filled('wire', 400),
    /** It had been landed: the wire is still there. */
    landed: maybe(flag('landed')),
  }),
)

/** A step that was answered: done, or not so and what stood against it. */
export const stepDoneRecord = whole(
  record('step', {
    answer: choice('answer', ['yes', 'no'], { yes: 'done', no: 'not so' }),
    by: filled('by', 80),
    at: instant('at'),
  }),
)

/** The box that the devices go into, as far as it is known. */
export const boxRecord = record('box', {
  heightM: side('height'),
  widthM: side('width'),
  depthM: side('depth'),
  mounting: maybe(choice('mounting', mountings)),
  build: maybe(choice('made of', ['steel', 'stainless', 'plastic'])),
  outsideC: maybe(number('temperature around it', 'temperature', { min: -60, max: 100 })),
})

/** What was done at the wires, the box and the probes of a loop. */
export const wiringRecord = record('wiring', {
  rows: map('wires', rowRecord),
  /** What a change of the chain did to a list that was being worked through, by row; taken away once seen. */
  changed: maybe(map('changed wires', rowChangeRecord)),
  /** Steps of placing, mounting, isolating and switching on that were done, by step. */
  done: maybe(map('steps', stepDoneRecord)),
  box: maybe(boxRecord),
})
