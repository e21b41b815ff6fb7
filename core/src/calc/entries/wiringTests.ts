import { type ContactExpression, contactLogic } from '../../wiring/contactLogic'
import { deadTests, deadTestVerdict, type DeadTestInput } from '../../wiring/deadTest'
import { sayStep } from '../../words/stepWords'
import { defineCalculation } from '../calculation'
import { choice, list, nullable, number, object, optional, text, yes } from '../field'

export const logicTable = defineCalculation<{ expression: ContactExpression }>({
  id: 'logic.table',
  title: 'Contacts in series and parallel',
  find: 'truth table series parallel override bypass limit safety contacts logic permissive interlock',
  inputs: {
    expression: {
      type: 'expression',
      title: 'Contacts',
      hint: 'and: in series; or: in parallel; not: opens when made',
    },
  },
  outputs: {
    meaning: text('Meaning', { longest: 2000 }),
    mustClose: list('Must close', text('Contact')),
    idle: list('Never matter', text('Contact')),
    contacts: list('Contacts', text('Contact')),
    bypasses: list('Made ineffective', object('By-pass', { contact: text('Contact'), by: text('By') })),
    rows: list(
      'Table',
      object('Row', { inputs: { type: 'map', title: 'Contacts', of: yes('Closed') }, runs: yes('Runs') }),
    ),
  },
  formula:
    'every state of every contact; must close: open in no row that runs; by-passed: with the other closed it makes no difference, with it open it does',
  source: 'Boolean algebra',
  cautions: ['A limit or safety that something by-passes is a stop: put it in series with everything.'],
  examples: [
    {
      given: { expression: { or: [{ and: ['thermostat', 'limit'] }, 'override'] } },
      gives: {
        mustClose: [],
        bypasses: [
          { contact: 'thermostat', by: 'override' },
          { contact: 'limit', by: 'override' },
        ],
      },
      source: 'by hand: the override alone runs it',
    },
    {
      given: { expression: { and: ['limit', { or: ['thermostat', 'override'] }] } },
      gives: {
        mustClose: ['limit'],
        bypasses: [
          { contact: 'thermostat', by: 'override' },
          { contact: 'override', by: 'thermostat' },
        ],
      },
      source: 'by hand: the limit stands in series with both',
    },
    {
      given: { expression: { and: ['a', { not: 'b' }] } },
      gives: {
        mustClose: ['a'],
        bypasses: [],
        rows: [
          { inputs: { a: false, b: false }, runs: false },
          { inputs: { a: false, b: true }, runs: false },
          { inputs: { a: true, b: false }, runs: true },
          { inputs: { a: true, b: true }, runs: false },
        ],
      },
      source: 'by hand',
    },
  ],
  run: ({ expression }) => {
    const logic = contactLogic(expression)
    const { mustClose, bypasses, idle } = logic
    const by = new Map<string, string[]>()
    for (const each of bypasses) by.set(each.by, [...(by.get(each.by) ?? []), each.contact])
    const meaning = [
      mustClose.length > 0
        ? `${mustClose.join(' and ')} ${mustClose.length > 1 ? 'stay' : 'stays'} in series: open ${mustClose.length > 1 ? 'one' : 'it'} and the load drops, whatever else is closed.`
        : logic.rows.some(({ runs }) => runs)
          ? 'No contact stays in series with everything: each of them can be got round.'
          : 'It never runs.',
      ...[...by].map(
        ([name, contacts]) =>
          `While ${name} is closed, ${contacts.join(' and ')} ${contacts.length > 1 ? 'do' : 'does'} nothing.`,
      ),
      ...(idle.length > 0 ? [`${idle.join(' and ')} never makes a difference.`] : []),
    ].join(' ')
    return { ...logic, meaning }
  },
  picture: ({ expression }) => ({ kind: 'contacts', expression }),
})

export const deadTestEntry = defineCalculation<DeadTestInput>({
  id: 'deadtest.verdict',
  title: 'Verdict of a dead test',
  find: 'earth continuity insulation megohm short separation polarity probe supply first live test reading',
  inputs: {
    test: choice('Test', deadTests),
    reading: nullable(
      number('Reading', 'factor', {
        prefixed: true,
        hint: 'Ohms for resistances (0.4M and 12k are understood), volts for polarity and supply; "out" is over-range',
      }),
    ),
    expected: optional(number('Expected', 'factor', { prefixed: true })),
    tolerance: optional(number('Tolerance', 'factor', { min: 0, prefixed: true })),
    circuit: optional(
      choice('Circuit', ['extra-low', 'mains'], { default: 'mains', when: { input: 'test', is: ['insulation'] } }),
    ),
    testV: optional(
      number('Tested with', 'voltage', { over: 0, max: 10_000, when: { input: 'test', is: ['insulation'] } }),
    ),
    electronicsConnected: optional({
      ...yes('Electronics still connected', { default: false }),
      when: { input: 'test', is: ['insulation'] },
    }),
    loadOhm: optional(
      number('Load between them', 'resistance', {
        over: 0,
        hint: 'What a load on these conductors explains',
        when: { input: 'test', is: ['separation'] },
      }),
    ),
  },
  outputs: {
    verdict: choice('Verdict', ['good', 'look-again', 'stop'], {
      says: { good: 'good', 'look-again': 'look again', stop: 'stop' },
      tones: { good: 'fits', 'look-again': 'look', stop: 'stop' },
    }),
    cause: text('Because', { longest: 2000 }),
    next: text('Next', { longest: 2000 }),
    forbidsEnergising: yes('Forbids energising', { tones: { yes: 'stop' } }),
  },
  formula:
    'earth ≤ expected + 0.05 ohm (0.3 where none is known); row ≤ 1.2 × expected + 0.3 ohm; apart ≥ 1 Mohm or the load itself; insulation ≥ 0.5 Mohm at 250 V (extra-low), 1 Mohm at 500 V (mains); polarity and supply within 10 %; probe within 3 %',
  source: 'IEC 60364-6, IEC 60228; field data pe.limit, cont.limit, ins.*, supply.mains',
  cautions: [
    'Isolate, lock off and prove dead first. Earth comes first: hot to earth proves nothing without an earth. One test can forbid energising, none can permit it.',
  ],
  examples: [
    {
      given: { test: 'earth', reading: 0.12, expected: 0.1 },
      gives: { verdict: 'good', forbidsEnergising: false },
      source: 'field data pe.limit: 0.05 over what the wire reckons to',
    },
    {
      given: { test: 'earth', reading: null },
      gives: { verdict: 'stop', forbidsEnergising: true },
      source: 'safety rule: a failed earth closes first live',
    },
    {
      given: { test: 'insulation', reading: 400_000, circuit: 'mains', testV: 500 },
      gives: { verdict: 'stop', forbidsEnergising: true },
      source: 'IEC 60364-6: at least 1 Mohm with 500 V',
    },
    {
      given: { test: 'separation', reading: 53, loadOhm: 52.9 },
      gives: { verdict: 'good', forbidsEnergising: false },
      source: 'by hand: 230²/1000 W is 52.9 ohm, the element itself',
    },
    {
      given: { test: 'separation', reading: 0.4 },
      gives: { verdict: 'stop', forbidsEnergising: true },
      source: 'safety rule: a failed separation closes first live',
    },
  ],
  run: (input) => {
    const found = deadTestVerdict(input)
    const { verdict, forbidsEnergising } = found
    return { verdict, ...sayStep(found), forbidsEnergising }
  },
})
