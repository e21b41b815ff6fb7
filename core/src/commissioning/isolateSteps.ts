import type { LoopContext } from '../loop/context'
import { fieldValue } from '../plant/fieldValue'
import type { ResolvedDevice } from '../document/chain'
import type { Source } from '../wiring/sources'
import type { DeadTestVerdict } from '../wiring/deadTest'
import { type SafetyStep, signOf } from './safetyStep'
import { DEAD_V, LIVE_V } from '../units/peopleLimits'
import { stepMaker } from './stepMaker'

/** Verdict on a voltage that should be none. */
export function deadVoltage(volts: number | null): DeadTestVerdict {
  if (volts === null)
    return {
      verdict: 'stop',
      code: 'dead.over-range',
      figures: {},
      forbidsEnergising: true,
    }
  const v = Math.abs(volts)
  if (v <= DEAD_V)
    return {
      verdict: 'good',
      code: 'dead.good',
      figures: { volts: v },
      forbidsEnergising: false,
    }
  return v >= LIVE_V
    ? {
        verdict: 'stop',
        code: 'dead.live',
        figures: { volts: v },
        forbidsEnergising: true,
      }
    : {
        verdict: 'stop',
        code: 'dead.picked-up',
        figures: { volts: v },
        forbidsEnergising: true,
      }
}

/** Every source that keeps a wire of this loop live, the loop\u2019s own first. */
export function sourcesToIsolate({ rows, wires }: LoopContext): readonly Source[] {
  const all = new Map<string, Source>()
  if (wires.main) all.set(wires.main.device, wires.main)
  for (const { source } of rows) if (source) all.set(source.device, source)
  return [...all.values()]
}

/** Drives and fans with electronics hold their charge for minutes. */
export const holdsCharge = ({ facts }: ResolvedDevice) =>
  facts.category === 'drive' ||
  (facts.category === 'load' &&
    Object.values(facts.ports).some(({ kind }) => kind === 'signal-in') &&
    Object.values(facts.ports).some(
      (port) => port.kind === 'supply-in' && Object.values(port.variants).some(({ highV }) => highV > LIVE_V),
    ))

/**
 * Pairs that are proved dead at one source: every hot to every hot, each to neutral and to earth, neutral to earth. What a source is
 * made of that nobody listed is taken as one phase; its further poles have a step of their own.
 */
export function deadPairs({ kind, volts = 230, feet }: Source): readonly (readonly [string, string])[] {
  if (kind === 'battery') return [['+', '\u2212']]
  if (kind === 'own' && volts <= LIVE_V) return [['one wire', 'the other']]
  const { hots, neutral, earth } = feet ?? { hots: ['L'], neutral: 'N', earth: 'PE' }
  const between = hots.flatMap((a, i) => hots.slice(i + 1).map((b) => [a, b] as const))
  const toOthers = hots.flatMap((hot) =>
    [neutral, earth].flatMap((other) => (other === undefined ? [] : [[hot, other] as const])),
  )
  return [...between, ...toOthers, ...(neutral === undefined || earth === undefined ? [] : [[neutral, earth] as const])]
}

/**
 * Isolate and prove dead: every source off and locked, the tester on a known source before and after, each pair measured, charges waited
 * out. What the loop\u2019s own switch leaves live is a source of its own here.
 */
export function isolateSteps(context: LoopContext): readonly SafetyStep[] {
  const { rows, chain, data } = context
  if (rows.length === 0) return []
  const make = stepMaker('isolate', context)
  const sources = sourcesToIsolate(context)
  const sign = signOf(sources.map(({ device }) => device))
  const wait = fieldValue(data, 'wait.drive')
  const off = sources.map((source, i) => {
    const mine = rows.filter((row) => row.source?.device === source.device).map(({ number }) => number)
    const told =
      mine.length === 0 ? '' : ` Wires ${mine.slice(0, 12).join(', ')}${mine.length > 12 ? ' and more' : ''}.`
    const name = `${source.tag} ${source.name}`
    return make.answered(
      source.kind === 'battery'
        ? {
            id: `off:${source.device}`,
            group: 'Off and locked',
            title: `Take the fuse of ${source.tag} out`,
            doing: `${name}: fuse out and in your pocket, minus first where the clamp comes off.${told}`,
            should: 'The fuse is out.',
            caution: 'A short on a battery has no limit but the fuse: no rings, no loose tools.',
          }
        : source.kind === 'own'
          ? {
              id: `off:${source.device}`,
              group: 'Off and locked',
              title: `Find what feeds ${source.tag}, off and locked`,
              doing: `${name} has a supply of its own that is not in this list${i > 0 ? `: the switch of ${sources[0]!.tag} leaves it live` : ''}.${told}`,
              should: 'Its own switch is off, locked and tagged.',
            }
          : {
              id: `off:${source.device}`,
              group: 'Off and locked',
              title: `Switch ${source.tag} off and lock it`,
              doing: `${name}: off, locked, tag hung, key in your pocket.${told}`,
              should: 'Off, locked and tagged.',
            },
      { code: 'answer.not-off', figures: { tag: source.tag } },
    )
  })
  const charged = chain.devices.filter(holdsCharge).map((device) =>
    make.answered(
      {
        id: `wait:${device.id}`,
        group: 'Off and locked',
        title: `Wait for ${device.tag} to discharge`,
        doing: `${device.name} holds its charge after it is off. At least ${wait.typical} min, longer where the label says so (${wait.source}).`,
        should: `${wait.typical} min have passed.`,
        yes: 'Waited',
        caution: 'Stored charge: its terminals stay live after the switch is off.',
      },
      { code: 'answer.still-charged', figures: { tag: device.tag } },
    ),
  )
  const counts = fieldValue(data, 'dead.dclink')
  const discharged = (volts: number | null): DeadTestVerdict =>
    volts !== null && Math.abs(volts) <= counts.typical
      ? {
          verdict: 'good',
          code: 'charge.gone',
          figures: { volts },
          forbidsEnergising: false,
        }
      : {
          verdict: 'stop',
          code: 'charge.still-there',
          figures: { volts, deadV: counts.typical },
          forbidsEnergising: true,
        }
  const charge = chain.devices.filter(holdsCharge).flatMap((device) => {
    const read = (id: string, title: string, doing: string) =>
      make.read(
        {
          id: `${id}:${device.id}`,
          group: 'Prove dead',
          title,
          doing,
          should: `${counts.typical} V or less counts as dead (${counts.source}).`,
          ask: { kind: 'number', quantity: 'voltage', low: -1500, high: 1500 },
          caution:
            'Stored charge: a meter for its DC voltage, guarded tips, one hand. A dead supply does not prove it.',
        },
        discharged,
      )
    return device.facts.category === 'drive'
      ? [
          read(
            'dclink',
            `DC link of ${device.tag}`,
            `After the wait: volts DC between + and \u2212 of the DC link of ${device.name}, each to earth too; enter the highest.`,
          ),
          read(
            'leads',
            `Motor terminals of ${device.tag}`,
            `Volts at its motor terminals, U-V, V-W, U-W, each to earth, AC and DC; enter the highest. A motor that is turned by air or water makes voltage: hold it.`,
          ),
        ]
      : [
          read(
            'charge',
            `${device.tag} discharged`,
            `After the wait: volts at the supply terminals of ${device.name}, AC and DC, pole to pole and each to earth; enter the highest.`,
          ),
        ]
  })
  const tester = (when: 'before' | 'after') =>
    make.answered(
      {
        id: `tester-${when}:${sign}`,
        group: when === 'before' ? 'Tester' : 'Tester again',
        title: when === 'before' ? 'Try the tester on a known source' : 'Try the tester again',
        doing:
          when === 'before'
            ? 'Two-pole tester on something that is surely live.'
            : 'The same tester on the same live source: only then was dead really dead.',
        should: 'It shows the voltage.',
        yes: 'It shows',
        no: 'It does not',
      },
      { code: 'answer.tester-not-proved', figures: {} },
    )
  const dead = sources.flatMap((source) =>
    [...deadPairs(source), ...(source.kind === 'own' && (source.volts ?? LIVE_V + 1) > LIVE_V ? [FURTHER] : [])].map(
      ([a, b]) =>
        make.read(
          {
            id: `dead:${source.device}:${a}-${b}`,
            group: 'Prove dead',
            title: `${source.tag} dead, ${a} to ${b}`,
            doing:
              a === FURTHER[0]
                ? `${source.name} may have more than one phase, and a run or interlock circuit from elsewhere: tester at every further terminal, to every other pole and to earth; enter the highest.`
                : `Two-pole tester at the first terminal that ${source.tag} feeds, ${a} to ${b}.`,
            should: `Dead: ${DEAD_V} V or less.`,
            ask: { kind: 'number', quantity: 'voltage', low: -1000, high: 1000 },
          },
          deadVoltage,
        ),
    ),
  )
  return [...off, ...charged, tester('before'), ...dead, ...charge, tester('after')]
}

/** Poles that nobody listed, of a source that is not in this list. */
const FURTHER = ['further poles', 'all'] as const
