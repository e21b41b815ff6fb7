import { readFileSync } from 'node:fs'
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { calculations, findCalculation, runCalculation } from '@nachtigal/core/calc/registry'
import type { FieldData, FieldValue } from '@nachtigal/core/plant/fieldValue'
import type { Scenario } from '@nachtigal/core/simulate/scenario'
import { simulate } from '@nachtigal/core/simulate/simulate'

const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../..')
const print = (value: unknown) => process.stdout.write(`${JSON.stringify(value)}\n`)

/** Ends with exit 2 and an error that names the field. */
function refuse(field: string, message: string): never {
  print({ error: { field, message } })
  process.exit(2)
}

function json(text: string, field: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return refuse(field, `${field} is no JSON`)
  }
}

const fieldData = (): FieldData =>
  Object.fromEntries(
    (JSON.parse(readFileSync(path.join(root, 'shelf/data/fieldValues.json'), 'utf8')) as FieldValue[]).map((row) => [
      row.id,
      row,
    ]),
  )

function calc([id]: string[]) {
  if (id === '--list') {
    for (const entry of calculations) process.stdout.write(`${entry.id}\t${entry.title}\n`)
    return
  }
  const entry = findCalculation(id ?? '')
  if (!entry) refuse('id', `there is no calculation "${id ?? ''}"; calc --list names them`)
  const data = fieldData()
  const input = json(readFileSync(0, 'utf8'), 'input')
  if (Array.isArray(input)) {
    print(
      input.map((each) => {
        const outcome = runCalculation(entry, each, data)
        return outcome.ok ? outcome.output : { error: outcome.error }
      }),
    )
    return
  }
  const outcome = runCalculation(entry, input, data)
  if (!outcome.ok) refuse(outcome.error.field, outcome.error.message)
  print(outcome.output)
}

function runScenario([file]: string[]) {
  if (!file) refuse('file', 'simulate takes the path of a scenario')
  try {
    const { summary, events, trace } = simulate(json(readFileSync(file, 'utf8'), 'file') as Scenario)
    const lists = (map: Readonly<Record<string, ArrayLike<number>>>) =>
      Object.fromEntries(Object.entries(map).map(([id, values]) => [id, Array.from(values)]))
    print({
      summary,
      events,
      trace: { timeS: Array.from(trace.timeS), nodes: lists(trace.nodes), drives: lists(trace.drives) },
    })
  } catch (error) {
    refuse('scenario', (error as Error).message)
  }
}

const [command, ...rest] = process.argv.slice(2)
if (command === 'calc') calc(rest)
else if (command === 'simulate') runScenario(rest)
else refuse('command', `"${command ?? ''}" is not known here: calc --list, calc <id>, simulate <scenario.json>`)
