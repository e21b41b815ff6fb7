import { capital } from '../terms'
import { CLASS_A_MOST_V } from '../../units/peopleLimits'
import type { Words } from '../words'
import type { Sentences } from '../sentences'

const and = (list: readonly string[]) =>
  list.length < 2 ? (list[0] ?? '') : `${list.slice(0, -1).join(', ')} and ${list.at(-1)!}`
const subject = (who: 'animals' | 'people') => (who === 'animals' ? 'Animals' : 'People')

/** The sentences of each safety rule from its figures. Temperatures in °C, currents in A; the reader’s units come from `words`. */
export const safetyFindings = {
  C044_NO_BACKUP: (
    f: {
      who: 'animals' | 'people'
      controllers: readonly string[]
      fans: number
      weak: readonly { tag: string; line: boolean }[]
    },
    _words: Words,
  ): Sentences => ({
    head:
      f.weak.length > 0
        ? `${and(f.weak.map(({ tag }) => tag))} is no backup.`
        : `${subject(f.who)} on forced air, and one controller alone.`,
    reason:
      f.weak.length > 0
        ? f.weak
            .map(({ tag, line }) =>
              line
                ? `${tag} hangs on the circuit that feeds ${and(f.controllers)}: when that fails, both stand.`
                : `${tag} lies behind ${and(f.controllers)} in one line: it moves nothing by itself.`,
            )
            .join(' ')
        : `When ${and(f.controllers)} fails, ${f.fans === 1 ? 'the fan stands' : 'the fans stand'}.`,
    remedy:
      'An independent thermostat with its own probe, in the fan\u2019s own line and on a circuit of its own, that takes a fan to full speed; tested every week.',
  }),
  C104_FAN_MAY_STAND: (f: { who: 'animals' | 'people'; switches: boolean }): Sentences => ({
    head: `${subject(f.who)} on forced air, and the fan may stand still.`,
    reason: f.switches
      ? 'It is switched on and off: when nothing asks for air, it stands.'
      : 'When nothing asks for air, its least speed is off.',
    remedy: f.switches
      ? 'A fan that never stops: by degrees with a least speed, or a second one that always runs.'
      : 'Plan a least speed over where it stalls.',
  }),
  C138_FAN_UNDER_ITS_LEAST: (
    f: { who: 'animals' | 'people'; tag: string; plannedPercent: number; needsPercent: number },
    { say }: Words,
  ): Sentences => ({
    head: `${f.tag} stands at its least speed.`,
    reason: `${say(f.plannedPercent, 'percent')} is planned; it needs ${say(f.needsPercent, 'percent')} to turn at all, and ${f.who} live on it.`,
    remedy: 'Plan a higher least speed, measured at the fan.',
  }),
  C105_FAN_FAILS_SLOW: (
    f: { who: 'animals' | 'people'; goes: 'off' | 'last' | 'duty'; leastPercent: number },
    { say }: Words,
  ): Sentences => ({
    head: 'Without its probe the fan goes slow.',
    reason: `It ${
      f.goes === 'last'
        ? 'stays as it was'
        : f.goes === 'duty'
          ? 'runs a part of the time'
          : f.leastPercent > 0
            ? `falls to ${say(f.leastPercent, 'percent')}`
            : 'stands'
    }; ${f.who} are in there, nobody feels how warm it gets, and no backup is proved.`,
    remedy: 'Choose full speed on probe fault, or prove a backup in the fan\u2019s own line and on its own circuit.',
  }),
  C130_OUTSIDE_TABLE: (
    f: { wire: number; tag: string; fuseA: number; mostA: number; table: string },
    { say }: Words,
  ): Sentences => ({
    head: `Wire ${f.wire} is outside this table.`,
    reason: `${f.tag} is fused at ${say(f.fuseA, 'current', 0)}; the table ends at ${say(f.mostA, 'current', 0)} (${f.table}).`,
    remedy: 'Have its section worked out by whoever may, and write it at the wire.',
  }),
  C131_FLOOR_SUPPLY_UNLIMITED: (f: { mostC: number; known: boolean }, { say, term }: Words): Sentences => ({
    head: 'Nothing limits the water to the floor.',
    reason: `${f.known ? `This ${term('screed')}` : `${capital(term('screed'))} of a kind nobody told`} takes ${say(f.mostC, 'temperature', 0)} at the pipe (EN 1264-4); boiler, valve and line can each fail hot, and the boiler\u2019s own ${term('limiter')} is set for the boiler.`,
    remedy: `A ${term('limiter')} with its own probe on the pipe to the floor, at ${say(f.mostC, 'temperature', 0)} or less, whose own contact stops the floor\u2019s pump.`,
  }),
  C132_SCREED_YOUNG: (f: { days: number; waitDays: number }, { term }: Words): Sentences => ({
    head: `The ${term('screed')} is too young to be heated.`,
    reason: `Laid ${f.days} days ago; its first heat comes after ${f.waitDays} days (EN 1264-4).`,
    remedy: 'Wait. Then three days at low water, four at the design maximum, written down.',
  }),
  C133_LIMITER_RESETS_ITSELF: (
    f: {
      limiter: string
      load: string
      what: 'oven' | 'floor' | 'liquid' | 'fuel'
    },
    { term }: Words,
  ): Sentences => ({
    head: `${f.limiter} comes back by itself.`,
    reason: {
      oven: `It protects ${f.load}: an oven that overshoots does so again and again, and nobody hears of it.`,
      floor: `It protects ${f.load}: the floor is cooked again and again, and nobody hears of it.`,
      liquid: `It protects ${f.load} in a liquid: it boils or runs dry again and again, and nobody hears of it.`,
      fuel: `It protects ${f.load}: a burner that overheats starts again, and nobody looks why.`,
    }[f.what],
    remedy: `A ${term('limiter')} that is reset by hand.`,
  }),
  C134_NOT_BONDED: (f: { who: 'animals' | 'people' }, { term }: Words): Sentences => ({
    head: 'Metal at the water is not bonded.',
    reason: `${subject(f.who)} touch water and metal at once: a fault puts a voltage between them.`,
    remedy: `Rails, ladder, pipes, reinforcement and heater shell joined and to ${term('earth')}, by the licensed trade; measured in the dead tests.`,
  }),
  C135_MAINS_IN_TOUCHED_WATER: (
    f: { tag: string; name: string; volts: number; low: boolean },
    { say, term }: Words,
  ): Sentences => ({
    head: `${f.tag} sits in water that is touched, and carries ${say(f.volts, 'voltage', 0)}.`,
    reason: f.low
      ? `${f.name} is fed from a supply that is not safely separated from ${term('mains')}.`
      : `${f.name} has no reinforced insulation by its leaflet: one fault, and the water is live.`,
    remedy: `${capital(term('extraLow'))} from a ${term('safetyTransformer')} for it, or one made with reinforced insulation for such water.`,
  }),
  C136_AEROSOL_NO_PLAN: (f: { targetC: number; fromC: number; toC: number }, { say }: Words): Sentences => ({
    head: 'Spray of warm water, and no plan against Legionella.',
    reason: `${say(f.targetC, 'temperature', 0)} lies between ${say(f.fromC, 'temperature', 0)} and ${say(f.toC, 'temperature', 0)}, where they grow; with the spray they are breathed in.`,
    remedy: 'Jets and sprays off until whoever may has written a plan, and it is kept.',
  }),
  C137_WATER_TOO_HOT: (f: { targetC: number; mostC: number }, { say, term }: Words): Sentences => ({
    head: 'People touch water that is too hot.',
    reason: `${say(f.targetC, 'temperature', 0)} is planned; over ${say(f.mostC, 'temperature', 0)} the body cannot cool itself.`,
    remedy: `A lower target, with a ${term('limiter')} of its own.`,
  }),
  C139_GROUND_FAULT_REFER: (f: { tag: string; volts: number }, { say }: Words): Sentences => ({
    head: `${f.tag} stands ${say(f.volts, 'voltage', 0)} over ground: refer.`,
    reason: `Class A ground-fault protection is for circuits up to ${say(CLASS_A_MOST_V, 'voltage', 0)} to ground; for more at water there is no simple device.`,
    remedy: 'Refer it to the licensed trade and the authority: another circuit, or special protection.',
  }),
  C140_SAFETY_UNANSWERED: (f: { questions: readonly string[] }): Sentences => ({
    head: `${f.questions.length} ${f.questions.length === 1 ? 'safety question is' : 'safety questions are'} not answered.`,
    reason: 'What can hurt here depends on the answers.',
    remedy: `Answer in Survey: ${and(f.questions)}. First live and signing stay shut until then.`,
  }),
  C142_ONE_LEG_LIVE: (f: { load: string; contact: string; hots: 2 | 3 }): Sentences => ({
    head: f.hots === 3 ? `Not every phase of ${f.load} is broken.` : `One leg of ${f.load} stays live.`,
    reason:
      f.hots === 3
        ? `${f.contact} does not break all three; the others go straight through: a motor then burns on two, and an element stays live with everything off.`
        : `${f.contact} breaks one hot; the other one goes straight through, and with a fault to ground it heats with everything off.`,
    remedy: f.hots === 3 ? 'A three-pole contactor.' : 'A two-pole contactor that breaks both hots.',
  }),
  C155_PHASES: (f: { load: string; supply: string }): Sentences => ({
    head: `${f.load} is made for three phases; ${f.supply} gives one.`,
    reason: 'A motor hums and burns, elements give a part of their heat.',
    remedy: 'Feed it from a three-phase circuit, or choose one for a single phase.',
  }),
}
