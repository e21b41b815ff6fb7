import fc from 'fast-check'
import { emptyJob, emptyLoop } from '../document/documents'
import type { Answer } from '../kinds/answers'
import { factsOfKind, type LoopKind } from '../kinds/kinds'
import { isAsked, type NumberQuestion } from '../kinds/question'
import type { Practice } from '../units/practice'
import type { Edited } from '../wiring/edited'
import { sampleOf } from './sampleOf'
import { basics } from './warmFloor'

/** What a circuit is had with where a practice is at home; nothing said, and nothing there, among them. */
const mainsOf: Readonly<Record<Practice, readonly (string | undefined)[]>> = {
  europe: ['230', '230', '400', undefined],
  uk: ['230', '230', '400', undefined],
  us: ['120', '240', '208', '480', undefined],
}

/** Answers that stop a job whatever its chain is: no proposal mends them. */
const never: Readonly<Record<string, readonly string[]>> = {
  explosive: ['yes'],
  solvent: ['yes'],
  bonding: ['no'],
  coAlarm: ['no'],
  waterPlan: ['no'],
  parked: ['enclosed'],
  refrigerant: ['inverter', 'flammable'],
  compressedAir: ['no', 'poor'],
}

/** Sizes that go up and down together: a place three times as large has three times the load. */
const sizes = new Set(['floorArea', 'volume', 'heat', 'batteryAh'])

/** A share from 0 to 1, as an answer of a chance that may be shrunk. */
const share = fc.double({ min: 0, max: 1, noNaN: true })

interface Drawn {
  readonly shares: readonly number[]
  readonly practice: Practice
}

const rounded = (value: number, { low, high }: NumberQuestion) =>
  Math.min(high, Math.max(low, Number(value.toPrecision(3))))

/** The answers that chance gives: each choice open, sizes of the sample by half to double, targets a few kelvin off. */
function answersOf(kind: LoopKind, { shares, practice }: Drawn): Readonly<Record<string, Answer>> {
  const sample = sampleOf(kind).answers
  const answers: Record<string, Answer> = {}
  let at = 0
  const next = () => shares[at++ % shares.length]!
  const size = 2 ** (2 * next() - 1)
  for (const question of factsOfKind(kind).questions) {
    if (!isAsked(question, answers)) continue
    const { id, required } = question
    const drawn = next()
    const said = next() < 0.5
    const given = sample[id]
    if (question.ask === 'choice') {
      if (id === 'mainsAtHand') {
        const mains = mainsOf[practice][Math.floor(drawn * 0.9999 * mainsOf[practice].length)]
        if (mains !== undefined) answers[id] = mains
        continue
      }
      const open = Object.keys(question.choices).filter((each) => !never[id]?.includes(each))
      const safe = question.safety === true
      if (required || safe || said) answers[id] = open[Math.floor(drawn * open.length * 0.9999)]!
      continue
    }
    if (typeof given === 'number') {
      const moved =
        id === 'target'
          ? given + (drawn - 0.5) * 4
          : id === 'designOutdoor'
            ? given + (drawn - 0.5) * 8
            : id === 'tolerance'
              ? given * (0.75 + drawn)
              : sizes.has(id)
                ? given * size
                : given
      answers[id] = question.quantity === 'count' ? Math.round(moved) : rounded(moved, question)
    } else if (id === 'glycol') answers[id] = 25 + Math.round(drawn * 20)
    else if (id === 'storeC') answers[id] = 60
    else if (id === 'screedAge') answers[id] = 1000
    else if (id === 'transformerVa' && said) answers[id] = [20, 40, 60, 100][Math.floor(drawn * 3.999)]!
    else if (required) throw new RangeError(`${kind} asks for ${id}, and no sample says what is usual`)
  }
  return together(answers)
}

/** Answers that contradict one another are no loop: water is not cooled under its freezing point, a fan melts no frost in a freezer. */
function together(answers: Record<string, Answer>): Readonly<Record<string, Answer>> {
  const target = Number(answers['target'])
  if (answers['liquid'] === 'water') answers['target'] = Math.max(6, target + 8)
  if (answers['defrostMeans'] === 'fan') answers['target'] = Math.max(4, target)
  return answers
}

/** A surveyed loop as somebody might answer it: a kind, a practice, every choice open, sizes half to double of the usual. */
export const randomSurvey = (kind: LoopKind): fc.Arbitrary<Edited> =>
  fc
    .record({
      shares: fc.array(share, { minLength: 90, maxLength: 90 }),
      practice: fc.constantFrom<Practice>('europe', 'uk', 'us'),
    })
    .map((drawn) => {
      const us = drawn.practice === 'us'
      const job = emptyJob('job', {
        ...basics,
        ...(us ? { temperatureUnit: 'F' as const, system: 'us' as const } : {}),
        practice: drawn.practice,
      } as typeof basics)
      const loop = emptyLoop('loop', 'job', kind, `A ${kind}`, 1)
      return { job, loop: { ...loop, survey: { ...loop.survey, answers: answersOf(kind, drawn) } } }
    })
