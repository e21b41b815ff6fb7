import { answersOf } from '../kinds/answersOf'
import type { StepFact } from '../words/stepWords'
import type { LoopContext } from '../loop/context'
import { deadTestVerdict, type DeadTestVerdict } from '../wiring/deadTest'
import { EXTRA_LOW_V } from '../units/peopleLimits'
import { givenBy } from '../wiring/groundFault'
import type { WireRow } from '../wiring/wireRow'
import { electronicsOf } from './electronics'
import { type SafetyStep, signOf } from './safetyStep'
import type { StepMaker } from './stepMaker'
import { windingsOf } from './windingSteps'

const MEGOHM = { kind: 'number', quantity: 'insulation', low: 0, high: 1e13 } as const
const OHM = { kind: 'number', quantity: 'resistance', low: 0, high: 1e12 } as const
const SHOCK = 'The tester itself puts out a shock: nobody touches the circuit, discharge it afterwards.'
const ids = (rows: readonly WireRow[]) => rows.map(({ id }) => id)

/** Whether everything hangs on a battery whose minus is the chassis of a vehicle, or may be: insulation voltage would run through all of it. */
export const onChassis = ({ rows, wires, loop }: Pick<LoopContext, 'rows' | 'wires' | 'loop'>): boolean =>
  wires.main?.kind === 'battery' &&
  answersOf(loop)['chassis'] !== 'apart' &&
  rows.every(({ circuit }) => circuit === 'extra-low')

/** Transformers and power supplies whose return is earthed at one point. */
const earthLinks = ({ chain }: Pick<LoopContext, 'chain'>) =>
  chain.devices.filter((device) => givenBy(device)?.earthedCommon === true)

/** What is lifted before insulation voltage goes on. */
const toLift = ({ chain }: Pick<LoopContext, 'chain'>) => electronicsOf(chain.devices)

/** Circuits that insulation is tested of, with their rows. */
const insulated = ({ rows }: Pick<LoopContext, 'rows'>) =>
  (['mains', 'extra-low'] as const).flatMap((circuit) => {
    const mine = rows.filter((row) => row.circuit === circuit && row.role !== 'screen' && row.role !== 'earth')
    return mine.length === 0 ? [] : [{ circuit, mine }]
  })

/** Electronics lifted, the circuit made ready, then insulation to earth and mains against extra-low voltage; none on a vehicle’s chassis. */
export function insulationSteps(context: LoopContext, make: StepMaker): SafetyStep[] {
  const circuits = insulated(context)
  if (circuits.length === 0) return []
  if (onChassis(context)) return [chassisStep(context, make)]
  const { rows, chain } = context
  const lift = toLift(context)
  const links = earthLinks(context)
  const named = (list: typeof lift) => list.map(({ tag, name }) => `${tag} ${name}`).join(', ')
  const sign = signOf(ids(rows))
  const [lifted, ready] = [`lifted:${sign}`, `ready:${sign}`]
  const motors = windingsOf(context).filter(({ rows: mine }) =>
    rows.some(({ id, role }) => role === 'motor' && mine.includes(id)),
  )
  const mains = circuits.some(({ circuit }) => circuit === 'mains')
  const steps: SafetyStep[] = [
    make.answered(
      {
        id: lifted,
        group: 'Insulation',
        title: 'Lift the electronics',
        doing:
          lift.length === 0
            ? 'Nothing in this list has electronics that the test voltage would break; look for surge protectors, lamps and boards that are not listed.'
            : `Unplug or lift every core at ${named(lift)}, and any surge protector.${motors.length > 0 ? ` Leads of ${motors.map(({ device }) => device.tag).join(', ')} off the drive: insulation voltage never goes onto its output.` : ''} A step at the end puts them back.`,
        should: 'Only wires, contacts, coils and elements are left.',
        yes: 'Lifted',
        caution: 'Dead, and discharged: drives and electronic fans first of all.',
      },
      { code: 'answer.electronics-connected', figures: {} },
    ),
    make.answered(
      {
        id: ready,
        group: 'Insulation',
        title: 'Make the circuit ready',
        doing: [
          mains ? 'N lifted at the supply.' : '',
          'Every contact closed by hand, or bridged where its device is lifted; each bridge goes on the temporary list.',
          links.length > 0
            ? `Earth link of the 0 of ${named(links)} lifted: earthed on purpose, it is no fault, but it would hide one.`
            : '',
        ]
          .filter(Boolean)
          .join(' '),
        should: 'The whole circuit hangs together, and on nothing else.',
        yes: 'Ready',
        caution: 'A contact that is left open leaves what is behind it untested.',
      },
      { code: 'answer.circuit-not-ready', figures: {} },
    ),
  ]
  const connected = () => !make.isYes(lifted)
  const separated = chain.devices.every(({ facts }) =>
    Object.values(facts.ports).every(
      (port) =>
        port.kind !== 'supply-out' || port.volts > EXTRA_LOW_V || port.safety === true || port.batteryAh !== undefined,
    ),
  )
  for (const { circuit, mine } of circuits) {
    // An extra-low circuit that is not safely separated is tested at the voltage of what stands behind it.
    const as = circuit === 'extra-low' && !separated ? 'mains' : circuit
    const testV = as === 'mains' ? 500 : 250
    steps.push(
      make.read(
        {
          id: `insulation:${circuit}:${signOf(ids(mine))}`,
          group: 'Insulation',
          title: circuit === 'mains' ? 'Insulation of mains' : 'Insulation of extra-low voltage',
          doing: `${testV} V DC: ${circuit === 'mains' ? 'every hot and N joined' : 'all cores joined'}, against earth. Never on the output of a drive. Discharge afterwards.${
            as === circuit ? '' : ' It is not safely separated, so its primary\u2019s voltage counts.'
          }`,
          should:
            as === 'mains'
              ? 'At least 1 Mohm; new wiring shows over 20.'
              : 'At least 0.5 Mohm; new wiring shows over 5.',
          ask: MEGOHM,
          caution: SHOCK,
        },
        (reading): DeadTestVerdict =>
          circuit === 'extra-low' && links.length > 0 && reading !== null && reading < LINK_OHM && !make.isYes(ready)
            ? {
                verdict: 'look-again',
                code: 'insulation.earthed-on-purpose',
                figures: { reading, devices: named(links) },
                forbidsEnergising: false,
                holds: true,
              }
            : deadTestVerdict({ test: 'insulation', reading, circuit: as, testV, electronicsConnected: connected() }),
      ),
    )
  }
  if (circuits.length === 2)
    steps.push(
      make.read(
        {
          id: `apart:mains-low:${signOf(ids(circuits.flatMap(({ mine }) => mine)))}`,
          group: 'Insulation',
          title: 'Mains against extra-low voltage',
          doing:
            '500 V DC: hots and N joined, against all extra-low cores joined: probes, signals, 24 V, calls. No ohmmeter: it sees nothing of a gap that breaks down. Discharge afterwards.',
          should: 'At least 1 Mohm.',
          ask: MEGOHM,
          caution: SHOCK,
        },
        (reading) =>
          deadTestVerdict({
            test: 'insulation',
            reading,
            circuit: 'mains',
            testV: 500,
            electronicsConnected: connected(),
          }),
      ),
    )
  return steps
}
/** Under this an earthed common is plainly through, ohm. */
const LINK_OHM = 1000

/** On a vehicle an ohmmeter takes the place of the insulation tester. */
function chassisStep({ rows, chain }: LoopContext, make: StepMaker): SafetyStep {
  const lift = electronicsOf(chain.devices)
  return make.read(
    {
      id: `chassis:${signOf(ids(rows))}`,
      group: 'Insulation',
      title: 'Plus to chassis',
      doing: `No insulation test: minus lies on the chassis, and the voltage would run through every device of the vehicle. Fuse out, ${lift.map(({ tag }) => tag).join(', ') || 'everything'} lifted: ohmmeter from each plus core to the chassis, enter the lowest. Look along each for chafe: grommets, clips.`,
      should: 'Over 100 kohm, or over-range.',
      ask: OHM,
    },
    (reading): DeadTestVerdict =>
      reading === null || reading >= CHASSIS_OHM
        ? {
            verdict: 'good',
            code: 'chassis.clear',
            figures: { reading },
            forbidsEnergising: false,
          }
        : {
            verdict: 'stop',
            code: 'chassis.leaks',
            figures: { reading },
            forbidsEnergising: true,
          },
  )
}
const CHASSIS_OHM = 1e5

/** What the dead tests lifted is put back, dead, before anything is switched on; supply wires of devices wait for their round. */
export function putBackSteps(context: LoopContext, make: StepMaker): SafetyStep[] {
  const { rows } = context
  const circuits = insulated(context)
  if (circuits.length === 0) return []
  const lift = toLift(context)
  const links = earthLinks(context)
  const sign = signOf(ids(rows))
  const mains = circuits.some(({ circuit }) => circuit === 'mains')
  const back = (id: string, title: string, doing: string, should: string, wrong: StepFact) =>
    make.answered({ id: `${id}:${sign}`, group: 'Restored', title, doing, should, yes: 'Restored' }, wrong)
  const signals = context.chain.connections.some(
    ({ fromPort: { kind } }) => kind === 'signal-out' || kind === 'measure-out',
  )
  const neutrals = rows.some(({ role, circuit }) => role === 'neutral' && circuit === 'mains')
  const earthed = rows.some(({ role }) => role === 'earth')
  return [
    ...(mains
      ? [
          back(
            'back-n',
            neutrals ? 'Neutrals and earths back' : 'Earths back',
            `Still dead: every ${neutrals ? 'N and every ' : ''}earth that was lifted for the tests is landed again and tight.`,
            earthed ? 'Landed, tugged, covers where they belong.' : 'Landed, tugged.',
            { code: 'answer.neutral-lifted', figures: {} },
          ),
        ]
      : []),
    ...(links.length > 0
      ? [
          back(
            'back-link',
            'Earth link back',
            `Still dead: earth link of the 0 of ${links.map(({ tag }) => tag).join(', ')} landed again, at one point.`,
            'Landed; the 0 reads through to earth.',
            { code: 'answer.link-lifted', figures: {} },
          ),
        ]
      : []),
    ...(lift.length > 0
      ? [
          back(
            'back-electronics',
            'Electronics back',
            `Still dead: probes, calls and contacts of ${lift.map(({ tag }) => tag).join(', ')} landed again by the list. Supply wires${signals ? ' and signals' : ''} stay lifted at the device they go to, and capped: first live measures them before each is landed.`,
            `Everything but supply wires${signals ? ' and signals' : ''} is landed by its number.`,
            { code: 'answer.electronics-lifted', figures: {} },
          ),
        ]
      : []),
    back(
      'back-contacts',
      'Contacts free, bridges off',
      'Nothing held closed any more; every bridge off, and off the temporary list.',
      'Contacts stand as they do unpowered; the temporary list holds nothing of the tests.',
      { code: 'answer.bridge-left', figures: {} },
    ),
  ]
}
