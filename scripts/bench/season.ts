import { weatherYear } from '@nachtigal/core/plant/weatherYear'
import type { Scenario } from '@nachtigal/core/simulate/scenario'

/** Hours of a winter, from the first of October on. */
export const winter = (() => {
  const year = weatherYear(-14)
  return [...year.slice(273 * 24), ...year.slice(0, 273 * 24)].slice(0, 212 * 24)
})()

/** The named work of the bench, as the reference in C has it: three stores, a lagging probe, least times, water by a reset line. */
export const season = (
  change: {
    readonly days?: number
    readonly traceS?: number
    readonly onC?: number
    readonly offC?: number
    readonly minimumOffS?: number
  } = {},
): Scenario => {
  const { days = 212, traceS = 60, onC = 20.8, offC = 21.2, minimumOffS = 300 } = change
  return {
    durationS: days * 86400,
    traceS,
    network: {
      nodes: [
        { id: 'slab', capacityJPerK: 9e6, startC: 24 },
        { id: 'room', capacityJPerK: 1.2e6, startC: 20 },
        { id: 'shell', capacityJPerK: 1.5e7, startC: 15 },
      ],
      links: [
        { from: 'water', to: 'slab', wPerK: 300, while: 'pump' },
        { from: 'slab', to: 'room', wPerK: 320 },
        { from: 'room', to: 'shell', wPerK: 200 },
        { from: 'shell', to: 'outdoor', wPerK: 150 },
        { from: 'room', to: 'outdoor', wPerK: 40 },
      ],
      boundaries: {
        outdoor: { hourlyC: days >= 212 ? winter : winter.slice(0, days * 24 + 1) },
        water: {
          supply: {
            outdoor: 'outdoor',
            line: { designOutdoorC: -14, designSupplyC: 43, warmOutdoorC: 18, warmSupplyC: 26 },
          },
        },
      },
      gains: [{ node: 'room', constantW: 250 }],
    },
    probes: [{ id: 'p', node: 'room', lagS: 120 }],
    actuators: [{ id: 'pump' }],
    controls: [
      {
        id: 'c',
        kind: 'on-off',
        probe: 'p',
        drives: 'pump',
        action: 'heating',
        onC,
        offC,
        minimumOnS: 180,
        minimumOffS,
        probeFault: 'off',
      },
    ],
  }
}
