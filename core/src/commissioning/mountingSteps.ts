import type { MountingDraft } from '../kinds/kind'
import { factsOfKind } from '../kinds/kinds'
import type { LoopContext } from '../loop/context'
import type { ResolvedDevice } from '../document/chain'
import type { StepDone } from '../document/documents'
import type { ProbePlace } from '../choices/deviceChoices'
import { SCALDS_C } from '../units/peopleLimits'
import { figure } from '../words/words'
import { touchedBy } from '../survey/atRisk'

/** One step of the mechanical work, ticked when done; its id is the key under which its tick is kept. */
interface MountingStep extends MountingDraft {
  readonly done?: StepDone
}

const WET = `Pressure and hot water: let it cool, shut off, relieve, then open. Water over ${figure(SCALDS_C, 'C', 0)} scalds in seconds.`

const byPlace: Readonly<Partial<Record<ProbePlace, readonly MountingDraft[]>>> = {
  pocket: [
    {
      id: 'shut-off',
      title: 'Shut off and relieve',
      doing: 'Close both sides, open the drain, see that no more comes.',
      caution: WET,
    },
    {
      id: 'drill',
      title: 'Drill and tap for the pocket',
      doing: 'Hole for its thread, swarf caught, not into the pipe.',
      caution: 'Rotating tool, sharp swarf: glasses, no gloves at the drill.',
    },
    {
      id: 'seal',
      title: 'Seal and screw in',
      doing: 'Tape or paste on the thread, tip against the flow; fill, look for drips.',
    },
    { id: 'paste', title: 'Paste, probe in, clip', doing: 'To the bottom, lead tied.' },
  ],
  pipe: [
    {
      id: 'bare',
      title: 'Bare the pipe',
      doing: 'Insulation off a hand wide, paint and rust off to metal.',
      caution: 'Hot pipe: let it cool or wear gloves.',
    },
    { id: 'clamp', title: 'Paste and clamp', doing: 'Probe along the pipe, metal band tight, lead tied.' },
    { id: 'insulate', title: 'Insulate over it', doing: 'A hand wide both ways, closed.' },
  ],
  floor: [
    {
      id: 'conduit',
      title: 'Conduit in the screed',
      doing: 'Between two pipes, end closed, bend wide enough to pull the probe later.',
    },
    { id: 'pull', title: 'Pull the probe in', doing: 'Depth written down, ohms measured before the floor is closed.' },
  ],
  outdoor: [
    {
      id: 'housing',
      title: 'Fix the housing',
      doing: 'Shaded wall, entry from below, hole sealed from inside.',
      caution: 'Ladder: footed, two hands free only from a platform.',
    },
  ],
  coil: [
    {
      id: 'clip',
      title: 'Clip into the fins',
      doing: 'Where frost comes first; fins not bent, no screw near a tube.',
      caution: 'A punctured tube lets refrigerant out: opening the circuit is for licensed people.',
    },
  ],
  water: [
    {
      id: 'sleeve',
      title: 'Sleeve and guard',
      doing: 'Probe in its sleeve, lead in conduit to above the water line.',
      caution: 'Water near electricity: only safety extra-low voltage goes in there.',
    },
  ],
  oven: [
    {
      id: 'gland',
      title: 'Gland in the wall',
      doing: 'Drill, gland of metal, no lead against hot metal.',
      caution: 'Heat near combustibles: nothing that burns within a hand of the gland.',
    },
  ],
}

const others: readonly {
  readonly suits: (device: ResolvedDevice) => boolean
  readonly steps: readonly MountingDraft[]
}[] = [
  {
    suits: ({ facts }) => facts.permissive?.senses === 'flow',
    steps: [
      {
        id: 'flow-shut-off',
        title: 'Shut off and relieve',
        doing: 'Close both sides, drain, see that no more comes.',
        caution: WET,
      },
      {
        id: 'tee',
        title: 'Tee or tapped saddle in straight pipe',
        doing: 'Five diameters free before and after, arrow with the flow, paddle cut to the pipe.',
      },
      { id: 'fill', title: 'Fill, vent, look for drips', doing: 'Then pump off: it must drop out.' },
    ],
  },
  {
    suits: ({ facts }) => facts.limiter !== undefined,
    steps: [
      {
        id: 'own-probe',
        title: 'Mount its own probe',
        doing: 'By itself, on clean metal, clamped and insulated; capillary in wide loops, not kinked.',
        caution: 'Hot surfaces: let it cool first.',
      },
    ],
  },
  {
    suits: ({ facts }) => facts.body?.mount === 'panel',
    steps: [
      {
        id: 'cut',
        title: 'Cut the panel',
        doing: 'By the 1:1 drawing, edges deburred, swarf out of the box before anything is wired.',
        caution: 'Dead and covered: swarf on a live terminal is a short.',
      },
      { id: 'gasket', title: 'Gasket and clips', doing: 'Gasket flat all round, clips from behind, drawn up evenly.' },
    ],
  },
  {
    suits: ({ facts }) => facts.body?.mount === 'wall',
    steps: [
      {
        id: 'fix',
        title: 'Fix on the wall',
        doing: 'Plugs for this wall, entry from below, conduit stopped behind it.',
      },
    ],
  },
]

const forDevice = (device: ResolvedDevice): readonly MountingDraft[] => {
  const place = device.sits ?? (Object.keys(device.facts.probe?.places ?? {})[0] as ProbePlace | undefined)
  const placed = device.facts.probe && place ? (byPlace[place] ?? []) : []
  return [...placed, ...others.filter(({ suits }) => suits(device)).flatMap(({ steps }) => steps)]
}

/** Metal at water that is touched is joined before anything there is energised; the dead tests measure it. */
const bonding: MountingDraft = {
  id: 'bonding',
  title: 'Bond the metal at the water',
  doing:
    'By the licensed trade: bonding conductor, 4 mm\u00b2 (8 AWG solid in US practice) or what local code asks for, from the earth bar to rails, ladder, pipes, reinforcement, grating and heater shell, each under its own clamp. Marked where it can be reached.',
  caution: 'Nobody in the water, circuits off and locked.',
}

/** The mechanical work of the loop as a checklist, device by device, with its cautions; what its kind needs comes last. */
export function mountingSteps({ chain, loop }: Pick<LoopContext, 'chain' | 'loop'>): readonly MountingStep[] {
  const done = loop.wiring.done ?? {}
  const withTick = (of: string, draft: MountingDraft): MountingStep => {
    const id = `mount/${of}${draft.id}`
    return { ...draft, id, ...(done[id] ? { done: done[id] } : {}) }
  }
  return [
    ...chain.devices.flatMap((device) =>
      forDevice(device).map((draft) => withTick(`${device.id}/`, { ...draft, title: `${device.tag}: ${draft.title}` })),
    ),
    ...(touchedBy({ loop }) ? [withTick('', bonding)] : []),
    ...(factsOfKind(loop.kind).mounting ?? []).map((draft) => withTick('kind/', draft)),
  ]
}
