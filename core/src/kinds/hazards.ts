export const workflowSteps = ['survey', 'match', 'wire', 'set', 'try', 'prove', 'hand-over'] as const
export type WorkflowStep = (typeof workflowSteps)[number]

/** A thing that can hurt, with its one-line caution and the stages where it bites. Figures stand in braces, for `tell`. */
interface Hazard {
  readonly id: string
  readonly title: string
  readonly caution: string
  readonly more: string
  readonly steps: readonly WorkflowStep[]
  /** Answers that speak for it; left out where the kind alone does. */
  readonly when?: Readonly<Record<string, readonly string[]>>
  /** Never proposed: only whoever stands there can know. */
  readonly unasked?: true
}

const DEFERS = 'Local code, the maker\u2019s leaflet and the licensed trade come first.'

const listed = [
  {
    id: 'mains',
    title: 'Mains in the box or at the load',
    steps: ['match', 'wire', 'set', 'prove'],
    caution: 'Mains. Locked off and proved dead before a hand goes in; covers on before power.',
    more: `Switch off, lock off, prove dead on every pole with a tester checked on a known source before and after. Look for a second supply. Mains work is for the licensed trade. ${DEFERS}`,
  },
  {
    id: 'fuel',
    title: 'Fuel burning, flue gas',
    when: {
      fuel: ['gas', 'oil', 'pellet'],
      heater: ['called'],
      switches: ['called'],
      sleeps: ['people', 'animals', 'nobody'],
    },
    steps: ['match', 'wire', 'set', 'prove'],
    caution:
      'Fuel and flue gas. Gas, oil and flue are for the licensed trade; the burner\u2019s own safety chain is never touched.',
    more: `Carbon monoxide has no smell. Smell of gas: no switch, no flame, out, call. We only call the burner by its input; flame safeguard, gas valve and flue stay as the maker made them. ${DEFERS}`,
  },
  {
    id: 'co',
    title: 'Exhaust where somebody sleeps',
    steps: ['match', 'set', 'prove', 'hand-over'],
    caution:
      'Carbon monoxide. An alarm in the cabin, in date and tested, before any start; never a timed start in a closed space.',
    more: `Check exhaust and intake for leaks and for snow. An alarm that is out of date is none. In a garage, a hall or on a ferry the timer stays off. ${DEFERS}`,
  },
  {
    id: 'battery',
    title: 'Battery',
    steps: ['match', 'wire', 'set', 'prove'],
    caution: 'Battery. Fuse within a hand of the battery; it can weld a tool. No charging of lithium under {0 C}.',
    more: `A short on a battery has no limit but the fuse. The supply of a fuel heater is never cut while it runs after: cut it by its run input. ${DEFERS}`,
  },
  {
    id: 'hot-water',
    title: 'Hot heating water',
    steps: ['set', 'try', 'prove'],
    caution: 'Hot water. Screed pipe {55 C} at most, calcium sulphate {50 C}; keep the limiter.',
    more: `A mixing valve that fails sends boiler water into the floor: it scalds and cracks screed. The independent limiter with its own probe and own contact is never bridged, also not for a test. ${DEFERS}`,
  },
  {
    id: 'legionella',
    title: 'Stored or sprayed warm water',
    when: { hotWater: ['stored'] },
    steps: ['match', 'set', 'prove'],
    caution:
      'Legionella and scald. Store at {60 C}, circulation back at {55 C}, anti-scald at the outlet; never by the reset line.',
    more: `Between {20 C} and {50 C} germs grow; over {60 C} water scalds in seconds. Both are true at once: store hot, mix at the outlet. ${DEFERS}`,
  },
  {
    id: 'pressure',
    title: 'System under pressure',
    steps: ['prove'],
    caution: 'Pressure. Let it cool and relieve it before a fitting or a pocket is opened.',
    more: `Heating water over {60 C} scalds in seconds; under pressure it sprays from an opened fitting, over {100 C} it flashes to steam. Cool down, shut off, relieve, then open. ${DEFERS}`,
  },
  {
    id: 'wet',
    title: 'Wash-down, wet floor, or water that is touched',
    when: { wet: ['washed', 'damp'], users: ['people', 'animals'] },
    steps: ['match', 'wire', 'prove'],
    caution: 'Water near electricity. Probe on safety extra-low voltage, 30 mA residual-current device, bonding.',
    more: `Where people or animals touch water that a probe sits in: extra-low voltage from a safety transformer or reinforced insulation, a 30 mA residual-current device and bonding. ${DEFERS}`,
  },
  {
    id: 'animals',
    title: 'Animals depend on it',
    when: { occupants: ['animals'], users: ['animals'], zone: ['occupied'] },
    steps: ['set', 'try', 'prove'],
    caution:
      'Animals. Under bodies and bedding it is warmer than the probe says: burns come slowly. They cannot walk away.',
    more: 'A young or sick animal cannot move away and cannot say so. Keep surfaces under their limit, put the probe where it is warmest, measure under the bedding with a contact probe, and tell the keeper before a test.',
  },
  {
    id: 'forced-air',
    title: 'Somebody lives on this air',
    when: { occupants: ['animals', 'people'] },
    steps: ['match', 'set', 'prove', 'hand-over'],
    caution:
      'Lives on this air. Never off, never failing off: backup thermostat, alarm on its own supply, tested and written down.',
    more: 'Without air a full room is dead within the hour. The backup thermostat drives the fan to full speed by itself; the alarm does not hang on the same fuse; both are tested every week by whoever keeps the animals.',
  },
  {
    id: 'rotating',
    title: 'Rotating fans or pumps',
    steps: ['wire', 'try', 'prove'],
    caution: 'Rotating. It starts by itself: guard on, locked off before a hand goes in.',
    more: `Controls start fans and pumps without a word, also after a power loss. Electronic fans and drives keep their charge: wait what the label says, at least 5 minutes, before covers come off. ${DEFERS}`,
  },
  {
    id: 'drive',
    title: 'Drive or electronic fan: stored charge',
    when: { motor: ['ec', 'drive'] },
    steps: ['wire', 'prove'],
    caution: 'Stored charge. After isolating wait what the label says, at least 5 minutes, then prove dead.',
    more: `Capacitors of drives and electronic fans hold mains voltage after switching off. Never insulation-test on a drive\u2019s output. ${DEFERS}`,
  },
  {
    id: 'air-pressure',
    title: 'Compressed air',
    when: { cooler: ['air'] },
    steps: ['match', 'wire', 'prove'],
    caution: 'Compressed air. Shut and bleed before opening; ear protection at the vent; filter and drain first.',
    more: `An opened line whips and blows chips. The vent must have a free way out, or the cabinet is under pressure. ${DEFERS}`,
  },
  {
    id: 'refrigerant',
    title: 'Refrigerant circuit',
    when: {
      cooler: ['unit'],
      switches: ['compressor'],
      goods: ['fish', 'meat', 'medicine', 'frozen'],
      liquid: ['water', 'pg', 'eg'],
    },
    steps: ['match', 'wire', 'prove'],
    caution:
      'Refrigerant. Opening the circuit or reading its pressures is for licensed people; no lamp, heater or flame near it.',
    more: `A heater or lamp near foil, foam or a refrigerant pipe is a fire hazard. The coil\u2019s freeze sensor is never warmed or moved. Crankcase heater on 8 to 24 h before a first start. ${DEFERS}`,
  },
  {
    id: 'locked-in',
    title: 'Somebody may be shut in',
    steps: ['prove', 'hand-over'],
    caution: 'Shut in. Inside release and trapped-person alarm tested before the door is closed behind anyone.',
    more: `Try the inside release yourself with the door open first. Nobody works alone in a freezer. ${DEFERS}`,
  },
  {
    id: 'freezing',
    title: 'Water that can freeze',
    when: { liquid: ['water', 'pg', 'eg'] },
    steps: ['match', 'set', 'try', 'prove'],
    caution:
      'Freezing. Flow proved and a freeze thermostat in the line; the frost override stands over the summer shut-down.',
    more: `Standing water in an evaporator freezes within a minute and bursts it into the refrigerant circuit. ${DEFERS}`,
  },
  {
    id: 'hot-surface',
    title: 'Hot surfaces and elements',
    steps: ['set', 'try', 'prove'],
    caution: 'Hot. Elements and walls burn long after they are off: let them cool before a hand goes in.',
    more: `A cabinet that overshoots burns what stands in it. The limiter has its own probe and its own contactor. ${DEFERS}`,
  },
  {
    id: 'combustible',
    title: 'Straw, wood, paper or dust near heat',
    unasked: true,
    steps: ['set', 'prove'],
    caution: 'Heat near combustibles. A cover traps heat: keep the limit low and the air free.',
    more: `Bedding and boxes hold the heat back; what lies under them goes above the probe\u2019s reading. ${DEFERS}`,
  },
  {
    id: 'screed-new',
    title: 'New screed',
    unasked: true,
    steps: ['set', 'try', 'prove'],
    caution: 'New screed. First heat after 21 days (cement) or 7 (calcium sulphate), in steps, recorded.',
    more: 'First heat: three days at {20 C} to {25 C} supply, then four days at the design maximum, written down (EN 1264-4). Earlier or faster, it cracks.',
  },
  {
    id: 'explosive',
    title: 'Solvent or explosive atmosphere',
    when: { explosive: ['yes'], solvent: ['yes'] },
    steps: ['survey', 'match', 'wire', 'set', 'try', 'prove', 'hand-over'],
    caution: 'Explosive. Stop: not with this tool. A specialist plans it.',
    more: `Any contact, element or motor can be the spark. ${DEFERS}`,
  },
] as const satisfies readonly Hazard[]
export type HazardId = (typeof listed)[number]['id']

/** Everything that can hurt at a loop; each kind says which of them are its own. */
export const hazards: readonly (Hazard & { readonly id: HazardId })[] = listed

/** Cautions of the ticked hazards that bite in a stage. */
export const cautionsAt = (ticked: Readonly<Record<string, true>>, step: WorkflowStep) =>
  hazards.filter((hazard) => ticked[hazard.id] && hazard.steps.includes(step))
