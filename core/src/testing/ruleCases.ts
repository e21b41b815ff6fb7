import { type BandBehaviour, fromSetpoint } from '../settings/behaviour'
import type { BatteryPlan } from '../settings/battery/fields'
import type { DefrostPlan } from '../settings/defrost/fields'
import type { ResetPlan } from '../settings/reset/fields'
import type { Reading, RowState } from '../document/documents'
import type { Answer } from '../kinds/answers'
import type { LoopKind } from '../kinds/kinds'
import { loopContext } from '../loop/context'
import type { DeviceProfile } from '../device/deviceProfile'
import type { Nameplate } from '../device/withNameplate'
import { proofTests } from '../commissioning/proofTests'
import { safetyBlocks } from '../commissioning/safetyBlocks'
import { addDevice, bypass, leaveSupply, partPorts, type Edited } from '../wiring/chainEdit'
import { chained, idOf, replanned, replannedAt, rewhole, step, swapped, told, withoutDevice } from './chains'
import { fieldData } from './fieldData'
import { device } from './loops'
import { keptRead, soundReadings } from './soundReadings'

/** The device of a profile with its own plate. */
const plated = ({ job, loop }: Edited, profile: string, nameplate: Nameplate): Edited => ({
  job,
  loop: {
    ...loop,
    chain: {
      ...loop.chain,
      devices: Object.fromEntries(
        Object.entries(loop.chain.devices).map(([id, held]) => [
          id,
          held.profile === profile ? { ...held, nameplate } : held,
        ]),
      ),
    },
  },
})
const asked = (edited: Edited, changes: Readonly<Record<string, Answer>>): Edited => ({
  ...edited,
  loop: {
    ...edited.loop,
    survey: { ...edited.loop.survey, answers: { ...edited.loop.survey.answers, ...changes } },
  },
})
/** A motor on a drive, with these values of its drive planned by hand. */
const onDrive = (values: Readonly<Record<string, number>>): Edited =>
  rewhole(
    only('fan', 'mains-230-16-30ma', 'gannet', 'air-ntc10k', 'linnet', 'fan-motor-075', 'run-switch'),
    'gannet',
    () => ({ values }),
  )
/** A heater whose wireless switch lies in its line. */
const onRadio = (): Edited =>
  only('room', 'mains-230-16-30ma', 'room-ntc10k', 'dipper', 'panel-heater-1500', 'radio-230')
/** A chain of just these steps. */
const only = (kind: LoopKind, ...steps: readonly string[]) => chained(kind, {}, steps)
const reading = (value: number): Reading => ({
  text: String(value),
  unit: '°C',
  state: 'value',
  value,
  at: '2026-01-05T08:00:00Z',
  by: 'Ann',
})
function keyed(edited: Edited): Edited {
  const asLeft = { [idOf(edited, 'dipper')]: { target: reading(28) } }
  return { ...edited, loop: { ...edited.loop, settings: { ...edited.loop.settings, asLeft } } }
}
function proved(edited: Edited, values: readonly number[]): Edited {
  const [plan] = Object.keys(edited.loop.settings.planned)
  const readings = Object.fromEntries(
    values.map((value, i) => [
      `r${i}`,
      {
        ...reading(value),
        order: i + 1,
        test: `rise-and-fall/${plan}`,
        step: ['rise-1', 'fall-1', 'rise-2', 'fall-2'][i]!,
      },
    ]),
  )
  return { ...edited, loop: { ...edited.loop, proof: { ...edited.loop.proof, readings } } }
}
/** A connection taken apart: from one device to another. */
function parted(edited: Edited, from: string, to: string, port: string): Edited {
  const connection = Object.entries(edited.loop.chain.connections).find(
    ([, c]) => c.from.device === idOf(edited, from) && c.to.device === idOf(edited, to) && c.to.port === port,
  )
  return partPorts(edited, connection![0])
}

const floor = () => chained('floor')

/** What trips each rule by its code, and what is like it and does not. */
export const ruleCases: Readonly<Record<string, readonly [trips: () => Edited, passes: () => Edited]>> = {
  C001_NO_PROBE: [() => withoutDevice(floor(), 'floor-ntc10k'), floor],
  C002_NO_CONTROLLER: [() => withoutDevice(floor(), 'dipper'), floor],
  C003_NO_LOAD: [() => withoutDevice(floor(), 'circulator-45'), floor],
  C004_NO_SUPPLY: [() => withoutSupply('floor', 'mains-230-16-30ma'), () => only('room', 'bunting')],
  C005_DRIVES_NOTHING: [() => withoutDevice(floor(), 'circulator-45'), floor],
  C006_LINE_NOT_FED: [() => parted(chained('cabinet'), 'mains-230-20', 'goosander', 'out1'), () => chained('cabinet')],
  C007_NOT_JOINED: [() => only('pool', 'flow-reed'), () => chained('pool')],
  C153_RUN_OPEN: [() => only('fan', 'mains-230-10', 'swift', 'petrel'), () => chained('fan')],
  C008_NOT_FED: [() => withoutSupply('fan', 'safety-24-20'), () => chained('fan')],
  C010_DOES_NOT_FIT: [() => swapped(floor(), 'floor-ntc10k', 'cable-pt1000'), floor],
  C011_CONNECTION_LOOK: [() => swapped(floor(), 'floor-ntc10k', 'floor-ntc10k-3977'), floor],
  C012_PROBE_RANGE: [
    () => swapped(chained('cabinet', { target: 160 }), 'oven-pt100', 'case-ptc'),
    () => chained('cabinet'),
  ],
  C013_NO_LIMITER: [() => withoutDevice(floor(), 'shrike'), floor],
  C014_LIMITER_TOO_HIGH: [
    () => told(chained('floor', { screedKind: 'casulphate' }), 'shrike', { dialC: 55 }),
    () => told(floor(), 'shrike', { dialC: 55 }),
  ],
  C015_SUPPLY_OVER_LIMITER: [() => told(floor(), 'shrike', { dialC: 40 }), floor],
  C016_LIMITER_NOT_SET: [() => undialled(floor()), floor],
  C017_OWN_PROTECTION: [() => chained('boiler'), floor],
  C018_LIMITER_NOT_INDEPENDENT: [
    () =>
      ['floor-heater-3680', 'dipper>floor-heater-3680:contactor-40', 'dipper>contactor-40:fieldfare'].reduce(
        step,
        only('floor', 'mains-230-20', 'floor-ntc10k', 'dipper'),
      ),
    () => chained('cabinet'),
  ],
  C019_LIMITER_LOOSE: [() => told(chained('cabinet'), 'goshawk', { dialC: 120 }), () => chained('cabinet')],
  C020_SETPOINT_OUTSIDE_LIMITS: [() => replanned(floor(), fromSetpoint('heating', 'cut-out', 34, 1)), floor],
  C021_SWING_WIDER_THAN_LIMITS: [() => replanned(floor(), fromSetpoint('heating', 'cut-out', 28, 25)), floor],
  C022_ALARM_INSIDE_BAND: [() => replanned(floor(), { alarmHighC: 27.9 }), floor],
  C023_SWING_UNDER_RESOLUTION: [() => replanned(floor(), fromSetpoint('heating', 'cut-out', 28, 0.1)), floor],
  C025_SURFACE_OVER_LIMIT: [
    () => replanned(floor(), { ...fromSetpoint('heating', 'cut-out', 36, 1), highestC: 40, alarmHighC: 45 }),
    floor,
  ],
  C026_VA_CLOSE: [() => many(3), () => many(1)],
  C027_CONVENTION_NOT_ON_CONTROLLER: [() => replanned(floor(), fromSetpoint('heating', 'above', 27, 1)), floor],
  C028_LIMITER_UNDER_TARGET: [() => told(chained('cabinet'), 'goshawk', { dialC: 45 }), () => chained('cabinet')],
  C029_INPUT_RANGE: [() => asked(only('cabinet', 'dipper', 'strap-ntc10k'), { target: 140 }), () => chained('cabinet')],
  C030_VA_OVER: [() => many(4), () => many(3)],
  C031_SET_RANGE: [() => only('cabinet', 'redstart'), () => chained('cabinet')],
  C032_STEP_OVER_TOLERANCE: [
    () => chained('room', { tolerance: 0.5 }, ['bunting']),
    () => chained('room', { tolerance: 0.5 }),
  ],
  C033_PROBE_ACCURACY: [() => chained('cabinet', { tolerance: 1 }, ['wheatear', 'oven-k']), () => chained('cabinet')],
  C034_MINIMUM_OFF_TWICE: [() => chained('boiler'), () => replanned(chained('boiler'), { minimumOffS: 0 })],
  C035_MINIMUM_OFF_SHORT: [() => replanned(chained('cold-room'), { minimumOffS: 30 }), () => chained('cold-room')],
  C036_CROSSED: [
    () => replanned(chained('cold-room'), { ...fromSetpoint('heating', 'cut-out', 1, 2) }),
    () => chained('cold-room'),
  ],
  C037_FEELS_ELSEWHERE: [() => told(floor(), 'floor-ntc10k', { sits: 'air' }), floor],
  C038_LEAD_LONG: [
    () => told(floor(), 'floor-ntc10k', { leadM: 260 }),
    () => told(floor(), 'floor-ntc10k', { leadM: 60 }),
  ],
  C039_ACCURACY_OVER_SWING: [() => replanned(floor(), fromSetpoint('heating', 'cut-out', 28, 0.3)), floor],
  C040_OFFSET_LARGE: [() => replanned(floor(), { offsetK: 2.1 }), () => replanned(floor(), { offsetK: 1.9 })],
  C151_TOLERANCE_UNDER_STEP: [
    () => asked(swapped(chained('room'), 'dipper', 'bunting'), { tolerance: 0.4 }),
    () => asked(chained('room'), { tolerance: 0.5 }),
  ],
  C152_SWING_OVER_TOLERANCE: [
    () => asked(chained('room'), { tolerance: 0.2 }),
    () => asked(chained('room'), { tolerance: 1 }),
  ],
  C041_HEATS_ON_PROBE_FAULT: [
    () => replanned(floor(), { probeFault: 'last' }),
    () => replanned(floor(), { probeFault: 'duty' }),
  ],
  C042_FAILS_THE_WRONG_WAY: [() => chained('room'), () => replanned(chained('room'), { probeFault: 'duty' })],
  C043_SOLID_STATE_FAILS_CLOSED: [
    () =>
      step(
        only('cabinet', 'mains-230-20', 'wheatear', 'oven-k', 'oven-element-2000'),
        'wheatear>oven-element-2000:ssr-25',
      ),
    () =>
      ['wheatear>oven-element-2000:ssr-25', 'ssr-25>oven-element-2000:goshawk'].reduce(
        step,
        only('cabinet', 'mains-230-20', 'wheatear', 'oven-k', 'oven-element-2000'),
      ),
  ],
  C044_NO_BACKUP: [() => withoutDevice(chained('fan'), 'lapwing'), () => chained('fan')],
  C045_MINIMUM_OFF: [() => chained('fan', { minimum: 0 }), () => chained('fan', { minimum: 20 })],
  C046_NOT_PROVED: [() => withoutDevice(chained('pool'), 'flow-reed'), () => chained('pool')],
  C047_FREEZE_MARGIN: [() => chained('chiller', { glycol: 20 }), () => chained('chiller')],
  C048_RETURN_UNDER_DEW_POINT: [
    () => chained('boiler', { condensing: 'no' }),
    () => chained('boiler', { condensing: 'no', returnLift: 'loading' }),
  ],
  C049_RESET_GOVERNS_HOT_WATER: [
    () => chained('boiler', { hotWater: 'stored' }),
    () => chained('boiler', { hotWater: 'stored', through: 'mixing' }),
  ],
  C050_TEST_FAILED: [() => proved(floor(), [28.8, 27.8, 28.8, 27.8]), () => proved(floor(), [28, 27, 28, 27])],
  C051_STORE_TOO_COOL: [
    () => chained('boiler', { hotWater: 'stored', storeC: 48 }),
    () => chained('boiler', { hotWater: 'stored', storeC: 60 }),
  ],
  C052_EXPLOSIVE: [() => chained('cabinet', { solvent: 'yes' }), () => chained('cabinet')],
  C053_PROBE_NOT_SAFE: [() => only('pool', 'mains-230-16-30ma', 'nuthatch', 'case-ptc'), () => chained('pool')],
  C054_MIXED_ON_ONE_BODY: [
    () => step(only('pool', 'mains-230-16-30ma', 'dipper', 'pocket-ntc10k', 'pool-gas'), 'dipper>pool-gas:plug-230'),
    () => step(only('pool', 'mains-230-16-30ma', 'dipper', 'pocket-ntc10k', 'pool-gas'), 'dipper>pool-gas:isolate-230'),
  ],
  C055_RECTIFIERS_MIXED: [
    () => only('room', 'safety-24', 'plover', 'dipper'),
    () => only('room', 'safety-24', 'plover', 'redstart'),
  ],
  C056_RECTIFIERS_BRIDGED: [() => bridged('full'), () => bridged('half')],
  C057_AFTER_RUN_CUT: [
    () => only('cabin', 'battery-12-lead', 'ptarmigan', 'cabin-ntc10k', 'cabin-heater-cut'),
    () => chained('cabin'),
  ],
  C058_TIMED_START_ENCLOSED: [
    () => chained('cabin', { parked: 'enclosed' }),
    () => swapped(chained('cabin', { parked: 'enclosed' }), 'ptarmigan', 'snipe'),
  ],
  C059_NO_CO_ALARM: [() => chained('cabin', { coAlarm: 'no' }), () => chained('cabin')],
  C060_NEVER_REACHES: [() => chained('floor', { supplyWater: 34 }), floor],
  C061_UNIT_NOT_FOR_THIS: [
    () => chained('cold-room', { unit: 'adapted', refrigerant: 'inverter' }),
    () => chained('cold-room', { unit: 'adapted', refrigerant: 'plain' }),
  ],
  C062_INPUT_EMPTY: [() => withoutDevice(chained('cold-room'), 'coil-ntc10k'), () => chained('cold-room')],
  C063_INPUT_ELSEWHERE: [() => only('cold-room', 'eider', 'chill-ntc10k', 'chill-ntc10k'), () => chained('cold-room')],
  C064_PROBE_ERRS: [() => withoutDevice(floor(), 'shrike'), floor],
  C065_LAMP_NEAR_FOAM: [
    () => step(chained('cold-room', { unit: 'adapted', override: 'warm' }), 'lamp-ballast'),
    () => chained('cold-room', { unit: 'adapted', override: 'warm' }),
  ],
  C066_HOUSING: [() => chained('pool', { wet: 'washed' }), () => chained('pool', { wet: 'dry' })],
  C067_NO_RESIDUAL_DEVICE: [() => swapped(chained('pool'), 'mains-230-16-30ma', 'mains-230-10'), () => chained('pool')],
  C068_THIN_GLYCOL: [() => chained('chiller', { glycol: 15 }), () => chained('chiller')],
  C069_NO_OWN_ALARM: [() => withoutDevice(chained('fan'), 'alarm-own'), () => chained('fan')],
  C070_NO_RESTART: [() => only('fan', 'mains-230-16-30ma', 'goosander', 'fan-ac'), () => chained('fan')],
  C071_WETTER_AIR: [() => chained('fan'), () => chained('fan', { first: 'temperature' })],
  C080_SAFETY_BY_PASSED: [() => across(floor(), 'shrike', 'contact'), () => across(floor(), 'dipper', 'out1')],
  C081_CONTROL_OVERRIDDEN: [() => across(floor(), 'dipper', 'out1'), floor],
  C082_FOUND_ON_WRONG_PAIR: [() => foundVolts('3', 231), () => foundVolts('1', 231)],
  C083_VOLTAGE_DROP: [
    () => everyWire(chained('cabin'), { lengthM: 30 }),
    () => everyWire(chained('cabin'), { lengthM: 1 }),
  ],
  C084_THIN_FOR_ITS_FUSE: [() => everyWire(floor(), { sizeMm2: 0.75 }), () => everyWire(floor(), { sizeMm2: 2.5 })],
  C085_OVER_ITS_FUSE: [
    () => only('floor', 'mains-230-10', 'floor-ntc10k', 'wren', 'floor-heater-3680'),
    () => only('floor', 'mains-230-20', 'floor-ntc10k', 'wren', 'floor-heater-3680'),
  ],
  C086_NOT_PROVED: [() => answeredStep(floor(), 'isolate', 'no'), () => answeredStep(floor(), 'isolate', 'yes')],
  C087_DEAD_TESTS_OPEN: [() => everyWire(floor(), { landed: true }), floor],
  C090_STAGE_OUT_OF_ORDER: [
    () => replannedAt(stages(3), { 2: fromSetpoint('cooling', 'cut-out', -4, 3) }),
    () => stages(3),
  ],
  C091_HEAT_AGAINST_COLD: [() => bothWays(20), () => bothWays(24)],
  C092_DEADBAND_NARROW: [() => bothWays(21, 0.5), () => bothWays(24)],
  C093_STARTS_TOO_MANY: [() => chained('cabin'), () => replanned(chained('cabin'), { swingK: 25 })],
  C094_STAGE_WAIT_SHORT: [
    () => rewhole(stages(2), 'curlew', () => ({ stages: { waitS: 0, lead: 'fixed' } })),
    () => stages(2),
  ],
  C095_CANNOT_BE_KEYED: [() => replanned(floor(), { offsetK: 11 }), floor],
  C096_CUT_OUT_IN_BAND: [() => told(chained('chiller'), 'frost-stat', { dialC: 4 }), () => chained('chiller')],
  C097_LEFT_OTHERWISE: [() => leftAt(27), () => leftAt(27, 'The owner wants it cooler.')],
  C098_FREEZE_CUT_OUT: [() => told(chained('chiller'), 'frost-stat', { dialC: -25 }), () => chained('chiller')],
  C099_STAGE_DRIVES_NOTHING: [() => stages(3), () => stages(4)],
  C100_LINE_CROSSED: [() => martin({ warmOutdoorC: -20 }), () => chained('boiler')],
  C101_LINE_UNDER_NEED: [() => martin({ designSupplyC: 55 }), () => chained('boiler')],
  C102_NO_FROST_PROTECTION: [() => unguarded(), () => chained('boiler')],
  C103_LINE_OVER_SCREED: [
    () => martin({ designSupplyC: 62, maximumSupplyC: 65 }, { emitter: 'floor' }),
    () => chained('boiler', { emitter: 'floor' }),
  ],
  C104_FAN_MAY_STAND: [() => replanned(chained('fan'), { minimumPercent: 'off' }), () => chained('fan')],
  C105_FAN_FAILS_SLOW: [
    () => replanned(chained('fan'), { probeFault: 'off' }),
    () => backupProvedOf(replanned(chained('fan'), { probeFault: 'off' })),
  ],
  C106_PERIODS_OVERLAP: [() => week('06:00', '06:30'), () => week('06:00', '07:00')],
  C107_PERIODS_TOO_MANY: [() => week('06:00', '08:00', '10:00', '12:00'), () => week('06:00', '08:00', '10:00')],
  C108_DEFROST_NEVER: [() => eider({ by: 'time', everyH: 0 }), () => chained('cold-room')],
  C109_DEFROST_ENDLESS: [() => eider({ by: 'coil', longestMin: 0 }), () => chained('cold-room')],
  C110_DEFROST_CUT_SHORT: [() => eider({ longestMin: 3 }), () => chained('cold-room')],
  C111_FAN_BACK_WARM: [() => eider({ fanBackC: 5 }), () => chained('cold-room')],
  C112_CUT_OFF_LOW: [() => ptarmigan({ cutOffV: 9.8 }), () => chained('cabin')],
  C113_START_CUTS_OFF: [() => ptarmigan({ cutOffV: 11.8, holdS: 20 }), () => chained('cabin')],
  C114_RESTART_HUNTS: [() => ptarmigan({ restartV: 11.0 }), () => chained('cabin')],
  C118_OWNER_UNLIMITED: [() => stages(4), floor],
  C119_BAND_UNDER_RESOLUTION: [() => valve({ bandK: 0.1 }), () => valve({ bandK: 2 })],
  C120_BAND_SETTLES_AWAY: [
    () => valve({ bandK: 20, anchor: 'from-setpoint' }),
    () => valve({ bandK: 20, integralS: 600 }),
  ],
  C121_CYCLE_TIME_SHORT: [() => cycled('contactor-25', 2), () => cycled('ssr-25', 2)],
  C122_DUTY_LARGE: [
    () =>
      replanned(only('room', 'mains-230-10', 'dipper', 'room-ntc10k', 'panel-heater-1500'), {
        probeFault: 'duty',
        dutyPercent: 80,
      }),
    () => replanned(chained('room'), { probeFault: 'duty', dutyPercent: 80 }),
  ],
  C130_OUTSIDE_TABLE: [
    () => behindFuse(chained('cabinet'), 160),
    () => everyWire(behindFuse(chained('cabinet'), 160), { sizeMm2: 70 }),
  ],
  C131_FLOOR_SUPPLY_UNLIMITED: [() => chained('boiler', warmFloorOf), () => floorBoiler(50)],
  C132_SCREED_YOUNG: [() => chained('floor', { screedAge: 20 }), () => chained('floor', { screedAge: 21 })],
  C133_LIMITER_RESETS_ITSELF: [
    () => resetting('cabinet', 'goshawk', 'self'),
    () => resetting('cabinet', 'goshawk', 'manual'),
  ],
  C134_NOT_BONDED: [() => chained('pool', { bonding: 'no' }), () => chained('pool')],
  C135_MAINS_IN_TOUCHED_WATER: [() => electricPool('flow-heater-6'), () => electricPool('flow-heater-6-clad')],
  C136_AEROSOL_NO_PLAN: [
    () => chained('pool', { target: 28, aerosol: 'yes', waterPlan: 'no' }),
    () => chained('pool', { target: 28, aerosol: 'yes', waterPlan: 'yes' }),
  ],
  C137_WATER_TOO_HOT: [
    () => chained('pool', { users: 'people', target: 41 }),
    () => chained('pool', { users: 'people', target: 40 }),
  ],
  C138_FAN_UNDER_ITS_LEAST: [
    () => replanned(chained('fan'), { minimumPercent: 5 }),
    () => replanned(chained('fan'), { minimumPercent: 10 }),
  ],
  C139_GROUND_FAULT_REFER: [
    () => inPractice(chained('pool'), 'us'),
    () => inPractice(swapped(chained('pool'), 'mains-230-16-30ma', 'mains-240-20-classa'), 'us'),
  ],
  C140_SAFETY_UNANSWERED: [() => chained('floor', { screedKind: undefined, screedAge: undefined }), floor],
  C143_POWERS_DIFFER: [
    () => asked(chained('cabinet'), { power: 2500 }),
    () => asked(chained('cabinet'), { power: 2000 }),
  ],
  C160_RADIO_STAYS: [
    () => told(onRadio(), 'radio-230', { set: { lost: 'stays' } }),
    () => told(onRadio(), 'radio-230', { set: { lost: 'opens' } }),
  ],
  C159_DRIVE_OFF_PLATE: [() => onDrive({ plate: 6 }), () => onDrive({ plate: 2 })],
  C154_PLATE_CONTRADICTS: [
    () => plated(chained('cabinet'), 'oven-element-2000', { powerW: 6000, volts: 120, amps: 10 }),
    () => plated(chained('cabinet'), 'oven-element-2000', { powerW: 2000, volts: 230, amps: 8.7 }),
  ],
  C150_GOODS_BEAR_LESS: [() => asked(chained('cabinet'), { most: 47 }), () => asked(chained('cabinet'), { most: 55 })],
  C149_AIR_DIFFERS: [() => asked(chained('fan'), { airFlow: 3000 }), () => chained('fan')],
  C144_NOT_AT_HAND: [
    () => asked(chained('cabinet'), { mainsAtHand: '120' }),
    () => asked(chained('cabinet'), { mainsAtHand: '400' }),
  ],
  C145_NO_COMPRESSED_AIR: [
    () => asked(chained('enclosure'), { cooler: 'air', compressedAir: 'no' }),
    () => asked(chained('enclosure'), { cooler: 'air', compressedAir: 'yes' }),
  ],
  C146_BATTERY_TOO_SMALL: [
    () => asked(chained('cabin'), { hoursWanted: 100 }),
    () => asked(chained('cabin'), { hoursWanted: 1 }),
  ],
  C147_HEATS_WITHOUT_FAN: [
    () => asked(chained('cabinet'), { circulates: 'fan' }),
    () => asked(chained('cabinet'), { circulates: 'still' }),
  ],
  C148_OTHER_THAN_ANSWERED: [
    () => asked(chained('enclosure'), { cooler: 'unit' }),
    () => asked(chained('enclosure'), { cooler: 'air' }),
  ],
  C142_ONE_LEG_LIVE: [() => usCabinet('contactor-25'), () => usCabinet('contactor-2p-240')],
  C155_PHASES: [
    () => only('fan', 'mains-230-10', 'bunting', 'fan-motor-075', 'mains-230-10.out=bunting.heat'),
    () => only('fan', 'mains-400-16-3p', 'bunting', 'fan-motor-400', 'mains-400-16-3p.out=bunting.heat'),
  ],
  C156_OTHER_PRACTICE: [() => inPractice(chained('cabinet'), 'us'), () => chained('cabinet')],
  C157_MAINS_OF_OTHER_PRACTICE: [
    () => inPractice(asked(chained('cabinet'), { mainsAtHand: '230' }), 'us'),
    () => inPractice(asked(chained('cabinet'), { mainsAtHand: '240' }), 'us'),
  ],
  C158_NO_RETURN_WIRE: [
    () => asked(chained('floor'), { mainsAtHand: '230', returnWire: 'none' }),
    () => asked(chained('floor'), { mainsAtHand: '230', returnWire: 'there' }),
  ],
  C072_FOUND_NOT_WRITTEN: [
    () => keyed(floor()),
    () => {
      const edited = keyed(floor())
      return { ...edited, loop: { ...edited.loop, survey: { ...edited.loop.survey, found: { state: 'none' } } } }
    },
  ],
}

const inPractice = ({ job, loop }: Edited, practice: 'europe' | 'us'): Edited => ({ job: { ...job, practice }, loop })
const warmFloorOf = { emitter: 'floor', screedKind: 'cement', screedAge: 1000 } as const
/** A boiler that feeds a floor: the pump of the floor, with a limiter in its line. */
const floorBoiler = (dialC: number) =>
  told(
    ['martin.pump=circulator-45.power', 'mains-230-10.out=martin.pump', 'martin>circulator-45:shrike'].reduce(
      step,
      step(chained('boiler', warmFloorOf), 'circulator-45'),
    ),
    'shrike',
    { dialC },
  )
const electricPool = (heater: string) =>
  [`redstart>${heater}:contactor-40`].reduce(
    step,
    only('pool', 'mains-230-32-30ma', 'safety-24', 'redstart', 'pocket-ntc10k-3977', heater),
  )
const usCabinet = (contactor: string) =>
  inPractice(
    step(
      only('cabinet', 'mains-240-30', 'goosander', 'oven-pt100', 'element-240-3800', 'goshawk'),
      `goosander>goshawk:${contactor}`,
    ),
    'us',
  )
/** A profile of this loop with facts changed, as another leaflet would have them. */
function reprofiled(edited: Edited, profile: string, change: (facts: DeviceProfile) => DeviceProfile): Edited {
  const facts = edited.job.profiles[profile]
  if (!facts) throw new RangeError(`no profile ${profile} in this job`)
  return { ...edited, job: { ...edited.job, profiles: { ...edited.job.profiles, [profile]: change(facts) } } }
}
const resetting = (kind: LoopKind, limiter: string, reset: 'manual' | 'self') =>
  reprofiled(chained(kind), limiter, (facts) => ({ ...facts, limiter: { ...facts.limiter!, reset } }))
const behindFuse = (edited: Edited, protectionA: number) =>
  reprofiled(edited, 'mains-230-20', (facts) => ({
    ...facts,
    ports: { ...facts.ports, out: { ...facts.ports['out']!, protectionA } as DeviceProfile['ports'][string] },
  }))
/** The backup of a fan tried, and good. */
function backupProvedOf(edited: Edited): Edited {
  const context = loopContext(edited.job, edited.loop, fieldData)
  const test = proofTests(context).find(({ kind }) => kind === 'backup')!
  const readings = Object.fromEntries(
    Object.entries(soundReadings(test)).map(([id, value], i) => [`b${i}`, keptRead(value, test.id, id, i + 1)]),
  )
  return { ...edited, loop: { ...edited.loop, proof: { ...edited.loop.proof, readings } } }
}

const stages = (count: number) =>
  chained('chiller', {}, [
    'mains-230-20',
    'curlew',
    'pocket-pt1000',
    ...Array.from({ length: count }, () => 'compressor-call'),
  ])
/** Two outputs by one probe: the second one cools. */
function bothWays(coolsAtC: number, swingK = 1): Edited {
  const edited = only('room', 'mains-230-20', 'redwing', 'room-ntc10k', 'panel-heater-1500', 'circulator-45')
  const input = { device: idOf(edited, 'redwing'), port: 'probe1' }
  return replannedAt(edited, { 2: { input, ...fromSetpoint('cooling', 'cut-out', coolsAtC, swingK) } })
}
const martin = (change: Partial<ResetPlan>, answers: Readonly<Record<string, Answer>> = {}) =>
  rewhole(chained('boiler', answers), 'martin', ({ reset }) => ({ reset: { ...reset!, ...change } }))
const eider = (change: Partial<DefrostPlan>) =>
  rewhole(chained('cold-room'), 'eider', ({ defrost }) => ({ defrost: { ...defrost!, ...change } }))
const ptarmigan = (change: Partial<BatteryPlan>, answers: Readonly<Record<string, Answer>> = {}) =>
  rewhole(chained('cabin', answers), 'ptarmigan', ({ battery }) => ({ battery: { ...battery!, ...change } }))
const week = (...starts: readonly string[]) =>
  rewhole(chained('cabin'), 'ptarmigan', () => ({
    week: {
      periods: Object.fromEntries(
        starts.map((start, i) => [`w${i}`, { order: i + 1, mode: 'run', days: '12345', start, minutes: 60 }]),
      ),
    },
  }))
const valve = (change: Partial<BandBehaviour>) =>
  replanned(only('room', 'safety-24', 'plover', 'room-ni1000', 'valve-y010'), change)
export function leftAt(value: number, why?: string): Edited {
  const edited = keyed(floor())
  const asLeft = { [idOf(edited, 'dipper')]: { goal: { ...reading(value), ...(why ? { why } : {}) } } }
  return { ...edited, loop: { ...edited.loop, settings: { ...edited.loop.settings, asLeft } } }
}

/** A hand switch across a contact. */
const across = (edited: Edited, profile: string, port: string) =>
  bypass(edited, { device: idOf(edited, profile), port }, device('hand-switch'), 'hand')

function foundVolts(terminal: string, volts: number): Edited {
  const edited = floor()
  const found = { profile: 'dipper', terminals: { t: { order: 1, terminal, wire: 'brown', volts } } }
  return { ...edited, loop: { ...edited.loop, survey: { ...edited.loop.survey, found } } }
}

/** A line without its frost guard. */
function unguarded(): Edited {
  return rewhole(chained('boiler'), 'martin', ({ reset }) => {
    const { frostBelowC: _below, frostSupplyC: _supply, ...rest } = reset!
    return { reset: rest }
  })
}

/** An element on a cycle, switched through a relay. */
const cycled = (relay: string, cycleS: number): Edited =>
  replanned(
    step(
      only('cabinet', 'mains-230-20', 'wheatear', 'oven-k', 'oven-element-2000'),
      `wheatear>oven-element-2000:${relay}`,
    ),
    { cycleS },
  )

/** The first step of a block answered. */
function answeredStep(edited: Edited, block: 'isolate', answer: 'yes' | 'no'): Edited {
  const [first] = safetyBlocks(loopContext(edited.job, edited.loop, fieldData)).steps[block]
  const done = { [`${block}/${first!.id}`]: { answer, by: 'Ann', at: '2026-01-05T08:00:00Z' } }
  return { ...edited, loop: { ...edited.loop, wiring: { ...edited.loop.wiring, done } } }
}

function everyWire(edited: Edited, state: RowState): Edited {
  const { rows } = loopContext(edited.job, edited.loop, fieldData)
  const states = Object.fromEntries(rows.map(({ id }) => [id, state]))
  return { ...edited, loop: { ...edited.loop, wiring: { rows: states } } }
}

function withoutSupply(kind: LoopKind, profile: string): Edited {
  const edited = chained(kind)
  return leaveSupply(edited, idOf(edited, profile))
}

function undialled(edited: Edited): Edited {
  const id = idOf(edited, 'shrike')
  const { dialC: _dial, ...bare } = edited.loop.chain.devices[id]!
  return {
    ...edited,
    loop: { ...edited.loop, chain: { ...edited.loop.chain, devices: { ...edited.loop.chain.devices, [id]: bare } } },
  }
}

/** So many valves of 5 VA on a transformer of 20 VA, beside a controller of 4. */
const many = (valves: number) =>
  only(
    'room',
    'mains-230-10',
    'safety-24-20',
    'plover',
    'room-ni1000',
    ...Array.from({ length: valves }, () => 'valve-y010'),
  )

/** A full-wave drive that lives on 24 V AC, on one secondary with a half-wave controller whose signal it takes. */
function bridged(rectifies: 'full' | 'half'): Edited {
  const petrel = device('petrel')
  const { control, ...ports } = petrel.ports
  if (control?.kind !== 'supply-in') throw new RangeError('petrel has no supply for its controls')
  const variants = { low: { ...control.variants['low']!, current: 'ac' as const } }
  const drive = {
    ...petrel,
    id: 'bridging',
    ports: { ...ports, control: { ...control, variants } },
    controller: { ...petrel.controller!, rectifies },
  }
  return addDevice(only('fan', 'safety-24', 'plover'), drive, 'drive')
}
