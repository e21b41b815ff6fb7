import { spawn, spawnSync } from 'node:child_process'
import { once } from 'node:events'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { calculations } from '@nachtigal/core/calc/registry'

const bin = fileURLToPath(new URL('../../bin/nachtigal', import.meta.url))
let folder: string
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'nachtigal-cli-'))
})
afterAll(() => rmSync(folder, { recursive: true, force: true }))

/** Runs the built command line as its own program, as somebody at a prompt would. */
function nachtigal(args: string[], input?: unknown) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [bin, ...args], {
    input: typeof input === 'string' ? input : JSON.stringify(input ?? null),
    encoding: 'utf8',
    env: { ...process.env, NODE_OPTIONS: '' },
    maxBuffer: 1 << 28,
  })
  return { status, stdout, stderr, answer: () => JSON.parse(stdout) as never }
}

describe('calc', () => {
  it('lists every calculation, one a line, with its title', () => {
    const { status, stdout } = nachtigal(['calc', '--list'])
    expect(status).toBe(0)
    expect(stdout.trim().split('\n')).toEqual(calculations.map(({ id, title }) => `${id}\t${title}`))
  })
  it('answers one object with one', () => {
    const { status, answer } = nachtigal(['calc', 'cycling.worst'], { powerW: 2000, capacityJPerK: 1.8e6, swingK: 1 })
    expect([status, answer()]).toEqual([0, { cyclesPerHour: 1 }])
  })
  it('answers an array with an array, a wrong entry holding its error', () => {
    const { status, answer } = nachtigal(
      ['calc', 'units.convert'],
      [
        { value: 10, from: 'F', to: 'K', difference: true },
        { value: 10, from: 'F', to: 'C', difference: false },
        { value: 10, from: 'F', to: 'kW' },
      ],
    )
    const [swing, temperature, wrong] = answer() as { value: number; error?: { message: string } }[]
    expect(status).toBe(0)
    expect(swing!.value).toBeCloseTo(5.556, 3)
    expect(temperature!.value).toBeCloseTo(-12.22, 2)
    expect(wrong!.error!.message).toContain('they do not convert')
  })
  it('says inputs and outputs as JSON Schema', () => {
    const { status, answer } = nachtigal(['calc', 'probe.resistance', '--schema'])
    const { inputs, outputs } = answer() as { inputs: { required: string[] }; outputs: { properties: object } }
    expect([status, inputs.required]).toEqual([0, ['probe', 'temperatureC']])
    expect(Object.keys(outputs.properties)).toContain('resistanceOhm')
  })
  it('answers every example of every calculation, whatever is cannot happen as null with a reason', () => {
    for (const { id, examples } of calculations.filter((_, i) => i % 9 === 0)) {
      const { status, answer, stdout } = nachtigal(
        ['calc', id],
        examples.map(({ given }) => given),
      )
      expect([id, status]).toEqual([id, 0])
      expect(answer()).toHaveLength(examples.length)
      expect(stdout).not.toMatch(/NaN|Infinity|"error"/)
    }
    const { answer } = nachtigal(['calc', 'water.heatUp'], {
      volumeM3: 60,
      fromC: 20,
      toC: 26,
      powerW: 20_000,
      lossWPerK: 1500,
      ambientC: 12,
    })
    expect(answer()).toMatchObject({ hours: null, reason: 'stops-short' })
  })
  it('works through twenty thousand inputs in one process', () => {
    const inputs = Array.from({ length: 20_000 }, (_, i) => ({
      probe: { kind: 'rtd', r0Ohm: 1000 },
      resistanceOhm: 1000 + i * 0.05,
    }))
    const { status, answer } = nachtigal(['calc', 'probe.temperature'], inputs)
    const answers = answer() as { temperatureC: number }[]
    expect([status, answers.length]).toEqual([0, 20_000])
    answers.forEach(({ temperatureC }, i) =>
      expect(temperatureC).toBeGreaterThan((answers[i - 1]?.temperatureC ?? -1) - 1e-9),
    )
  })
  it.each([
    ['a swing of less', { powerW: 1, capacityJPerK: 1, swingK: -15 }, 'swingK'],
    ['a missing field', { powerW: 1, swingK: 1 }, 'capacityJPerK'],
    ['an unknown field', { powerW: 1, capacityJPerK: 1, swingK: 1, colour: 'red' }, 'colour'],
    ['a number as text', { powerW: '1', capacityJPerK: 1, swingK: 1 }, 'powerW'],
    ['nothing', null, 'input'],
  ])('%s: exit 2 and the field by name', (_, input, field) => {
    const { status, answer } = nachtigal(['calc', 'cycling.worst'], input)
    expect(status).toBe(2)
    expect(answer()).toMatchObject({ error: { field } })
  })
  it.each([
    ['an unknown id', ['calc', 'weather.tomorrow'], '{}', 'weather.tomorrow'],
    ['no JSON', ['calc', 'cycling.worst'], '{"powerW":', 'no JSON'],
    ['an unknown command', ['dance'], '', 'dance'],
    ['no command', [], '', 'calc --list'],
  ])('%s: exit 2 and what is allowed', (_, args, input, says) => {
    const { status, stdout } = nachtigal(args, input)
    expect(status).toBe(2)
    expect(JSON.parse(stdout).error.message).toContain(says)
  })
  it('never prints what is no number', () => {
    const { answer } = nachtigal(['calc', 'cycling.onOff'], {
      ...{ powerW: 100, lossWPerK: 50, capacityJPerK: 1.8e6, outdoorC: -10 },
      ...{ lowC: 20, highC: 21, action: 'heating' },
    })
    expect(answer()).toMatchObject({ onS: null, reason: 'stays-on', dutyPercent: 100 })
  })
})

describe('simulate', () => {
  const scenario = {
    durationS: 7200,
    traceS: 60,
    network: {
      nodes: [{ id: 'room', capacityJPerK: 1.8e6, startC: 20 }],
      links: [{ from: 'room', to: 'outdoor', wPerK: 50 }],
      boundaries: { outdoor: { constantC: 0 } },
    },
    probes: [{ id: 'p', node: 'room', lagS: 60 }],
    actuators: [{ id: 'heater', node: 'room', powerW: 2600 }],
    controls: [
      {
        id: 'c',
        kind: 'on-off',
        probe: 'p',
        drives: 'heater',
        action: 'heating',
        onC: 19.5,
        offC: 20.5,
        probeFault: 'off',
      },
    ],
  }
  const write = (value: unknown) => {
    const file = path.join(folder, 'scenario.json')
    writeFileSync(file, typeof value === 'string' ? value : JSON.stringify(value))
    return file
  }
  it('answers summary, events and trace as JSON', () => {
    const { status, answer } = nachtigal(['simulate', write(scenario)])
    const { summary, trace } = answer() as {
      summary: { energyKwh: { heater: number } }
      trace: { timeS: number[]; nodes: { room: number[] } }
    }
    expect(status).toBe(0)
    expect(summary.energyKwh.heater).toBeGreaterThan(0)
    expect(trace.timeS).toHaveLength(121)
    expect(trace.nodes.room[0]).toBe(20)
  })
  it.each([
    ['a part that is not known', { ...scenario, probes: [{ id: 'p', node: 'room', lagS: 60, drawnS: 30 }] }, 'drawnS'],
    ['a name that is not there', { ...scenario, probes: [{ id: 'p', node: 'attic', lagS: 60 }] }, 'attic'],
    ['no JSON', 'scenario', 'no JSON'],
  ])('%s: exit 2 and where', (_, value, says) => {
    const { status, stdout } = nachtigal(['simulate', write(value)])
    expect(status).toBe(2)
    expect(stdout).toContain(says)
  })
  it('says of a run over a minute how long it takes before it goes on, and is stopped by Ctrl-C', async () => {
    const year = {
      ...scenario,
      durationS: 400 * 86400,
      traceS: 3600,
      stepS: 1,
      network: {
        ...scenario.network,
        nodes: Array.from({ length: 12 }, (_, i) => ({ id: i ? `n${i}` : 'room', capacityJPerK: 1.8e6, startC: 20 })),
        links: [
          ...scenario.network.links,
          ...Array.from({ length: 11 }, (_, i) => ({ from: i ? `n${i}` : 'room', to: `n${i + 1}`, wPerK: 50 })),
          ...Array.from({ length: 11 }, (_, i) => ({ from: `n${i + 1}`, to: 'outdoor', wPerK: 5, by: 'heater' })),
        ],
      },
    }
    const running = spawn(process.execPath, [bin, 'simulate', write(year)], {
      env: { ...process.env, NODE_OPTIONS: '' },
    })
    let said = ''
    running.stderr.on('data', (chunk: Buffer) => {
      said += chunk.toString()
      if (said.includes('\n')) running.kill('SIGINT')
    })
    const [, signal] = (await once(running, 'exit')) as [number | null, string | null]
    expect(said).toMatch(/^This run takes about \d+\s(s|min|h)\. Ctrl-C stops it\.\n$/)
    expect(signal).toBe('SIGINT')
  })
  it('says what it takes, and which file is missing', () => {
    expect(nachtigal(['simulate']).stdout).toContain('path of a scenario')
    expect(nachtigal(['simulate', path.join(folder, 'gone.json')]).status).toBe(2)
  })
})

describe('check', () => {
  const demo = fileURLToPath(new URL('../../demo/otterholm.nachtigal.json', import.meta.url))
  it('tells the findings of a whole job, stops first in each loop', () => {
    const file = JSON.parse(readFileSync(demo, 'utf8')) as {
      loops: Record<string, { chain: { devices: object; connections: object } }>
    }
    for (const loop of Object.values(file.loops)) loop.chain = { devices: {}, connections: {} }
    const bare = path.join(folder, 'bare.json')
    writeFileSync(bare, JSON.stringify(file))
    const { status, answer } = nachtigal(['check', bare])
    const { findings } = answer() as { findings: { severity: string; head: string; loop: string }[] }
    expect(status).toBe(0)
    expect(findings.length).toBeGreaterThan(0)
    const rank = { stop: 0, 'look-again': 1, note: 2 } as Record<string, number>
    findings.forEach(({ severity }, i) =>
      expect(rank[severity]).toBeGreaterThanOrEqual(rank[findings[i - 1]?.severity ?? 'stop']!),
    )
    expect((nachtigal(['check', demo]).answer() as { job: string }).job).toBe('Otterholm Wildlife Hospital')
  })
  it.each([
    ['no file', ['check'], 'file'],
    ['a file that is not there', ['check', '/no/such/file'], 'file'],
  ])('%s: exit 2 and the field by name', (_, args, field) => {
    const { status, answer } = nachtigal(args)
    expect([status, (answer() as { error: { field: string } }).error.field]).toEqual([2, field])
  })
  it('refuses what is no job file, naming the field', () => {
    const wrong = path.join(folder, 'wrong.json')
    writeFileSync(wrong, JSON.stringify({ format: 'nachtigal-job', version: 1, job: {}, loops: {} }))
    const { status, answer } = nachtigal(['check', wrong])
    expect(status).toBe(2)
    expect((answer() as { error: { field: string } }).error.field).toMatch(/^(job|log)/)
  })
})
