import { readFileSync } from 'node:fs'
import { describe, expect, it } from '@jest/globals'
import type { JobFile } from '@nachtigal/contract/api'
import { loopContext } from '@nachtigal/core/check/context'
import { runOutcome } from '@nachtigal/core/check/runOutcome'
import type { Climate } from '@nachtigal/core/plant/climate'
import type { FieldValue } from '@nachtigal/core/plant/fieldValue'
import { loopScenario } from '@nachtigal/core/simulate/loop/loopScenario'
import { runWeather, spans } from '@nachtigal/core/simulate/loop/runWeather'
import { simulate } from '@nachtigal/core/simulate/simulate'

const json = <T>(file: string) => JSON.parse(readFileSync(new URL(`../../${file}`, import.meta.url), 'utf8')) as T
const { job, loops } = json<JobFile>('demo/otterholm.nachtigal.json')
const data = Object.fromEntries(json<FieldValue[]>('shelf/data/fieldValues.json').map((row) => [row.id, row]))
const [climate] = json<Climate[]>('shelf/data/climates.json').filter(({ id }) => id === 'inland')

describe.each(Object.values(loops).map((loop) => [loop.name, loop] as const))('the demo job, %s', (_, loop) => {
  const context = loopContext(job, loop, data)
  it.each(spans)('runs a %s, stays within reason, and has something to say', (span) => {
    const weather = runWeather(loop, span, 'design', climate!, false)
    const run = loopScenario(context, context.survey!, weather)
    const result = simulate({ ...run.scenario, traceS: span === 'season' ? 300 : 60 })
    const { summary, trace } = result
    expect(trace.timeS.at(-1)).toBe(weather.days * 86400)
    const around = [Math.min(...weather.hourlyC), Math.max(...weather.hourlyC)] as const
    for (const [id, celsius] of Object.entries(summary.minimumC)) {
      expect(celsius).toBeGreaterThan(Math.min(around[0], 0) - 60)
      expect(summary.maximumC[id]).toBeLessThan(Math.max(around[1], 80) + 250)
    }
    for (const { actuator } of run.outputs) expect(summary.energyKwh[actuator]).toBeGreaterThanOrEqual(-1e-6)
    expect(runOutcome(context, run, result, weather.extremeC).sentences.length).toBeGreaterThan(0)
  })
})
