import { spell } from '../control/timerSequence'
import type { Behaviour } from '../job/behaviour'
import type { Change } from '../job/command'
import { type HandoverTick, handoverTicks } from '../job/handover'
import type {
  LoopDocument,
  LoopNote,
  PastResult,
  ProofReading,
  Reading,
  RowChange,
  StepDone,
  WayTaken,
} from '../job/documents'
import { safetyStepWords } from '../proof/safetyStep'
import { kindOfTest, stepWords, testTitles } from '../proof/testTitles'
import { hazards } from '../survey/hazards'
import { conventionWords } from '../control/conventionWords'
import { kindFacts } from '../survey/kindFacts'
import { ways } from '../survey/ways'
import { formatQuantity, type UnitPreferences } from '../units/quantity'

export interface WordedChange {
  readonly what: string
  readonly before: string
  readonly after: string
}

type Say = (value: unknown) => string

const plain: Say = (value) => {
  if (value === null || value === undefined) return 'nothing'
  if (value === true) return 'yes'
  if (typeof value === 'object') return (value as { name?: string }).name ?? 'set'
  return String(value)
}
const reading: Say = (value) => {
  const { text, unit, state } = (value ?? { text: '', unit: '', state: 'none' }) as Reading
  return state === 'over-range' ? 'over-range' : state === 'none' ? 'no reading' : `${text} ${unit}`.trim()
}
/** A question by its id; kinds may ask the same one with other choices, so the one that holds the answer goes first. */
function question(id: string | undefined, answer?: unknown) {
  const named = Object.values(kindFacts)
    .flatMap(({ questions }) => questions)
    .filter((q) => q.id === id)
  return named.find((q) => q.ask === 'choice' && Object.hasOwn(q.choices, String(answer))) ?? named[0]
}

/** A plan in its parts, each with its name, so that a change tells only what moved. */
function planParts(value: unknown, preferences: UnitPreferences): readonly string[] {
  const p = value as Behaviour
  const say = (v: number | undefined) => (v === undefined ? 'none' : formatQuantity(v, 'temperature', preferences))
  const gap = (v: number) => formatQuantity(v, 'difference', preferences)
  const all = [
    `lowest ${say(p.lowestC)}`,
    `highest ${say(p.highestC)}`,
    `alarm ${say(p.alarmHighC)}`,
    `low alarm ${say(p.alarmLowC)}`,
    `offset ${gap(p.offsetK)}`,
    `probe fault ${p.probeFault}`,
    `without its probe ${p.dutyPercent === undefined ? 'no share' : `${p.dutyPercent} %`}`,
  ]
  if (p.kind === 'band')
    return [
      `set ${say(p.setpointC)}`,
      `band ${gap(p.bandK)}`,
      p.anchor === 'centred' ? 'half at the set' : 'nothing at the set',
      p.action === 'heating' ? 'heats' : 'cools',
      `least ${p.minimumPercent} %`,
      `most ${p.maximumPercent} %`,
      `integral ${spell(p.integralS)}`,
      `beat ${p.cycleS === undefined ? 'none' : spell(p.cycleS)}`,
      `travel ${p.travelS === undefined ? 'none' : spell(p.travelS)}`,
      ...all,
    ]
  if (p.kind === 'fan')
    return [
      `warm over ${say(p.setpointC)}`,
      `full over another ${gap(p.bandK)}`,
      `damp over ${p.humidityPercent === undefined ? 'none' : `${p.humidityPercent} %`}`,
      `full over another ${p.humidityBandPercent === undefined ? 'none' : `${p.humidityBandPercent} % humidity`}`,
      `least speed ${p.minimumPercent === 'off' ? 'off' : `${p.minimumPercent} %`}`,
      p.minimumMode === 'floor' ? 'demand from 0' : 'demand from the least',
      ...all,
    ]
  return [
    `set ${say(p.setpointC)}`,
    p.convention === 'split'
      ? `swing ${gap(p.aboveK ?? 0)} above, ${gap(p.belowK ?? 0)} below`
      : `swing ${gap(p.swingK)}`,
    `the set ${conventionWords[p.convention]}`,
    `on ${say(p.onC)}`,
    `off ${say(p.offC)}`,
    `rest ${p.minimumOffS} s`,
    p.unused ? 'not used' : 'used',
    p.action === 'heating' ? 'heats' : 'cools',
    `follows ${p.input.port}`,
    ...all,
  ]
}

/** Both sides of a changed plan, with the parts alone that differ; a new or a removed one in full. */
function planSides(from: unknown, to: unknown, preferences: UnitPreferences): Pick<WordedChange, 'before' | 'after'> {
  const [before, after] = [from, to].map((side) => (side ? planParts(side, preferences) : undefined))
  if (!before || !after || (from as Behaviour).kind !== (to as Behaviour).kind)
    return { before: before?.join(', ') ?? 'nothing', after: after?.join(', ') ?? 'nothing' }
  const moved = before.flatMap((part, i) => (part === after[i] ? [] : [i]))
  const told = (parts: readonly string[]) => moved.map((i) => parts[i]).join(', ')
  return { before: told(before), after: told(after) }
}

/** Puts one change into a fitter's words: what it is about, what it was and what it is, in the units given. */
export function wordChange(
  { path, from, to }: Pick<Change, 'path' | 'from' | 'to'>,
  preferences: UnitPreferences,
  wireName: (id: string) => string | undefined = () => undefined,
): WordedChange {
  if (path[0] === 'settings' && path[1] === 'planned' && path.length === 3)
    return { what: 'Plan', ...planSides(from, to, preferences) }
  if (path[0] === 'settings' && path[1] === 'controllers' && path.length === 4) {
    const [before, after] = [from, to].map((side) => controllerParts(side, preferences))
    const only = (mine: readonly string[], other: readonly string[]) =>
      mine.filter((part) => !other.includes(part)).join(', ') || 'nothing'
    return {
      what: controllerWords[path[3]!] ?? 'Controller',
      before: only(before!, after!),
      after: only(after!, before!),
    }
  }
  const [what, say] = named(path, from ?? to, preferences, wireName)
  return { what, before: say(from), after: say(to) }
}

const choiceTitle = (id: string | undefined, value: unknown) => {
  const asked = question(id, value)
  return asked?.ask === 'choice' ? asked.choices[String(value)]?.title : undefined
}
const wayWords: Say = (value) => (value ? (ways[(value as WayTaken).way]?.title ?? 'worked out') : 'nothing')
const foundWords: Readonly<Record<string, string>> = {
  state: 'what was there',
  what: 'device',
  profile: 'device on the shelf',
  serial: 'serial',
  weather: 'weather',
  outdoorC: 'outdoor',
  terminals: 'terminal',
  values: 'value',
}
const foundValue: Say = (value) => {
  if (value === null || value === undefined) return 'nothing'
  if (value === 'there') return 'a control was there'
  if (value === 'none') return 'nothing was there'
  if (typeof value !== 'object') return String(value)
  const { terminal, wire, name, text } = value as Record<string, string>
  return terminal === undefined ? `${name ?? ''} ${text ?? ''}`.trim() : `${terminal}: ${wire ?? ''}`
}
const rowWords: Readonly<Record<string, string>> = { lengthM: 'length', sizeMm2: 'section' }
const controllerWords: Readonly<Record<string, string>> = {
  stages: 'Stages',
  reset: 'Reset line',
  defrost: 'Defrost',
  battery: 'Battery cut-off',
  week: 'Week',
  timer: 'Timer',
  values: 'Other keys',
  owner: 'What the owner may touch',
  lock: 'Lock',
}
/** Units that field names end in. */
const unitOf = [
  ['C', 'temperature'],
  ['K', 'difference'],
  ['V', 'voltage'],
  ['Min', 'minutes'],
  ['S', 'seconds'],
  ['H', 'hours'],
] as const
/** Part of a controller's plan as its fields, each number in the units that are read. */
function controllerParts(value: unknown, preferences: UnitPreferences): string[] {
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value as Record<string, unknown>)
    .flatMap(([field, held]) => {
      if (typeof held === 'object' && held !== null)
        return Object.values(held as Record<string, unknown>).map((each) =>
          controllerParts(each, preferences).join(' '),
        )
      const unit = unitOf.find(([end]) => field.endsWith(end))
      const name = (unit ? field.slice(0, -unit[0].length) : field).replace(/([A-Z])/g, ' $1').toLowerCase()
      const said = unit && typeof held === 'number' ? formatQuantity(held, unit[1], preferences) : String(held)
      return field === 'order' ? '' : `${name} ${said}`
    })
    .filter(Boolean)
}
const boxWords: Readonly<Record<string, string>> = {
  heightM: 'height',
  widthM: 'width',
  depthM: 'depth',
  outsideC: 'temperature around it',
  build: 'made of',
  mounting: 'stands',
}
const basics: Readonly<Record<string, string>> = {
  name: 'Name',
  place: 'Place',
  temperatureUnit: 'Temperature unit',
  system: 'Measures',
  practice: 'Wiring practice',
  zone: 'Time zone',
}

function named(
  path: readonly string[],
  value: unknown,
  preferences: UnitPreferences,
  wireName: (id: string) => string | undefined,
): readonly [string, Say] {
  const [a, b, c, d] = path
  if (a === undefined)
    return [
      (value as { type?: string } | null)?.type === 'loop' ? 'Loop' : 'Job',
      (v) => (v === null ? 'nothing' : (v as LoopDocument).name),
    ]
  if (a === 'survey' && b === 'answers') {
    const asked = question(c, value)
    return [
      `Survey: ${asked?.title.toLowerCase() ?? c}`,
      (v) =>
        typeof v === 'number' && asked?.ask === 'number'
          ? formatQuantity(v, asked.quantity, preferences)
          : asked?.ask === 'choice'
            ? (choiceTitle(c, v) ?? plain(v))
            : plain(v),
    ]
  }
  if (a === 'survey' && b === 'hazards')
    return [
      `Hazard: ${hazards.find(({ id }) => id === c)?.title.toLowerCase() ?? c}`,
      (v) => (v === true ? 'ticked' : 'not ticked'),
    ]
  if (a === 'survey' && b === 'ways') return [`How found: ${question(c)?.title.toLowerCase() ?? c}`, wayWords]
  if (a === 'survey' && b === 'found') return [`As found: ${foundWords[c ?? ''] ?? c ?? ''}`.trim(), foundValue]
  if (a === 'survey') return ['Complaint', plain]
  if (a === 'profiles') return [`Copy of profile ${b}`, plain]
  const part = a === 'devices' ? c : a === 'chain' && b === 'devices' ? d : undefined
  if (part === 'dialC')
    return [
      'Dial of a limiter',
      (v) => (typeof v === 'number' ? formatQuantity(v, 'temperature', preferences) : plain(v)),
    ]
  if (part !== undefined) return [`Device: ${part}`, plain]
  if (a === 'devices' || (a === 'chain' && b === 'devices')) return ['Device', plain]
  if (a === 'chain') return ['Joint', (v) => (v === null || v === undefined ? 'open' : 'joined')]
  if (a === 'wiring' && b === 'done') {
    const [block = '', ...step] = (c ?? '').split('/')
    return [
      safetyStepWords(block, step.join('/')) ?? 'Step',
      (v) => (v === null || v === undefined ? 'open' : (v as StepDone).answer === 'yes' ? 'done' : 'not so'),
    ]
  }
  if (a === 'wiring' && b === 'changed')
    return ['List of wires', (v) => (v === null || v === undefined ? 'seen' : (v as RowChange).says)]
  if (a === 'wiring' && b === 'box')
    return [
      `Box: ${boxWords[c ?? ''] ?? c ?? ''}`.trim(),
      (v) =>
        typeof v === 'number'
          ? formatQuantity(v, c === 'outsideC' ? 'temperature' : 'thickness', preferences)
          : plain(v),
    ]
  if (a === 'wiring')
    return [
      `Wire ${wireName(c ?? '') ?? ''} ${rowWords[d ?? ''] ?? d ?? ''}`.replace(/ +/g, ' ').trim(),
      d === 'tested'
        ? reading
        : d === 'lengthM'
          ? (v) => (typeof v === 'number' ? formatQuantity(v, 'length', preferences) : plain(v))
          : plain,
    ]
  if (a === 'settings' && b === 'controllers')
    return [
      controllerWords[d ?? ''] ?? 'Controller',
      (v) => (v === null || v === undefined ? 'nothing' : controllerParts(v, preferences).join(', ')),
    ]
  if (a === 'settings') return [`${b === 'asFound' ? 'As-found' : 'As-left'} ${d ?? ''}`.trim(), d ? reading : plain]
  const taken = a === 'proof' && b === 'readings' ? (value as ProofReading | null) : null
  const safety = taken && safetyStepWords(taken.test ?? '', taken.step ?? '')
  if (safety) return [safety, reading]
  if (a === 'proof' && b === 'readings') return [taken?.test === undefined ? 'Reading' : stepWords(taken), reading]
  if (a === 'proof' && b === 'skipped')
    return [
      `Test left out: ${testTitles[kindOfTest(c ?? '')] ?? c}`,
      (v) => (v === null || v === undefined ? 'to be made' : (v as { reason: string }).reason),
    ]
  if (a === 'proof' && b === 'takes')
    return [
      `Test begun anew: ${testTitles[kindOfTest(c ?? '')] ?? c}`,
      (v) => `take ${(v as { take: number } | null | undefined)?.take ?? 1}`,
    ]
  // A question of a job from the time when it was kept for a whole loop.
  if (a === 'proof' && b === 'answers') return [`Question: ${c ?? ''}`, plain]
  if (a === 'proof')
    return [
      `Earlier take: ${testTitles[kindOfTest((value as PastResult | null)?.test ?? '')] ?? 'test'}`,
      (v) => (v === null || v === undefined ? 'nothing' : (v as PastResult).head),
    ]
  if (a === 'waivers')
    return ['Finding closed', (v) => (v === null || v === undefined ? 'open' : (v as { reason: string }).reason)]
  if (a === 'instruments') return [`Instrument ${b ?? ''}`.trim(), plain]
  if (a === 'kit')
    return [`Measured with on ${b ?? ''}`, (v) => (v === null || v === undefined ? 'not taken out' : 'taken out')]
  if (a === 'notes' && (value as LoopNote | null)?.photo !== undefined)
    return ['Photo', (v) => (v === null || v === undefined ? 'nothing' : (v as LoopNote).text)]
  if (a === 'notes') return ['Note', (v) => (v === null || v === undefined ? 'nothing' : (v as { text: string }).text)]
  if (a === 'temporary')
    return ['Temporary', (v) => (v === null || v === undefined ? 'nothing' : (v as { what: string }).what)]
  if (a === 'handover' && b === 'ticks')
    return [
      `Hand-over: ${(handoverTicks[c as HandoverTick] ?? c ?? '').toLowerCase()}`,
      (v) => (v === null || v === undefined ? 'not ticked' : 'ticked'),
    ]
  if (a === 'handover' && b === 'reopened')
    return [
      'Hand-over',
      (v) => (v === null || v === undefined ? 'locked' : `opened again: ${(v as { why: string }).why}`),
    ]
  if (a === 'handover' && (b === 'retest' || b === 'call'))
    return [b === 'retest' ? 'Next test' : 'Whom to call', plain]
  if (a === 'handover')
    return [
      'Hand-over',
      (v) => (v === null || v === undefined ? 'not signed' : `signed by ${(v as { by: string }).by}`),
    ]
  return [basics[a] ?? path.join(' '), plain]
}
