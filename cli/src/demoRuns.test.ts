import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from '@jest/globals'
import type { JobFile } from '@nachtigal/contract/api'
import { loopContext } from '@nachtigal/core/loop/context'
import { runOutcome } from '@nachtigal/core/check/runOutcome'
import type { Climate } from '@nachtigal/core/plant/climate'
import type { FieldValue } from '@nachtigal/core/plant/fieldValue'
import { loopScenario } from '@nachtigal/core/simulate/loop/loopScenario'
import { runWeather, type Span } from '@nachtigal/core/simulate/loop/runWeather'
import type { SimulationResult } from '@nachtigal/core/simulate/scenario'
import { simulate } from '@nachtigal/core/simulate/simulate'

const program = fileURLToPath(new URL('../../bin/nachtigal', import.meta.url))
const json = <T>(file: string) => JSON.parse(readFileSync(new URL(`../../${file}`, import.meta.url), 'utf8')) as T
const jobs = ['otterholm', 'juniper-hollow', 'otterholm-outpost'].map((name) =>
  json<JobFile>(`demo/${name}.nachtigal.json`),
)
const data = Object.fromEntries(json<FieldValue[]>('shelf/data/fieldValues.json').map((row) => [row.id, row]))
const [climate] = json<Climate[]>('shelf/data/climates.json').filter(({ id }) => id === 'inland')

const every = jobs.flatMap(({ job, loops }) =>
  Object.values(loops).map((loop) => [`${job.name}, ${loop.name}`, job, loop] as const),
)

describe.each(every)('the demo job, %s', (_, job, loop) => {
  const context = loopContext(job, loop, data)
  const runOf = (span: Span) => {
    const weather = runWeather(loop, span, 'design', climate!, false)
    return { weather, run: loopScenario(context, context.survey!, weather) }
  }
  /** Within what a plant of this kind can come to at all. */
  const reasonable = ({ minimumC, maximumC }: SimulationResult['summary'], hourlyC: readonly number[]) => {
    for (const [id, celsius] of Object.entries(minimumC)) {
      expect(celsius).toBeGreaterThan(Math.min(...hourlyC, 0) - 60)
      expect(maximumC[id]).toBeLessThan(Math.max(...hourlyC, 80) + 250)
    }
  }
  it.each(['day', 'week'] as const)('runs a %s, stays within reason, and has something to say', (span) => {
    const { weather, run } = runOf(span)
    const result = simulate(run.scenario)
    const { summary, trace } = result
    expect(trace.timeS.at(-1)).toBe(weather.days * 86400)
    reasonable(summary, weather.hourlyC)
    for (const { actuator } of run.outputs) expect(summary.energyKwh[actuator]).toBeGreaterThanOrEqual(-1e-6)
    expect(runOutcome(context, run, result, weather.extremeC).sentences.length).toBeGreaterThan(0)
  })
  it('runs a season on the command line, from its own scenario as a file', () => {
    const { weather, run } = runOf('season')
    const folder = mkdtempSync(path.join(tmpdir(), 'nachtigal-season-'))
    const file = path.join(folder, 'scenario.json')
    writeFileSync(file, JSON.stringify({ ...run.scenario, traceS: 3600 }))
    const { stdout, status } = spawnSync(process.execPath, [program, 'simulate', file], {
      encoding: 'utf8',
      maxBuffer: 1 << 28,
    })
    rmSync(folder, { recursive: true })
    expect(status).toBe(0)
    const { summary, trace } = JSON.parse(stdout) as {
      summary: SimulationResult['summary']
      trace: { timeS: number[] }
    }
    expect(trace.timeS.at(-1)).toBe(weather.days * 86400)
    reasonable(summary, weather.hourlyC)
    expect(Object.values(summary.onS).some((seconds) => seconds > 0)).toBe(true)
  })
})
