import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import { existsSync, openAsBlob, readFileSync, readdirSync } from 'node:fs'
import path from 'node:path'
import { Readable } from 'node:stream'
import { text as textOf } from 'node:stream/consumers'
import { pipeline } from 'node:stream/promises'
import type { ReadableStream as WebStream } from 'node:stream/web'
import { fileURLToPath } from 'node:url'
import { type Entry, fromBufferPromise } from 'yauzl'
import { fill, type JobFile, type JobState, type JobSummary, routes } from '@nachtigal/contract/api'
import { JOB_IN_ZIP, jobFileRefusal } from '@nachtigal/contract/jobFileSchema'
import { actions, findAction } from '@nachtigal/core/actions/registry'
import { jsonSchemaOf } from '@nachtigal/core/schema/jsonSchemaOf'
import { commandOf, withCommand } from './doAction'
import type { CalcData } from '@nachtigal/core/calc/calculation'
import { calculationSchema } from '@nachtigal/core/calc/jsonSchema'
import { calculations, findCalculation, plainly, runCalculation } from '@nachtigal/core/calc/registry'
import type { FluidTable } from '@nachtigal/core/plant/brine'
import type { FieldData, FieldValue } from '@nachtigal/core/plant/fieldValue'
import { checkLoop } from '@nachtigal/core/check/checkLoop'
import { loopContext } from '@nachtigal/core/loop/context'
import { ordered } from '@nachtigal/core/schema/ordered'
import type { ProbePart } from '@nachtigal/core/probes/probe'
import { LONG_RUN_MS } from '@nachtigal/core/simulate/longRun'
import type { Scenario } from '@nachtigal/core/simulate/scenario'
import { RunTakesLong, simulate } from '@nachtigal/core/simulate/simulate'
import { aboutTime } from '@nachtigal/core/units/aboutTime'

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

const shelf = (name: string): unknown => JSON.parse(readFileSync(path.join(root, 'shelf/data', `${name}.json`), 'utf8'))

const fieldData = (): FieldData =>
  Object.fromEntries((shelf('fieldValues') as FieldValue[]).map((row) => [row.id, row]))

/** Every device of the shelf that is shipped. */
const devices = (): DeviceProfile[] =>
  readdirSync(path.join(root, 'shelf'), { withFileTypes: true })
    .filter((each) => each.isDirectory() && each.name !== 'data' && each.name !== 'node_modules')
    .flatMap(({ name }) =>
      readdirSync(path.join(root, 'shelf', name)).map(
        (file) => JSON.parse(readFileSync(path.join(root, 'shelf', name, file), 'utf8')) as DeviceProfile,
      ),
    )

const calcData = (): CalcData => ({
  fields: fieldData(),
  parts: shelf('probeParts') as ProbePart[],
  fluids: shelf('fluids') as FluidTable[],
})

function calc([id, option]: string[]) {
  if (id === '--list') {
    for (const entry of calculations) process.stdout.write(`${entry.id}\t${entry.title}\n`)
    return
  }
  const entry = findCalculation(id ?? '')
  if (!entry) refuse('id', `there is no calculation "${id ?? ''}"; calc --list names them`)
  if (option === '--schema') {
    print(calculationSchema(entry))
    return
  }
  if (option !== undefined)
    refuse('option', `option is "${option}": calc <id> takes --schema, or its input on standard input`)
  const data = calcData()
  const input = json(readFileSync(0, 'utf8'), 'input')
  const answer = (each: unknown) => plainly(runCalculation(entry, each, data))
  if (Array.isArray(input)) {
    print(
      input.map((each) => {
        const outcome = answer(each)
        return outcome.ok ? outcome.output : { error: outcome.error }
      }),
    )
    return
  }
  const outcome = answer(input)
  if (!outcome.ok) refuse(outcome.error.field, outcome.error.message)
  print(outcome.output)
}

/** A run; one that takes long says on the error output how long first, and on a terminal how far it is. */
function patiently(scenario: Scenario) {
  const now = () => performance.now()
  try {
    return simulate(scenario, { within: { ms: LONG_RUN_MS, now } })
  } catch (error) {
    if (!(error instanceof RunTakesLong)) throw error
    const { stderr } = process
    stderr.write(`This run takes ${aboutTime(error.ms)}. Ctrl-C stops it.\n`)
    const begun = now()
    let told = begun
    const result = simulate(scenario, {
      onProgress: (share) => {
        if (!stderr.isTTY || now() - told < 1000) return
        told = now()
        stderr.write(`\r${Math.round(share * 100)} %, ${aboutTime(((told - begun) * (1 - share)) / share)} left   `)
      },
    })
    if (stderr.isTTY) stderr.write('\n')
    return result
  }
}

function runScenario([file]: string[]) {
  if (!file) refuse('file', 'simulate takes the path of a scenario')
  try {
    const { summary, events, trace } = patiently(json(readFileSync(file, 'utf8'), 'file') as Scenario)
    const lists = (map: Readonly<Record<string, ArrayLike<number>>>) =>
      Object.fromEntries(Object.entries(map).map(([id, values]) => [id, Array.from(values)]))
    print({
      summary,
      events,
      trace: {
        timeS: Array.from(trace.timeS),
        nodes: lists(trace.nodes),
        probes: lists(trace.probes),
        lines: lists(trace.lines),
        drives: lists(trace.drives),
      },
    })
  } catch (error) {
    refuse('scenario', (error as Error).message)
  }
}

/** The JSON of a job file; one with photos is a zip that holds it. */
async function jobText(file: string): Promise<string> {
  try {
    const bytes = readFileSync(file)
    if (bytes.subarray(0, 2).toString() !== 'PK') return bytes.toString('utf8')
    const zip = await fromBufferPromise(bytes, { lazyEntries: true })
    const entry = await new Promise<Entry>((resolve, reject) => {
      zip.on('entry', (found: Entry) => (found.fileName === JOB_IN_ZIP ? resolve(found) : zip.readEntry()))
      zip.on('end', () => reject(new Error(`${file} is a zip without ${JOB_IN_ZIP}: no job file`)))
      zip.readEntry()
    })
    return await textOf(await zip.openReadStreamPromise(entry))
  } catch (error) {
    return refuse('file', (error as Error).message)
  }
}

/** Findings of a whole job file, stops first, loop by loop in their order. */
async function check([file]: string[]) {
  if (!file) refuse('file', 'check takes the path of a job file')
  const given = json(await jobText(file), 'file')
  const wrong = jobFileRefusal(given)
  if (wrong) refuse(wrong.field, wrong.message)
  const { job, loops } = given as JobFile
  const data = fieldData()
  print({
    job: job.name,
    findings: ordered(loops).flatMap((loop) => {
      const { open, closed } = checkLoop(loopContext(job, loop, data, job, Object.values(loops)))
      return [...open, ...closed].map((finding) => ({ loop: loop.name, ...finding, closed: closed.includes(finding) }))
    }),
  })
}

/** Where a bench listens, unless another is named. */
const HERE = `http://127.0.0.1:${process.env['PORT'] || 4310}`

/** The address after `--at`, and what else was given. */
function withAddress(given: string[]): { readonly rest: string[]; readonly at: string } {
  const i = given.indexOf('--at')
  if (i < 0) return { rest: given, at: HERE }
  const at = given[i + 1] ?? ''
  if (!/^https?:\/\/[^\s]+$/.test(at)) refuse('at', `at is "${at}": it takes an address such as ${HERE}`)
  return { rest: [...given.slice(0, i), ...given.slice(i + 2)], at: at.replace(/\/$/, '') }
}

const reached = (address: string, init?: RequestInit) =>
  fetch(address, init).catch((error: Error) =>
    refuse('at', `no bench answers at ${address}: ${error.message}. Start one with npm start`),
  )

const asked = async (address: string, init?: RequestInit): Promise<unknown> => told(await reached(address, init))

/** What a bench answered; its refusal ends the program with the field. */
async function told(answer: Response): Promise<unknown> {
  const body = (await answer.json()) as { error?: { message: string; field?: string; facts?: { field?: string } } }
  if (!answer.ok)
    refuse(body.error?.facts?.field ?? body.error?.field ?? 'file', body.error?.message ?? answer.statusText)
  return body
}

/** A job of a bench by its id or its name. */
async function jobAt(at: string, name: string): Promise<JobSummary> {
  const jobs = (await asked(`${at}${routes.jobs}`)) as JobSummary[]
  const found = jobs.filter(({ id, name: called }) => id === name || called === name)
  if (found.length !== 1)
    refuse(
      'job',
      `"${name}" is ${found.length === 0 ? 'no job' : 'more than one job'} here: ${jobs.map((job) => `${job.id} ${job.name}`).join(', ') || 'there is none'}`,
    )
  return found[0]!
}

/** A job of a running bench as one open file, by its id or its name. */
async function exportJob(given: string[]) {
  const { rest, at } = withAddress(given)
  const { id } = await jobAt(at, rest[0] ?? '')
  const answer = await reached(`${at}${fill(routes.file, { jobId: id })}`)
  if (!answer.ok || !answer.body) await told(answer)
  // However long it is, and a zip where it holds photos: as it comes.
  await pipeline(Readable.fromWeb(answer.body as WebStream), process.stdout)
}

/** Takes a job file in, JSON or zip; answers the id of the job. */
async function importJob(given: string[]) {
  const { rest, at } = withAddress(given)
  const [file] = rest
  if (!file) refuse('file', 'import takes the path of a job file')
  const body = await openAsBlob(file).catch((error: Error) => refuse('file', error.message))
  print(
    await asked(`${at}${routes.import}`, {
      method: 'POST',
      headers: { 'content-type': 'application/octet-stream' },
      body,
    }),
  )
}

/** Does something to a loop: of a job file, whose changed file is the answer, or of a job on a running bench. */
async function doIt(given: string[]) {
  const { rest, at } = withAddress(given)
  const [id, where = '', called = ''] = rest
  if (id === '--list') {
    for (const each of actions) process.stdout.write(`${each.id}\t${each.did}\n`)
    return
  }
  const action = findAction(id ?? '')
  if (!action) refuse('action', `there is no action "${id ?? ''}"; do --list names them`)
  if (where === '--schema') return print(jsonSchemaOf(action.input))
  const input = json(await textOf(process.stdin), 'input')
  const inFile = existsSync(where)
  const jobId = inFile ? '' : (await jobAt(at, where)).id
  if (inFile && action.id === 'sign') refuse('action', 'a signature is made on a bench: it holds the gate')
  const file = inFile ? (json(await jobText(where), 'file') as JobFile) : undefined
  const bad = file && jobFileRefusal(file)
  if (bad) refuse(bad.field, bad.message)
  const { job, loops, revision } = file
    ? { job: file.job, loops: file.loops, revision: file.log.at(-1)?.sequence ?? 0 }
    : ((await asked(`${at}${fill(routes.job, { jobId })}`)) as JobState)
  const loop = Object.values(loops).find((each) => each.id === called || each.name === called)
  if (!loop)
    refuse(
      'loop',
      `"${called}" is no loop of this job: ${ordered(loops)
        .map(({ name }) => name)
        .join(', ')}`,
    )
  const by = process.env['NACHTIGAL_NAME'] || process.env['USER'] || 'unnamed'
  const now = new Date().toISOString()
  const hand = { by, at: now, data: fieldData(), shelf: devices() }
  const made = commandOf({ action, job, loops, revision, loop, input, hand })
  if ('message' in made) refuse(made.field, made.message)
  print(
    file
      ? withCommand(file, made.command, now)
      : await asked(`${at}${fill(routes.commands, { jobId })}`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(made.command),
        }),
  )
}

const [command, ...rest] = process.argv.slice(2)
if (command === 'calc') calc(rest)
else if (command === 'simulate') runScenario(rest)
else if (command === 'check') await check(rest)
else if (command === 'export') await exportJob(rest)
else if (command === 'import') await importJob(rest)
else if (command === 'do') await doIt(rest)
else
  refuse(
    'command',
    `"${command ?? ''}" is not known here: calc --list, calc <id> [--schema], simulate <scenario.json>, check <job.json>, export <job> [--at address], import <job.json> [--at address], do --list, do <action> --schema, do <action> <job file or job> <loop> [--at address] with its input on standard input`,
  )
