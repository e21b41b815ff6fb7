import { ohmWords } from './ohmWords'
import { capital } from './terms'
import type { StepWords } from './sentences'

const volts = (v: number | null) => (v === null ? 'over-range' : `${Number(v.toPrecision(4))} V`)
const meterWords = (value: number | null, unit: string) =>
  value === null ? 'over-range' : `${Number(value.toPrecision(3))} ${unit}`
const MEND = 'Not proved: do not energise. Mend it, then answer again.'
const NOT_PROVED = 'Not proved: do not energise.'
const FIND_BREAK = `${NOT_PROVED} Find the break: clamp by clamp from the earth bar, bare metal under each.`

/** What is said of a safety step, by code, from its figures. */
const stepWords = {
  'earth.none': (): StepWords => ({ cause: 'No earth: the meter is over its range.', next: FIND_BREAK }),
  'earth.good': (f: { readonly reading: number; readonly limit: number }): StepWords => ({
    cause: `Earth is ${ohmWords(f.reading)}, at most ${ohmWords(f.limit)} is right.`,
    next: 'Next test.',
  }),
  'earth.loose': (f: { readonly reading: number; readonly limit: number }): StepWords => ({
    cause: `Earth is ${ohmWords(f.reading)}, a little over ${ohmWords(f.limit)}.`,
    next: 'Null the meter leads, tighten the clamps, measure again before anything goes live.',
  }),
  'earth.too-high': (f: { readonly reading: number; readonly limit: number }): StepWords => ({
    cause: `Earth is ${ohmWords(f.reading)}, at most ${ohmWords(f.limit)} is right.`,
    next: FIND_BREAK,
  }),
  'row.open': (f: { readonly reading: null | number }): StepWords => ({
    cause: `The row is open (${ohmWords(f.reading)}).`,
    next: `${NOT_PROVED} Check both landings and the label: a wire one terminal beside its place reads the same.`,
  }),
  'row.through': (f: { readonly reading: number; readonly limit: number }): StepWords => ({
    cause: `The row is through: ${ohmWords(f.reading)}, at most ${ohmWords(f.limit)}.`,
    next: 'Next test.',
  }),
  'row.too-high': (f: { readonly reading: number; readonly limit: number }): StepWords => ({
    cause: `${ohmWords(f.reading)} is over ${ohmWords(f.limit)}: a loose clamp, a thin wire, or a load in the row.`,
    next: 'Null the leads, tighten both ends, lift the load, measure again.',
  }),
  'apart.planned': (f: { readonly reading: number; readonly expected: number }): StepWords => ({
    cause: `${ohmWords(f.reading)} is planned here (${ohmWords(f.expected)}): an earthed common reads through.`,
    next: 'Next test.',
  }),
  'apart.load': (f: { readonly reading: number; readonly loadOhm: number }): StepWords => ({
    cause: `${ohmWords(f.reading)} is the load itself (${ohmWords(f.loadOhm)} by its plate), no short.`,
    next: 'Next test.',
  }),
  'apart.good': (f: { readonly reading: null | number }): StepWords => ({
    cause: `Apart: ${ohmWords(f.reading)}.`,
    next: 'Next test.',
  }),
  'apart.joined': (f: { readonly reading: number; readonly loadOhm: number | undefined }): StepWords => ({
    cause: `Joined: ${ohmWords(f.reading)}${f.loadOhm === undefined ? '' : `, the load alone would give ${ohmWords(f.loadOhm)}`}.`,
    next: `${NOT_PROVED} Halve the run: lift the middle clamp, measure both ways, go on with the half that is joined.`,
  }),
  'apart.unexplained': (f: { readonly reading: number; readonly loadOhm: number | undefined }): StepWords => ({
    cause: `${ohmWords(f.reading)} between conductors that have to be apart${f.loadOhm === undefined ? ' (no load is named that explains it)' : `, the load would give ${ohmWords(f.loadOhm)}`}.`,
    next: `${NOT_PROVED} Lift the load and measure again; name its ohms if it explains the reading. Damp dries, a nicked wire does not.`,
  }),
  'insulation.electronics': (f: { readonly testV: number }): StepWords => ({
    cause: `Electronics are still connected: ${f.testV} V would break them and they would spoil the reading.`,
    next: 'Lift controllers, drives and surge protectors, then measure. Never on the output of a drive.',
  }),
  'insulation.too-low': (f: { readonly reading: number; readonly least: number }): StepWords => ({
    cause: `${ohmWords(f.reading)}: at least ${ohmWords(f.least)} is asked for.`,
    next: `${NOT_PROVED} Halve the run. A damp element is dried out and tested again.`,
  }),
  'insulation.other-volts': (f: {
    readonly reading: null | number
    readonly usedV: number
    readonly circuit: 'extra-low' | 'mains'
    readonly testV: number
    readonly protectors: boolean
  }): StepWords => ({
    cause: `${ohmWords(f.reading)} measured with ${volts(f.usedV)}: ${f.circuit === 'mains' ? 'a circuit up to 500 V' : 'an extra-low circuit'} is tested with ${volts(f.testV)}.`,
    next: f.protectors
      ? 'It counts only where surge protectors cannot be lifted; write that down, or measure again with 500 V.'
      : `Measure again with ${volts(f.testV)}.`,
  }),
  'insulation.passes': (f: { readonly reading: number; readonly least: number; readonly good: number }): StepWords => ({
    cause: `${ohmWords(f.reading)} passes (${ohmWords(f.least)}), but sound new wiring shows ${ohmWords(f.good)} or more.`,
    next: 'Look for damp and long parallel runs; note it. Discharge the circuit.',
  }),
  'insulation.good': (f: { readonly reading: null | number; readonly least: number }): StepWords => ({
    cause: `Insulation is ${ohmWords(f.reading)}, at least ${ohmWords(f.least)}.`,
    next: 'Discharge the circuit, then the next test.',
  }),
  'volts.over-range': (f: { readonly what: 'Polarity' | 'Supply' }): StepWords => ({
    cause: `${f.what}: the meter is over its range.`,
    next: `${NOT_PROVED} Set the meter for the voltage that is planned.`,
  }),
  'volts.right': (f: {
    readonly what: 'Polarity' | 'Supply'
    readonly reading: number
    readonly expected: number
  }): StepWords => ({
    cause: `${f.what} is right: ${volts(f.reading)}, ${volts(f.expected)} planned.`,
    next: 'Next test.',
  }),
  'volts.swapped': (f: { readonly reading: number }): StepWords => ({
    cause: `${volts(f.reading)}: the two conductors are swapped.`,
    next: `${NOT_PROVED} Isolate, swap them, prove again.`,
  }),
  'volts.none': (f: { readonly reading: number; readonly expected: number }): StepWords => ({
    cause: `${volts(f.reading)}: nothing arrives, ${volts(f.expected)} planned.`,
    next: 'Isolate. Check fuse, isolator and the supply wire before the device is connected.',
  }),
  'volts.wrong-supply': (f: {
    readonly reading: number
    readonly expected: number
    readonly lowV: number
    readonly highV: number
  }): StepWords => ({
    cause: `${volts(f.reading)} instead of ${volts(f.expected)}: the wrong supply or the wrong pair of terminals.`,
    next: `${NOT_PROVED} Do not connect the device: it takes ${volts(f.lowV)} to ${volts(f.highV)}.`,
  }),
  'probe.open': (f: { readonly reading: null | number }): StepWords => ({
    cause: `The probe is open (${ohmWords(f.reading)}).`,
    next: 'Look for the break in cable or connections, both leads lifted.',
  }),
  'probe.shorted': (f: { readonly reading: number }): StepWords => ({
    cause: `The probe is shorted (${ohmWords(f.reading)}).`,
    next: 'Look for a pinched cable or a connection that touches.',
  }),
  'probe.good': (f: { readonly reading: number; readonly expected: number }): StepWords => ({
    cause: `The probe gives ${ohmWords(f.reading)}, its table ${ohmWords(f.expected)}.`,
    next: 'Next test.',
  }),
  'probe.off-table': (f: {
    readonly reading: number
    readonly expected: number
    readonly reach: number
  }): StepWords => ({
    cause: `The probe gives ${ohmWords(f.reading)}, its table ${ohmWords(f.expected)} ± ${ohmWords(f.reach)}.`,
    next: 'Let it settle beside a reference thermometer and measure again; far off it is another kind of probe.',
  }),
  'earth.length-assumed': (f: {
    readonly reading: number
    readonly limit: number
    readonly wire: number
  }): StepWords => ({
    cause: `${ohmWords(f.reading)} is over ${ohmWords(f.limit)}, and the length of its wire is assumed.`,
    next: `Type the length of wire ${f.wire} in the list: then it is judged.`,
  }),
  'rows.failed': (f: { readonly bad: readonly number[] }): StepWords => ({
    cause: `Wire ${f.bad.join(', ')} failed.`,
    next: 'Not proved: do not energise. Mend it and measure again.',
  }),
  'rows.through': (f: { readonly wires: number }): StepWords => ({
    cause: `All ${f.wires} wires are through.`,
    next: 'Next test.',
  }),
  'load.open': (f: {
    readonly tag: string
    readonly reading: null | number
    readonly expected: number
  }): StepWords => ({
    cause: `${f.tag} reads ${ohmWords(f.reading)}, its plate gives ${ohmWords(f.expected)}.`,
    next: 'Open: a broken element, a cut-out that has tripped, or a lifted wire.',
  }),
  'load.shorted': (f: { readonly reading: number; readonly tag: string }): StepWords => ({
    cause: `${ohmWords(f.reading)} across ${f.tag}: shorted, no coil or motor reads so little.`,
    next: 'Not proved: do not energise. Lift the load and measure wire and load apart.',
  }),
  'load.no-plate': (f: { readonly reading: null | number; readonly tag: string }): StepWords => ({
    cause: `${ohmWords(f.reading)} across ${f.tag}: no short. Its plate tells no ohms to hold it against.`,
    next: 'Note it for the next visit.',
  }),
  'neutral.whole': (f: { readonly reading: number }): StepWords => ({
    cause: `${ohmWords(f.reading)}: the neutral is whole and unswitched.`,
    next: 'Next test.',
  }),
  'neutral.broken': (f: {
    readonly reading: null | number
    readonly limitOhm: number
    readonly tag: string
  }): StepWords => ({
    cause: `${ohmWords(f.reading)} instead of under ${ohmWords(f.limitOhm)}: line and neutral are swapped at ${f.tag}, or a contact stands in the neutral.`,
    next: 'Not proved: do not energise. Swap them, the contact belongs in the line.',
  }),
  'couple.whole': (f: { readonly reading: number }): StepWords => ({
    cause: `Whole: ${ohmWords(f.reading)}.`,
    next: 'Next probe.',
  }),
  'couple.broken': (f: { readonly reading: null | number }): StepWords => ({
    cause: `${ohmWords(f.reading)}: the couple is broken, or a connection is loose.`,
    next: 'Look at the connections; compensating cable of the same type all the way.',
  }),
  'probe.temperature-taken': (): StepWords => ({ cause: 'Taken.', next: 'Now the ohms.' }),
  'probe.no-temperature': (f: { readonly reading: null | number }): StepWords => ({
    cause: `${ohmWords(f.reading)} read, but no temperature to hold it against.`,
    next: 'Enter the temperature at the probe.',
  }),
  'answer.electronics-connected': (): StepWords => ({
    cause: 'Electronics are still connected: the test voltage would break them.',
    next: MEND,
  }),
  'answer.circuit-not-ready': (): StepWords => ({
    cause: 'The circuit is not ready: what is left out is not tested.',
    next: MEND,
  }),
  'insulation.earthed-on-purpose': (f: { readonly reading: number; readonly devices: string }): StepWords => ({
    cause: `${ohmWords(f.reading)}: the 0 of ${f.devices} is earthed on purpose, that reads through.`,
    next: 'No fault yet: lift the link, answer the step before, and measure again.',
  }),
  'chassis.clear': (f: { readonly reading: null | number }): StepWords => ({
    cause: `${ohmWords(f.reading)}: clear of the chassis.`,
    next: 'Next test.',
  }),
  'chassis.leaks': (f: { readonly reading: number }): StepWords => ({
    cause: `${ohmWords(f.reading)} from plus to the chassis.`,
    next: 'Not proved: the fuse stays out. Find where it chafes, or what is still joined.',
  }),
  'dead.over-range': (): StepWords => ({
    cause: 'The tester is over its range.',
    next: 'It is live. Step back, find what feeds it.',
  }),
  'dead.good': (f: { readonly volts: number }): StepWords => ({
    cause: `Dead: ${meterWords(f.volts, 'V')}.`,
    next: 'Next pair.',
  }),
  'dead.live': (f: { readonly volts: number }): StepWords => ({
    cause: `Live: ${meterWords(f.volts, 'V')}.`,
    next: 'Hands off. Another supply feeds it: find it, off, lock, prove again.',
  }),
  'dead.picked-up': (f: { readonly volts: number }): StepWords => ({
    cause: `${meterWords(f.volts, 'V')}: picked up from a wire beside it, or a second supply.`,
    next: 'Measure with the tester\u2019s low resistance. What stays is fed: find it, off, lock.',
  }),
  'answer.not-off': (f: { readonly tag: string }): StepWords => ({
    cause: `${f.tag} is not off and locked.`,
    next: MEND,
  }),
  'answer.still-charged': (f: { readonly tag: string }): StepWords => ({
    cause: `${f.tag} still holds its charge.`,
    next: MEND,
  }),
  'charge.gone': (f: { readonly volts: number }): StepWords => ({
    cause: `Discharged: ${meterWords(f.volts, 'V')}.`,
    next: 'Next.',
  }),
  'charge.still-there': (f: { readonly volts: number | null; readonly deadV: number }): StepWords => ({
    cause: `${capital(meterWords(f.volts, 'V'))}: still charged.`,
    next: `Hands off. Wait again and measure again: ${f.deadV} V or less counts as dead. It does not fall: its discharge is broken, call the maker\u2019s service.`,
  }),
  'answer.tester-not-proved': (): StepWords => ({
    cause: 'A tester that shows nothing on a live source proves nothing.',
    next: MEND,
  }),
  'answer.not-authorised': (): StepWords => ({ cause: 'Only an authorised person goes on.', next: MEND }),
  'answer.round-not-off': (): StepWords => ({ cause: 'Not off: nothing is landed.', next: MEND }),
  'answer.not-landed': (): StepWords => ({
    cause: 'Not landed: the next round would test nothing.',
    next: MEND,
  }),
  'answer.phases': (): StepWords => ({
    cause: 'A phase is missing or two are exchanged: off, locked, dead, exchange two supply wires, prove again.',
    next: MEND,
  }),
  'source.in-window': (f: {
    readonly reading: number | null
    readonly unit: 'V' | 'mA'
    readonly low: number
    readonly high: number
  }): StepWords => ({
    cause: `${meterWords(f.reading, f.unit)} lies in ${f.low} to ${f.high} ${f.unit}.`,
    next: 'It is landed in the next dead pause.',
  }),
  'source.outside': (f: {
    readonly reading: number | null
    readonly unit: 'V' | 'mA'
    readonly low: number
    readonly high: number
  }): StepWords => ({
    cause: `${meterWords(f.reading, f.unit)} is outside ${f.low} to ${f.high} ${f.unit}: another signal, reversed, or no source.`,
    next: 'Look at plus and minus and at how the source is set, before it is landed.',
  }),
  'supply.in-window': (f: {
    readonly volts: number
    readonly lowV: number
    readonly highV: number
    readonly tag: string
  }): StepWords => ({
    cause: `${meterWords(f.volts, 'V')} lies in ${f.lowV} to ${f.highV} V, what ${f.tag} takes.`,
    next: 'Next test.',
  }),
  'supply.high-without-load': (f: {
    readonly volts: number
    readonly tag: string
    readonly highV: number
  }): StepWords => ({
    cause: `${meterWords(f.volts, 'V')} without load, ${f.tag} takes up to ${f.highV} V.`,
    next: 'Another tap or a stiffer transformer, before it is landed.',
  }),
  'neutral.dead': (f: { readonly reading: number | null }): StepWords => ({
    cause: `${meterWords(f.reading, 'V')}: the neutral.`,
    next: 'Next.',
  }),
  'neutral.live': (f: { readonly reading: number | null }): StepWords => ({
    cause: `${meterWords(f.reading, 'V')} on the neutral: line and neutral are swapped, or the neutral is broken.`,
    next: 'Not proved: off, locked, proved dead; mend it, prove again.',
  }),
  'ground-fault.trips': (f: { readonly reading: number }): StepWords => ({
    cause: `Trips at ${f.reading} mA.`,
    next: 'Reset it. Next test.',
  }),
  'ground-fault.trips-early': (f: { readonly reading: number }): StepWords => ({
    cause: `Trips at ${f.reading} mA already: something leaks behind it.`,
    next: 'Insulation of each branch, then again.',
  }),
  'ground-fault.too-late': (f: { readonly reading: null | number; readonly high: number }): StepWords => ({
    cause: `${f.reading === null ? 'It does not trip' : `Trips at ${f.reading} mA only`}: over ${f.high} mA it protects nobody at water.`,
    next: 'Off and locked. Another device; then this test again.',
  }),
  'fault-loop.good': (f: { readonly reading: number | null }): StepWords => ({
    cause: `${ohmWords(f.reading)}: the breaker trips at once.`,
    next: 'Next test.',
  }),
  'fault-loop.by-residual': (f: { readonly reading: number | null; readonly mostOhm: number }): StepWords => ({
    cause: `${ohmWords(f.reading)}, over ${ohmWords(f.mostOhm)}: the breaker does not trip at once, only the residual-current device does.`,
    next: 'It counts only where local code takes that, and its device is proved. Else earth conductor, clamps, length.',
  }),
  'fault-loop.too-high': (f: { readonly reading: number | null; readonly mostOhm: number }): StepWords => ({
    cause: `${ohmWords(f.reading)}, at most ${ohmWords(f.mostOhm)} is right: a fault to earth would stay on.`,
    next: 'Off and locked. Earth conductor, clamps, length; or a residual-current device where local code takes it.',
  }),
  'trip.in-time': (f: { readonly reading: number }): StepWords => ({
    cause: `Trips within ${Math.round(f.reading)} ms.`,
    next: 'Reset it. Next test.',
  }),
  'trip.too-late': (f: { readonly reading: null | number; readonly mostMs: number }): StepWords => ({
    cause:
      f.reading === null ? 'It does not trip.' : `Trips after ${Math.round(f.reading)} ms, ${f.mostMs} ms is the most.`,
    next: 'Off and locked. Its neutral must not touch earth behind it, nor be shared; else another device. Then this test again.',
  }),
  'winding.open': (): StepWords => ({
    cause: 'Open: the winding is broken, or its cut-out has opened.',
    next: 'Not proved: do not energise. Let it cool, measure again; else another motor.',
  }),
  'winding.too-high': (f: { readonly reading: number; readonly mostOhm: number }): StepWords => ({
    cause: `${ohmWords(f.reading)}, ${ohmWords(f.mostOhm)} is the most: a broken winding, or a bad connection before it.`,
    next: 'Not proved: do not energise. Clamps and leads first; measure at the motor itself; still so, another motor.',
  }),
  'winding.shorted': (f: { readonly reading: number }): StepWords => ({
    cause: `${ohmWords(f.reading)}: shorted, no winding reads so little.`,
    next: 'Not proved: do not energise. Lift the leads and measure motor and cable apart.',
  }),
  'winding.taken': (f: { readonly reading: number; readonly allCount: number }): StepWords => ({
    cause: `${ohmWords(f.reading)}${f.allCount === 3 ? ': taken, it counts beside the two others' : ': the winding, whole'}.`,
    next: 'Next pair.',
  }),
  'winding.alike': (f: { readonly known: readonly number[]; readonly worst: number }): StepWords => ({
    cause: `${f.known.map((each) => ohmWords(each)).join(', ')}: alike within ${f.worst.toFixed(1)} %.`,
    next: 'Next test.',
  }),
  'winding.apart': (f: {
    readonly known: readonly number[]
    readonly worst: number
    readonly alikePercent: number
  }): StepWords => ({
    cause: `${f.known.map((each) => ohmWords(each)).join(', ')}: ${f.worst.toFixed(1)} % apart, ${f.alikePercent} % is the most.`,
    next: 'Not proved: do not energise. A loose clamp or turns that touch: measure at the motor itself; still so, another motor.',
  }),
  'answer.neutral-lifted': (): StepWords => ({
    cause: 'A neutral or an earth that is left lifted: a body goes live, and volts go astray.',
    next: MEND,
  }),
  'answer.link-lifted': (): StepWords => ({
    cause: 'Without its link the secondary floats: a first fault stays unseen.',
    next: MEND,
  }),
  'answer.electronics-lifted': (): StepWords => ({
    cause: 'Something is still lifted: first live would test another circuit than this.',
    next: MEND,
  }),
  'answer.bridge-left': (): StepWords => ({ cause: 'A bridge that stays by-passes what it bridges.', next: MEND }),
  'power-up.crankcase': (): StepWords => ({
    cause: 'Cold oil is full of refrigerant: a start now breaks the compressor. Wait, or call the licensed trade.',
    next: MEND,
  }),
  'power-up.supply': (): StepWords => ({
    cause: 'Off again. Back to the dead tests: separation and insulation.',
    next: MEND,
  }),
  'power-up.controller': (): StepWords => ({
    cause: 'Supply pair, supply voltage, probe input: in that order.',
    next: MEND,
  }),
  'power-up.pull': (): StepWords => ({
    cause:
      'Another display changed: two probes are swapped. Off, dead, swap them back at the controller, then pull again.',
    next: MEND,
  }),
  'power-up.travel': (): StepWords => ({
    cause:
      'The wrong way: open and close are swapped, or it is set the other way round. Too slow: voltage at its terminals.',
    next: MEND,
  }),
  'power-up.dry': (f: { readonly contact: string; readonly tag: string }): StepWords => ({
    cause: `${f.contact} is closed without flow: stuck, bridged, or in another line. Off. ${f.tag} must not run before it is mended.`,
    next: MEND,
  }),
  'power-up.protection': (f: { readonly contact: string; readonly tag: string }): StepWords => ({
    cause: `${f.contact} does not stop ${f.tag}: it is by-passed or in the wrong line. Off, isolate, look at the logic.`,
    next: MEND,
  }),
  'power-up.turn': (): StepWords => ({
    cause:
      'The wrong way round: off, locked, dead, charge waited out; on three phases exchange two motor leads. Stuck: one phase, look at its capacitor.',
    next: MEND,
  }),
  'power-up.last': (): StepWords => ({
    cause: 'It stays on: welded contact, or the output rests the wrong way. Off, isolate.',
    next: MEND,
  }),
}

/** Code of what was found at a safety step. */
export type StepCode = keyof typeof stepWords

/** What was found at a safety step, as a code and the figures that its sentences are made of. */
export type StepFact = {
  readonly [C in StepCode]: {
    readonly code: C
    readonly figures: Parameters<(typeof stepWords)[C]> extends [infer F, ...unknown[]] ? F : object
  }
}[StepCode]

/** The sentences about it. Ohms, volts and milliamps are read off a meter as they are: they need nobody's units. */
export const sayStep = ({ code, figures }: StepFact): StepWords =>
  (stepWords[code] as (f: object) => StepWords)(figures)
