import { insulations } from '../../plant/estimate'
import { batteryRuntime } from '../../plant/batteryRuntime'
import { fieldValue } from '../../plant/fieldValue'
import type { CalcCall } from '../asked'
import { HOLD, loss, PLACE, PLANT, power, SCHOOL, siteQuestions, target, tolerance } from '../commonQuestions'
import type { KindFacts } from '../kindFacts'
import { asks, asksWhich } from '../question'
import { seenFrom } from '../reckoned'
import { estimated } from './estimated'

const chemistries = { lead: 'bat.usable.lead', lfp: 'bat.usable.lfp' } as const

export const cabin: KindFacts = {
  title: 'Cabin heater',
  about: 'fuel-fired air heater on a battery',
  questions: [
    asksWhich(
      HOLD,
      'sleeps',
      'Who is in it while it runs',
      {
        people: ['People, also asleep', 'Carbon monoxide alarm in the cabin, always.'],
        animals: ['Animals', 'The same; and somebody who looks in.'],
        nobody: ['Nobody', 'Preheating only.'],
      },
      'Ask who sleeps in it.',
      { required: true },
    ),
    target('Air in the cabin.', [2, 35]),
    tolerance(),
    asksWhich(
      PLACE,
      'parked',
      'Parked where it starts by itself',
      {
        open: ['In the open', 'Exhaust away from windows and intake.'],
        enclosed: ['Garage, hall or ferry', 'Stop: exhaust fills the room. No timed start there.'],
      },
      'Ask for every place, not only the usual one.',
      { required: true, safety: true },
    ),
    asks(PLACE, 'volume', 'Inside', 'volume', [1, 100], 'Tape: three sides.', { ways: ['sides-volume'] }),
    asksWhich(
      PLACE,
      'insulation',
      'Walls',
      {
        poor: ['Bare sheet', 'Twice the loss.'],
        fair: ['Part insulated', 'Between.'],
        good: ['Insulated', 'Panes still lose.'],
      },
      'Knock.',
      { required: true },
    ),
    asks(PLACE, 'designOutdoor', 'Coldest night', 'temperature', [-45, 20], 'Where it will stand.', { required: true }),
    loss,
    power('Nameplate of the heater, full.', []),
    asks(PLANT, 'batteryAh', 'Battery', 'ampereHours', [1, 5000], 'Label. A cold lead battery gives half.', {
      required: true,
    }),
    asksWhich(
      PLANT,
      'chemistry',
      'Battery is',
      {
        lead: ['Lead', 'Half may be used; half again in hard frost.'],
        lfp: ['Lithium iron phosphate', 'No charging under {0 C}.'],
      },
      'Label.',
      { required: true },
    ),
    asks(PLANT, 'glowA', 'Glow current', 'current', [0.5, 60], 'Clamp meter at a start; leaflet.'),
    asks(PLANT, 'glowS', 'Glow time', 'seconds', [5, 600], 'Stopwatch.'),
    asks(PLANT, 'runA', 'Current while it runs', 'current', [0.05, 20], 'Clamp meter, settled.'),
    asks(PLANT, 'hoursWanted', 'Must last', 'hours', [0.5, 100], 'A night, a weekend.'),
    asksWhich(
      PLANT,
      'coAlarm',
      'Carbon monoxide alarm',
      {
        yes: ['In the cabin, in date, tested', 'Press its button now.'],
        no: ['None, or out of date', 'Stop: none runs a fuel heater without it.'],
      },
      'Look for it, read its date.',
      { required: true, safety: true },
    ),
    asksWhich(
      PLANT,
      'chassis',
      'Minus of the battery',
      {
        chassis: [
          'Lies on the chassis',
          'Never an insulation test: its voltage runs through every device of the vehicle.',
        ],
        apart: ['Insulated from the chassis', 'Insulation can be tested, electronics lifted.'],
      },
      'Follow the cable from the minus clamp.',
      { safety: true },
    ),
    asksWhich(
      SCHOOL,
      'way',
      'On and off, or ramped',
      {
        swing: ['On and off with a swing', 'Each start costs a glow.'],
        ramped: ['Ramped between low and full', 'Fewer starts; long spells at low fire soot: full once a day.'],
      },
      'What the heater\u2019s input can take.',
      { school: true },
    ),
    ...siteQuestions,
  ],
  action: 'heating',
  fault: ['off'],
  limiterFor: ['element', 'fuel'],
  limiterC: () => 60,
  swing: () => 'swing.cabin',
  starts: () => 'starts.cabin',
  minimumOff: () => undefined,
  places: () => ['air'],
  leaning: ({ sleeps }) => ({
    control: 'battery',
    because: 'On and off by its run input, cut off before the battery is flat so that the after-run can finish.',
    would: 'A heater with an input for its fire: ramped, fewer starts.',
    does: ['fuel'],
    mostStages: 1,
    also:
      sleeps === 'nobody' ? [] : [{ category: 'permissive', as: 'carbon monoxide alarm with a contact', senses: 'co' }],
  }),
  reckon: (asked) => {
    const { data, number, choice, take, typical, power: powerOf } = asked
    const targetC = number('target')
    const aroundC = number('designOutdoor')
    const volume = take('volume', { value: 10, low: 6, high: 18, why: 'a small van (practice)' })
    const made = estimated(asked, {
      kind: 'cabin',
      volumeM3: volume,
      insulation: choice('insulation', insulations, 'good'),
    })
    const full = fieldValue(data, 'cabin.power')
    const powerW = powerOf('power', ['fuel', 'element'], {
      value: full.typical,
      low: full.low,
      high: full.high,
      why: `${full.what} (${full.source})`,
    })
    const seen = seenFrom('heating', {
      targetC,
      aroundC,
      lossWPerK: made.lossWPerK,
      capacityJPerK: made.quickJPerK,
      powerW,
    })
    const dutyPercent = Math.min(100, (100 * seen.loadW) / powerW)
    const swingK = fieldValue(data, 'swing.cabin').typical
    // Of a first-order cabin: duty × rest over the whole cycle.
    const cyclesPerHour = (powerW * (dutyPercent / 100) * (1 - dutyPercent / 100) * 3600) / (made.quickJPerK * swingK)
    const battery = {
      capacityAh: number('batteryAh'),
      usablePercent: fieldValue(data, chemistries[choice('chemistry', ['lead', 'lfp'], 'lead')]).typical,
      runA: typical('runA', 'heater.run.a'),
      startAs: typical('glowA', 'heater.glow.a') * typical('glowS', 'heater.glow.s'),
      cyclesPerHour,
      dutyPercent,
    }
    const runtime = batteryRuntime(battery)
    const call = (output: string): CalcCall => ({ calc: 'battery.runtime', input: battery, output })
    return {
      seen,
      lines: [
        { label: 'Load on the coldest night', value: seen.loadW, quantity: 'power' },
        { label: 'On for', value: dutyPercent, quantity: 'percent' },
        { label: 'Starts an hour then', value: cyclesPerHour, quantity: 'perHour' },
        { label: 'Battery draws, mean', value: runtime.averageA, quantity: 'current', worked: call('averageA') },
        ...(runtime.hours === null
          ? []
          : [{ label: 'Battery lasts', value: runtime.hours, quantity: 'hours' as const, worked: call('hours') }]),
      ],
    }
  },
}
