/** The simulation against the same model in C, side by side in one run. */
import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { simulate } from '@nachtigal/core/simulate/simulate'
import { told } from './goals'
import { season, winter } from './season'

const ROUNDS = 9
const middle = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!

export interface Variant {
  readonly days: number
  readonly traced: boolean
  readonly onC: number
  readonly offC: number
  readonly minimumOffS: number
}

export interface ReferenceAnswer {
  readonly runs: readonly { readonly kwh: number; readonly starts: number; readonly meanC: number }[]
  readonly ms: number
}

/** Builds the reference with gcc. @returns nothing where there is no gcc */
export function buildReference():
  { readonly run: (variants: readonly Variant[]) => ReferenceAnswer; readonly remove: () => void } | undefined {
  if (spawnSync('gcc', ['--version']).status !== 0) return undefined
  const folder = mkdtempSync(path.join(tmpdir(), 'nachtigal-bench-'))
  const program = path.join(folder, 'reference')
  const source = fileURLToPath(new URL('./reference.c', import.meta.url))
  const { status, stderr } = spawnSync('gcc', ['-O3', '-march=native', '-o', program, source], { encoding: 'utf8' })
  if (status !== 0) throw new Error(`gcc: ${stderr}`)
  return {
    run: (variants) => {
      const input = [
        winter.length,
        ...winter,
        variants.length,
        ...variants.map(
          ({ days, traced, onC, offC, minimumOffS }) => `${days} ${traced ? 1 : 0} ${onC} ${offC} ${minimumOffS}`,
        ),
      ].join('\n')
      const { stdout, status: code } = spawnSync(program, { input, encoding: 'utf8', maxBuffer: 1 << 26 })
      if (code !== 0) throw new Error(`the reference ended with ${code}`)
      const lines = stdout.trim().split('\n')
      return {
        runs: lines.slice(0, -1).map((line) => {
          const [kwh, starts, meanC] = line.split(' ').map(Number) as [number, number, number]
          return { kwh, starts, meanC }
        }),
        ms: Number(lines[lines.length - 1]),
      }
    },
    remove: () => rmSync(folder, { recursive: true, force: true }),
  }
}

export const whole: Variant = { days: 212, traced: true, onC: 20.8, offC: 21.2, minimumOffS: 300 }

/** Swing by least off time, over three days. */
export const variants: readonly Variant[] = Array.from({ length: 400 }, (_, i) => {
  const half = 0.1 + (i % 20) * 0.1
  return { days: 3, traced: false, onC: 21 - half, offC: 21 + half, minimumOffS: Math.floor(i / 20) * 60 }
})

export const scenarioOf = ({ days, traced, onC, offC, minimumOffS }: Variant) =>
  season({ days, traceS: traced ? 60 : 0, onC, offC, minimumOffS })

const timed = (run: () => void) => {
  const from = performance.now()
  run()
  return performance.now() - from
}

/** Runs the named work in turn, C then ours, and prints the medians and their ratio. */
export function benchSimulation() {
  const reference = buildReference()
  const events = () => void simulate(scenarioOf(whole))
  const steps = () => void simulate({ ...scenarioOf(whole), stepS: 5 }, { engine: 'steps' })
  const sweep = () => variants.forEach((variant) => void simulate(scenarioOf(variant)))
  const work = [
    ['a season, events, against C at 5 s', events, [whole], 1],
    ['a season, steps of 5 s, against C at 5 s', steps, [whole], 1.6],
    ['400 variants of three days, against C', sweep, variants, 0.65],
  ] as const
  if (!reference) console.log('no gcc here: the simulation is timed without its reference')
  for (const [name, ours, given, reach] of work) {
    ours()
    const mine: number[] = []
    const theirs: number[] = []
    for (let i = 0; i < ROUNDS; i++) {
      if (reference) theirs.push(reference.run(given).ms)
      mine.push(timed(ours))
    }
    const base = reference ? middle(theirs) : undefined
    told(name, middle(mine), 'ms')
    if (base !== undefined) told(`${name}, as a share of C`, middle(mine) / base, '×', reach)
  }
  reference?.remove()
  // Energy against plain steps of a millisecond: one day, first order.
  const day = {
    durationS: 86400,
    traceS: 60,
    network: {
      nodes: [{ id: 'room', capacityJPerK: 1.8e6, startC: 20 }],
      links: [{ from: 'room', to: 'outdoor', wPerK: 50 }],
      boundaries: { outdoor: { constantC: 0 } },
    },
    probes: [{ id: 'p', node: 'room', lagS: 60 }],
    actuators: [{ id: 'heat', node: 'room', powerW: 2600 }],
    controls: [
      {
        ...({ id: 'c', kind: 'on-off', probe: 'p', drives: 'heat', action: 'heating', onC: 19.5, offC: 20.5 } as const),
        probeFault: 'off',
      } as const,
    ],
  }
  let [room, probe, on, joule] = [20, 20, false, 0]
  for (let i = 0; i < 86_400_000; i++) {
    on = on ? probe < 20.5 : probe <= 19.5
    const watts = on ? 2600 : 0
    joule += watts * 1e-3
    probe += ((room - probe) / 60) * 1e-3
    room += ((watts - 50 * room) / 1.8e6) * 1e-3
  }
  const off = simulate(day).summary.energyKwh['heat']! / (joule / 3.6e6) - 1
  told('energy of a day against steps of 1 ms', Math.abs(off) * 1e6, 'millionths', 10)
}
