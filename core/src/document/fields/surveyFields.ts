import { choice, either, flag, growing, id, map, maybe, number, record, text, whole } from '../../schema/field'
import { order } from '../../schema/places'

/** One way of finding a figure on site, with what was measured, in SI. */
export const wayRecord = whole(
  record('how it was found', { way: id('way'), values: map('measured', number('value', 'factor')) }),
)

/** The control that was there before anything was keyed or lifted. */
export const foundRecord = growing(
  record('as found', {
    /** `none` where there was nothing. */
    state: maybe(
      choice('what was there', ['there', 'none'], { there: 'a control was there', none: 'nothing was there' }),
    ),
    what: maybe(text('device', 120)),
    /** Its profile, where the shelf has it. */
    profile: maybe(id('device on the shelf')),
    serial: maybe(text('serial', 60)),
    weather: maybe(text('weather')),
    outdoorC: maybe(number('outdoor', 'temperature', { min: -100, max: 100 })),
    terminals: maybe(
      growing(
        map(
          'terminals',
          whole(
            record('terminal', {
              order: order(),
              terminal: text('terminal', 20),
              wire: text('wire'),
              /** Voltage measured or seen on it. */
              volts: maybe(number('volts', 'voltage', { min: 0, max: 1000 })),
            }),
          ),
        ),
      ),
    ),
    values: maybe(
      growing(
        map('values', whole(record('value', { order: order(), name: text('name', 60), text: text('shows', 40) }))),
      ),
    ),
  }),
)

export const surveyRecord = record('survey', {
  /** By question: a number in SI, or the key of a choice. */
  answers: map('answers', either('answer', number('answer', 'factor'), { longest: 60 })),
  hazards: map('hazards', flag('ticked')),
  complaint: maybe(text('complaint', 2000)),
  /** How an answer was found on site: which way, and what was measured. */
  ways: maybe(growing(map('how found', wayRecord))),
  found: maybe(foundRecord),
})
