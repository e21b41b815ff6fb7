/** Benchmarks, printed and never asserted: what is quick enough is judged by whoever reads. */
import { spawnSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { chromium } from '@playwright/test'
import type { JobFile } from '@nachtigal/contract/api'
import type { CalcData } from '@nachtigal/core/calc/calculation'
import { calculations, findCalculation, runCalculation } from '@nachtigal/core/calc/registry'
import { loopContext } from '@nachtigal/core/check/context'
import { checkLoop } from '@nachtigal/core/check/checkLoop'
import { stageStatus } from '@nachtigal/core/check/stageStatus'
import type { FieldValue } from '@nachtigal/core/plant/fieldValue'
import { winterDay } from '@nachtigal/core/plant/winterDay'
import { loopScenario } from '@nachtigal/core/simulate/loopScenario'
import { simulate } from '@nachtigal/core/simulate/simulate'
import { emptyFolder, removeFolder, startServer } from '../e2e/server'
import globalSetup from '../e2e/globalSetup'
import { launchOptions } from '../e2e/playwright.config'

const at = (file: string) => new URL(`../${file}`, import.meta.url)
const json = <T>(file: string) => JSON.parse(readFileSync(at(file), 'utf8')) as T
const median = (values: number[]) => values.sort((a, b) => a - b)[Math.floor(values.length / 2)]!

function time(name: string, rounds: number, run: () => void) {
  run()
  const took = Array.from({ length: rounds }, () => {
    const from = performance.now()
    run()
    return performance.now() - from
  })
  console.log(`${name.padEnd(52)} median ${median(took).toFixed(1)} ms`)
}

const { job, loops } = json<JobFile>('demo/otterholm.nachtigal.json')
const data = Object.fromEntries(json<FieldValue[]>('shelf/data/fieldValues.json').map((row) => [row.id, row]))
const loop = Object.values(loops)[0]!
const context = loopContext(job, loop, data)
const scenario = (days: number) => loopScenario(loop, context.chain, context.survey!, { hourlyC: winterDay(-14), days })
time('derive and check a loop', 50, () => {
  const c = loopContext(job, loop, data)
  checkLoop(c)
  stageStatus(c)
})
time('simulate one day, 1-minute trace', 10, () => {
  simulate(scenario(1))
})
time('simulate seven days, 1-minute trace', 5, () => {
  simulate(scenario(7))
})

/** Entries that a screen or a script calls most: on every keystroke, on every drag, on every row of a logger file. */
const hottest = [
  'probe.temperature',
  'probe.resistance',
  'probe.hotJunction',
  'switching.points',
  'cycling.onOff',
  'cycling.worst',
  'modulating.output',
  'reset.supply',
  'air.state',
  'wiring.drop',
]
const calcData: CalcData = {
  fields: data,
  parts: json('shelf/data/probeParts.json'),
  fluids: json('shelf/data/fluids.json'),
}

/** Calls a second over an entry's own examples, checks included, for about a fifth of a second. */
function callsPerSecond(entry: (typeof calculations)[number]): number {
  const inputs = entry.examples.map(({ given }) => given)
  const round = () => inputs.forEach((input) => runCalculation(entry, input, calcData))
  for (let i = 0; i < 50; i++) round()
  const from = performance.now()
  let rounds = 0
  while (performance.now() - from < 200) {
    round()
    rounds++
  }
  return (rounds * inputs.length * 1000) / (performance.now() - from)
}
for (const id of hottest)
  console.log(
    `${`calc ${id}`.padEnd(52)} ${Math.round(callsPerSecond(findCalculation(id)!)).toLocaleString('en')} calls/s`,
  )
const slowest = calculations
  .map((entry) => ({ id: entry.id, rate: callsPerSecond(entry) }))
  .sort((a, b) => a.rate - b.rate)
  .slice(0, 3)
for (const { id, rate } of slowest)
  console.log(`${`of all the slowest: calc ${id}`.padEnd(52)} ${Math.round(rate).toLocaleString('en')} calls/s`)

const many = JSON.stringify(
  Array.from({ length: 20_000 }, (_, i) => ({ probe: { kind: 'rtd', r0Ohm: 1000 }, resistanceOhm: 1000 + i * 0.05 })),
)
const cli = (args: string[], input = '') => {
  const begun = performance.now()
  const { status } = spawnSync(process.execPath, [fileURLToPath(at('bin/nachtigal')), ...args], {
    input,
    maxBuffer: 1 << 28,
  })
  if (status !== 0) throw new Error(`nachtigal ${args.join(' ')} ended with ${status}`)
  return performance.now() - begun
}
console.log(
  `${'command line, 20,000 inputs of probe.temperature'.padEnd(52)} median ${median([1, 2, 3].map(() => cli(['calc', 'probe.temperature'], many))).toFixed(0)} ms`,
)
console.log(
  `${'command line, calc --list'.padEnd(52)} median ${median([1, 2, 3].map(() => cli(['calc', '--list']))).toFixed(0)} ms`,
)

const clean = await globalSetup()
const folder = emptyFolder()
const from = performance.now()
const server = await startServer(folder, { demo: true })
console.log(
  `${'server start on an existing folder, demo loaded'.padEnd(52)} ${(performance.now() - from).toFixed(0)} ms`,
)
const browser = await chromium.launch(launchOptions)
const opened: number[] = []
for (let i = 0; i < 5; i++) {
  const page = await (await browser.newContext()).newPage()
  const begun = performance.now()
  await page.goto(server.url)
  await page.getByRole('link', { name: /Otterholm/ }).waitFor()
  opened.push(performance.now() - begun)
  await page.close()
}
console.log(
  `${'first screen usable, cold cache'.padEnd(52)} median ${median(opened).toFixed(0)} ms, worst ${Math.max(...opened).toFixed(0)} ms`,
)
await browser.close()
await server.stop()
removeFolder(folder)
clean()
