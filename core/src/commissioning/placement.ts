import { localTexts } from '../words/localTexts'
import { answersOf } from '../kinds/answersOf'
import type { PlacementRule } from '../kinds/kind'
import { factsOfKind } from '../kinds/kinds'
import type { LoopContext } from '../loop/context'
import { type ResolvedDevice } from '../document/chain'
import { ordered } from '../schema/ordered'
import { type FieldData, fieldValue } from '../plant/fieldValue'
import type { ProbePlace } from '../choices/deviceChoices'
import type { CalcCall } from '../kinds/asked'

/** A mistake of placing, with what it costs in this loop. */
interface PlacementMistake extends PlacementRule {
  /** Shown less true, at its low, usual and high, K; left out where no figure is known. */
  readonly errorK?: { readonly low: number; readonly typical: number; readonly high: number; readonly source: string }
  /** What follows for this loop, in words. */
  readonly effect: string
  readonly worked?: CalcCall
}

interface Placement {
  readonly device: ResolvedDevice
  readonly place: string
  readonly rules: readonly PlacementRule[]
  readonly mistakes: readonly PlacementMistake[]
}

interface Mistake extends PlacementRule {
  /** Row of the field data: K, or a share of the difference to the air beside it. */
  readonly row?: string
  readonly share?: true
}

interface Advice {
  readonly title: string
  readonly rules: readonly PlacementRule[]
  readonly mistakes: readonly Mistake[]
}

const TIED: PlacementRule = {
  text: 'Lead tied, a drip loop before the gland.',
  why: 'A pulled lead moves the probe; water runs along it.',
}

/** Where each place of a probe is right and where not. Sizes of errors: field data bias.*. */
const advice: Readonly<Record<ProbePlace, Advice>> = {
  outdoor: {
    title: 'Outdoors',
    rules: [
      { text: 'North or shaded wall, about {2.5 m|8 ft} up.', why: 'Sun on it reads a warm day that is none.' },
      { text: 'Away from vents, windows, flues and doors.', why: 'Air from the house warms it.' },
      { text: 'Lead in from below, entry sealed.', why: 'House air through the conduit warms it from behind.' },
    ],
    mistakes: [
      { text: 'In the sun', why: 'the wall and the housing warm up', row: 'bias.sun' },
      { text: 'Over a vent or a window', why: 'house air rises past it', row: 'bias.warm' },
    ],
  },
  pipe: {
    title: 'Strapped on a pipe',
    rules: [
      { text: 'Clean bare metal, paste, a metal band.', why: 'Paint, rust and plastic keep the heat from it.' },
      { text: 'Where the water leaves, behind the mixing.', why: 'Before it two temperatures run side by side.' },
      { text: 'Insulated over, a hand wide both ways.', why: 'Bare it reads between pipe and air.' },
      TIED,
    ],
    mistakes: [
      { text: 'Bare, not insulated', why: 'it reads between pipe and air', row: 'bias.strap', share: true },
      { text: 'On plastic pipe', why: 'the wall keeps the heat in: slow and low', row: 'bias.strap', share: true },
    ],
  },
  pocket: {
    title: 'In a pocket',
    rules: [
      { text: 'Pushed to the bottom, paste in it, clipped.', why: 'Dry or half in it is slow and reads low.' },
      { text: 'Against the flow or in a bend, tip in the stream.', why: 'Still water near the wall is not the water.' },
      {
        text: 'Before the heater where it rules the return; true only with flow.',
        why: 'Without flow it reads a warm corner.',
      },
      TIED,
    ],
    mistakes: [{ text: 'Dry or too short a pocket', why: 'heat leaks up the tube', row: 'bias.pocket', share: true }],
  },
  water: {
    title: 'In water',
    rules: [
      { text: 'In moving water, away from inlets and the heater.', why: 'Layers differ by degrees in still water.' },
      {
        text: 'Guarded against animals and cleaning, the lead too.',
        why: 'A bitten lead is a shock and a wrong reading.',
      },
      TIED,
    ],
    mistakes: [
      { text: 'Near the inlet or the heater', why: 'it reads what comes in, not the whole', row: 'bias.warm' },
    ],
  },
  air: {
    title: 'In the air of the room',
    rules: [
      { text: 'Inner wall, {1.5 m|5 ft} up, or at the height of whoever lives there.', why: 'Air lies in layers.' },
      { text: 'Off outside walls, sun, draught, lamps and supplies.', why: 'It must feel the room and nothing else.' },
      { text: 'Conduit behind it stopped.', why: 'Air from the wall cools or warms it from behind.' },
    ],
    mistakes: [
      { text: 'On an outside wall', why: 'the wall is colder than the room', row: 'bias.outwall' },
      { text: 'Conduit behind it open', why: 'cold air blows on its back', row: 'bias.conduit' },
      { text: 'Over a supply, a lamp or electronics', why: 'warm air rises past it', row: 'bias.warm' },
    ],
  },
  'return-air': {
    title: 'In the return air',
    rules: [
      { text: 'In the stream back to the unit, before filter and coil.', why: 'Behind them it feels the unit.' },
      { text: 'Not where supply air short-circuits.', why: 'It would end the call before the room is reached.' },
    ],
    mistakes: [{ text: 'In short-circuiting supply air', why: 'it feels the unit itself', row: 'bias.warm' }],
  },
  floor: {
    title: 'In the floor',
    rules: [
      {
        text: 'In a conduit between two pipes, end closed, {0.5 m|20 in} in from the wall.',
        why: 'On a pipe it reads the water; in a conduit it can be renewed.',
      },
      {
        text: 'Not under cupboards, mats or bedding.',
        why: 'Heat that cannot leave makes it read hot; beneath it is hotter still.',
      },
    ],
    mistakes: [{ text: 'On a pipe instead of between two', why: 'it reads the water', row: 'bias.warm' }],
  },
  coil: {
    title: 'On the coil',
    rules: [
      {
        text: 'Clipped into the fins where frost comes first and goes last, away from the heater.',
        why: 'Elsewhere the defrost ends while ice is left.',
      },
      { text: 'Not on the suction line or the tray.', why: 'They warm up long before the coil is clear.' },
      TIED,
    ],
    mistakes: [{ text: 'Beside the defrost heater', why: 'it feels the heater and ends too soon', row: 'bias.warm' }],
  },
  surface: {
    title: 'On the surface',
    rules: [
      {
        text: 'Pressed flat with paste or tape of metal, insulated over.',
        why: 'A bead in the air beside it reads the air.',
      },
      TIED,
    ],
    mistakes: [{ text: 'Loose or bare', why: 'it reads between surface and air', row: 'bias.strap', share: true }],
  },
  oven: {
    title: 'In the chamber',
    rules: [
      { text: 'In the moving air at the load, tip free, not in sight of the elements.', why: 'Elements shine on it.' },
      {
        text: 'The limiter\u2019s probe by itself, where it gets hottest.',
        why: 'Side by side both fail to the same cause.',
      },
      {
        text: 'Compensating cable of its own type, plus on plus.',
        why: 'Copper in between shows the wrong temperature.',
      },
    ],
    mistakes: [{ text: 'In sight of the elements', why: 'radiation warms it over the air', row: 'bias.warm' }],
  },
}

/** Devices that are no probes. */
const others: readonly { readonly suits: (device: ResolvedDevice) => boolean; readonly advice: Advice }[] = [
  {
    suits: ({ facts }) => facts.permissive?.senses === 'flow',
    advice: {
      title: 'Flow switch',
      rules: [
        {
          text: 'Straight pipe, five diameters before and after, arrow with the flow.',
          why: 'Behind a bend it flutters.',
        },
        {
          text: 'Paddle cut to the pipe, it drops out when the pump stops.',
          why: 'One that sticks proves flow that is none.',
        },
      ],
      mistakes: [{ text: 'Before the filter', why: 'a full filter starves the heater, and it still says flow' }],
    },
  },
  {
    suits: ({ facts }) => facts.permissive?.senses === 'air-flow',
    advice: {
      title: 'Air-flow switch',
      rules: [
        {
          text: 'Across the fan or the filter, tubes falling towards the duct.',
          why: 'Water in a tube holds it shut or open.',
        },
      ],
      mistakes: [{ text: 'Set so low that a stopped fan passes', why: 'wind alone keeps it closed' }],
    },
  },
  {
    suits: ({ facts }) => facts.permissive?.senses === 'co',
    advice: {
      title: 'Carbon monoxide alarm',
      rules: [
        {
          text: 'Where people or animals sleep, at breathing height, as its leaflet says.',
          why: 'It must warn whoever breathes it.',
        },
      ],
      mistakes: [{ text: 'Beside a vent or a window', why: 'fresh air keeps it quiet' }],
    },
  },
  {
    suits: ({ facts }) => facts.permissive?.senses === 'frost',
    advice: {
      title: 'Freeze thermostat',
      rules: [
        { text: 'Where the water leaves the evaporator or the coil, on the coldest spot.', why: 'Ice starts there.' },
      ],
      mistakes: [{ text: 'On the inlet', why: 'it is warm there until it is too late' }],
    },
  },
  {
    suits: ({ facts }) => facts.limiter !== undefined,
    advice: {
      title: 'Limiter',
      rules: [
        {
          text: 'Its own probe, by itself, where it gets hottest first.',
          why: 'It must not share a pocket or a fault with the control.',
        },
        { text: 'Reset within reach, but not by chance.', why: 'Whoever resets it looks for the cause first.' },
      ],
      mistakes: [
        {
          text: 'Strapped on bare, not insulated',
          why: 'it reads between pipe and air',
          row: 'bias.strap',
          share: true,
        },
      ],
    },
  },
  {
    suits: ({ facts }) => facts.category === 'transmitter' && facts.ports['out']?.kind === 'measure-out',
    advice: {
      title: 'Transmitter',
      rules: [
        {
          text: 'In the air it is to measure, off walls and supplies.',
          why: 'Humidity follows the temperature beside it.',
        },
      ],
      mistakes: [{ text: 'A little too warm', why: 'humidity then reads far too low', row: 'bias.warm' }],
    },
  },
  {
    suits: ({ facts }) =>
      facts.controller !== undefined &&
      Object.values(facts.ports).every(({ kind }) => kind !== 'probe-in' && kind !== 'measure-in'),
    advice: { ...advice.air, title: 'Room controller with its own probe' },
  },
]

/** Air beside a pipe or a surface, where nothing else is known, \u00b0C. */
const AIR_C = 20

/** The temperature that a device is to feel: the plan\u2019s set, or its own dial. */
function feltC({ loop, chain }: LoopContext, device: ResolvedDevice): number | undefined {
  if (device.dialC !== undefined) return device.dialC
  const inputs = chain.connections.filter(({ fromDevice }) => fromDevice.id === device.id).map(({ to }) => to)
  return ordered(loop.settings.planned).find(({ input }) =>
    inputs.some(({ device: d, port }) => d === input.device && port === input.port),
  )?.setpointC
}

function judged(context: LoopContext, device: ResolvedDevice, data: FieldData, mistake: Mistake): PlacementMistake {
  const { text, why, row, share } = mistake
  const { words, loop, chain } = context
  if (row === undefined) return { text, why, effect: 'No figure tells how much: it simply does not protect then.' }
  const { low, typical, high, source } = fieldValue(data, row)
  const felt = feltC(context, device)
  const above = felt === undefined ? undefined : felt - AIR_C
  if (share && above === undefined) return { text, why, effect: 'How much depends on the temperature it is to feel.' }
  const sized = (figure: number) => (share ? (-figure / 100) * above! : figure)
  const errorK = { low: sized(low), typical: sized(typical), high: sized(high), source }
  const size = words.say(Math.abs(errorK.typical), 'difference')
  const span = `${words.say(Math.min(Math.abs(errorK.low), Math.abs(errorK.high)), 'difference')} to ${words.say(Math.max(Math.abs(errorK.low), Math.abs(errorK.high)), 'difference')}`
  const way = errorK.typical < 0 ? 'low' : 'high'
  if (device.facts.limiter)
    return {
      text,
      why,
      errorK,
      effect: `It feels ${size} too ${errorK.typical < 0 ? 'little' : 'much'} (${span}): it opens that much ${errorK.typical < 0 ? 'late' : 'early'}.`,
    }
  const plan = ordered(loop.settings.planned).find(({ input }) =>
    chain.connections.some(
      ({ fromDevice, to }) => fromDevice.id === device.id && to.device === input.device && to.port === input.port,
    ),
  )
  const place = device.sits ?? Object.keys(device.facts.probe?.places ?? {})[0]
  if (place === 'outdoor')
    return {
      text,
      why,
      errorK,
      effect: `It reads ${size} too ${way} (${span}): the supply is run for a day that is ${size} ${errorK.typical > 0 ? 'warmer' : 'colder'}, the house gets too ${errorK.typical > 0 ? 'cool' : 'warm'}.`,
    }
  return {
    text,
    why,
    errorK,
    effect: plan
      ? `It reads ${size} ${way} (${span}): what is held at ${words.say(plan.setpointC, 'temperature')} really lies ${size} ${errorK.typical > 0 ? 'lower' : 'higher'}.`
      : `It reads ${size} ${way} (${span}).`,
  }
}

/** Where each probe and each guard of the loop goes and where not, with the reason, and what each mistake costs here. */
export function placements(context: LoopContext): readonly Placement[] {
  const { chain, data, loop } = context
  const answers = answersOf(loop)
  const extra = (factsOfKind(loop.kind).placing ?? []).filter(
    ({ when }) => !when || (answers[when.question] ?? when.is) === when.is,
  )
  return chain.devices.flatMap((device): Placement[] => {
    const place = device.sits ?? (Object.keys(device.facts.probe?.places ?? {})[0] as ProbePlace | undefined)
    const mine = device.facts.probe ? advice[place ?? 'air'] : others.find(({ suits }) => suits(device))?.advice
    if (!mine) return []
    const more = device.facts.probe && place !== 'outdoor' && place !== 'coil' ? extra : []
    return [
      {
        device,
        place: context.words.local(mine.title),
        rules: [...mine.rules, ...more].map((rule) => localTexts(rule, context.words)),
        mistakes: mine.mistakes.map((mistake) => localTexts(judged(context, device, data, mistake), context.words)),
      },
    ]
  })
}
