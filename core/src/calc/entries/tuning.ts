import { anchors, droop, type DroopInput, bandEnds, proportionalPercent } from '../../settings/band/law/proportional'
import { tuneController, type TuningMethod, tuningMethods } from '../../control/tuneController'
import { defineCalculation } from '../calculation'
import { action, difference, loss, power, temperature } from '../commonFields'
import { choice, number, optional, text } from '../field'
import { evenly, type Spot } from '../picture'
import { figure } from '../../words/words'

export const controlDroop = defineCalculation<DroopInput>({
  id: 'control.droop',
  title: 'Where a proportional control settles',
  find: 'droop offset proportional does not reach setpoint never gets there load',
  inputs: {
    powerW: power,
    lossWPerK: loss,
    outdoorC: temperature('Outdoor'),
    setpointC: temperature('Setpoint'),
    bandK: difference('Band', { over: 0, symbol: 'b' }),
    anchor: choice('The set is', anchors, { says: { 'from-setpoint': 'at 0 %', centred: 'at 50 %' } }),
    action,
  },
  outputs: {
    settlesC: temperature('Settles at'),
    offsetK: difference('Off the setpoint by'),
    percent: number('Output', 'percent'),
    saturated: optional(choice('At its end', ['full', 'off'], { tones: { full: 'look', off: 'look' } })),
    meaning: text('Meaning', { longest: 2000 }),
  },
  formula:
    'P u(T) = ± H (T − outdoor), u straight over the band: T = (P T0/b + H outdoor)/(P/b + H); full on it rests at outdoor ± P/H, off at outdoor',
  source: 'steady heat balance',
  examples: [
    {
      given: {
        powerW: 5000,
        lossWPerK: 150,
        outdoorC: -8,
        setpointC: 22,
        bandK: 4,
        anchor: 'from-setpoint',
        action: 'heating',
      },
      gives: { settlesC: 18.785714, offsetK: -3.214286, percent: 80.357143 },
      source: 'by hand: (1250 × 22 − 150 × 8)/1400',
    },
    {
      given: {
        powerW: 3000,
        lossWPerK: 150,
        outdoorC: -8,
        setpointC: 22,
        bandK: 4,
        anchor: 'from-setpoint',
        action: 'heating',
      },
      gives: { settlesC: 12, percent: 100, saturated: 'full' },
      source: 'by hand: full on, −8 + 3000/150',
    },
    {
      given: {
        powerW: 3000,
        lossWPerK: 100,
        outdoorC: 35,
        setpointC: 24,
        bandK: 3,
        anchor: 'from-setpoint',
        action: 'cooling',
      },
      gives: { settlesC: 25, offsetK: 1, percent: 33.333333 },
      source: 'by hand: (1000 × 24 + 100 × 35)/1100',
    },
    {
      given: {
        powerW: 3000,
        lossWPerK: 100,
        outdoorC: 25,
        setpointC: 22,
        bandK: 2,
        anchor: 'centred',
        action: 'heating',
      },
      gives: { settlesC: 25, percent: 0, saturated: 'off' },
      source: 'by hand: it is warmer outside than the band reaches',
    },
  ],
  run: (input) => {
    const answer = droop(input)
    const at = figure(answer.settlesC, 'C')
    const meaning =
      answer.saturated === 'full'
        ? `Full on and still only ${at}: the power does not cover the loss at this outdoor temperature.`
        : answer.saturated === 'off'
          ? `Off: the outdoor temperature alone keeps it at ${at}.`
          : Math.abs(answer.offsetK) < 0.05
            ? `Settles at the setpoint, ${at}.`
            : `Settles at ${at}, ${figure(Math.abs(answer.offsetK), 'K')} ${answer.offsetK < 0 ? 'under' : 'over'} the setpoint. A narrower band or a moved setpoint brings it nearer.`
    return { ...answer, meaning }
  },
  picture: (input, { settlesC, percent }) => {
    const { zeroC, fullC } = bandEnds(input)
    const [low, high] = [
      Math.min(zeroC, fullC, settlesC as number) - input.bandK / 2,
      Math.max(zeroC, fullC, settlesC as number) + input.bandK / 2,
    ]
    const need = (t: number): number =>
      ((input.action === 'heating' ? 1 : -1) * 100 * input.lossWPerK * (t - input.outdoorC)) / input.powerW
    const temperatures = evenly(low, high, 81)
    return {
      kind: 'lines',
      x: { title: 'Temperature', quantity: 'temperature' },
      y: { title: 'Output', quantity: 'percent' },
      lines: [
        {
          title: 'Control gives',
          look: 'main',
          points: temperatures.map((t): Spot => [t, proportionalPercent(input, t)]),
        },
        {
          title: 'Load needs',
          look: 'other',
          points: temperatures.map((t): Spot => [t, need(t)]).filter(([, y]) => y >= 0 && y <= 130),
        },
      ],
      spots: [{ title: 'Settles', at: [settlesC as number, percent as number] }],
    }
  },
})

/** What a step test is read for. */
export const stepTestFields = {
  gainKPerPercent: number('Gain of the plant', 'gain', {
    over: 0,
    symbol: 'K',
    hint: 'Kelvin that one percent of output moves it in the end',
  }),
  timeConstantS: number('Time constant', 'seconds', { over: 0, symbol: 'T' }),
  deadS: number('Dead time', 'seconds', { over: 0, symbol: 'L' }),
}

export const controlTune = defineCalculation<{
  gainKPerPercent: number
  timeConstantS: number
  deadS: number
  method: TuningMethod
}>({
  id: 'control.tune',
  title: 'Tune from a step test',
  find: 'pid pi tuning step response gain dead time reset rate band ziegler nichols cohen coon simc hunting oscillates',
  inputs: {
    ...stepTestFields,
    method: choice('Method', tuningMethods, {
      says: {
        simc: 'simc: calm, PI',
        'cohen-coon': 'cohen-coon: quick, PID',
        'ziegler-nichols': 'ziegler-nichols: lively, PID',
      },
    }),
  },
  outputs: {
    bandK: difference('Band'),
    resetS: number('Reset time', 'seconds'),
    rateS: number('Rate time', 'seconds'),
    gainPercentPerK: number('Gain of the controller', 'controllerGain'),
  },
  formula:
    'simc: Kc = T/(2 K L), Ti = min(T, 8L); ziegler-nichols: Kc = 1.2 T/(K L), Ti = 2L, Td = L/2; cohen-coon, r = L/T: Kc = (4/3 + r/4)/(K r), Ti = L (32 + 6r)/(13 + 8r), Td = 4L/(11 + 2r); band = 100/Kc',
  source: 'Skogestad (2003); Ziegler and Nichols (1942); Cohen and Coon (1953)',
  cautions: ['Start with simc. The lively ones overshoot: not where overshoot hurts.'],
  examples: [
    {
      given: { gainKPerPercent: 0.2, timeConstantS: 600, deadS: 60, method: 'simc' },
      gives: { bandK: 4, resetS: 480, rateS: 0 },
      source: 'by hand: Kc = 600/(0.2 × 120) = 25, min(600, 480)',
    },
    {
      given: { gainKPerPercent: 0.2, timeConstantS: 600, deadS: 60, method: 'ziegler-nichols' },
      gives: { bandK: 1.666667, resetS: 120, rateS: 30 },
      source: 'by hand: Kc = 720/12 = 60',
    },
    {
      given: { gainKPerPercent: 0.2, timeConstantS: 600, deadS: 60, method: 'cohen-coon' },
      gives: { bandK: 1.472393, resetS: 141.73913, rateS: 21.428571 },
      source: 'by hand: r = 0.1, Kc = 50 (4/3 + 0.025), Ti = 60 × 32.6/13.8, Td = 240/11.2',
    },
  ],
  run: ({ gainKPerPercent, timeConstantS, deadS, method }) =>
    tuneController(gainKPerPercent, timeConstantS, deadS, method),
  picture: ({ gainKPerPercent, timeConstantS, deadS }) => {
    const end = deadS + 5 * timeConstantS
    const step = (s: number) => (s < deadS ? 0 : 10 * gainKPerPercent * (1 - Math.exp(-(s - deadS) / timeConstantS)))
    return {
      kind: 'lines',
      x: { title: 'Time', quantity: 'seconds' },
      y: { title: 'Rise after a step of 10 %', quantity: 'difference' },
      lines: [{ title: 'Plant', look: 'main', points: evenly(0, end, 121).map((s): Spot => [s, step(s)]) }],
      spots: [
        { title: 'dead time', at: [deadS, 0] },
        { title: '63 %', at: [deadS + timeConstantS, step(deadS + timeConstantS)] },
      ],
    }
  },
})
