import { type ChildProcess, spawn, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { once } from 'node:events'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import type { JobFile } from '@nachtigal/contract/api'
import { refusal } from '@nachtigal/contract/check'
import { documentSchema } from '@nachtigal/contract/documentSchemas'

const at = (file: string) => fileURLToPath(new URL(`../../${file}`, import.meta.url))
const folder = mkdtempSync(path.join(tmpdir(), 'nachtigal-carry-'))
const benches: ChildProcess[] = []

/** A bench on a free port with its data in a folder of that name. @returns its address */
async function start(name: string, ...args: string[]): Promise<string> {
  const child = spawn(process.execPath, [at('server/dist/main.js'), ...args], {
    env: { ...process.env, NODE_OPTIONS: '', PORT: '0', NACHTIGAL_DATA: path.join(folder, name), DATABASE_URL: '' },
  })
  benches.push(child)
  return new Promise((resolve, reject) => {
    let said = ''
    child.stdout.on('data', (chunk: Buffer) => {
      said += chunk.toString()
      const found = /ready: (http:\/\/\S+)/.exec(said)
      if (found) resolve(found[1]!)
    })
    child.on('exit', (code) => reject(new Error(`the bench ended with ${code}: ${said}`)))
  })
}

/** A bench of its own, begun on a copy of a database that is made once: a new one takes seconds. */
async function bench(name: string, ...args: string[]): Promise<string> {
  spawnSync('cp', ['-r', path.join(folder, 'empty'), path.join(folder, name)])
  return start(name, ...args)
}

const nachtigal = (...args: string[]) => {
  const { status, stdout } = spawnSync(process.execPath, [at('bin/nachtigal'), ...args], {
    encoding: 'utf8',
    env: { ...process.env, NODE_OPTIONS: '' },
    maxBuffer: 1 << 28,
  })
  return { status, stdout, error: () => (JSON.parse(stdout) as { error: { field: string; message: string } }).error }
}

let [here, there] = ['', '']
beforeAll(async () => {
  await start('empty')
  const made = benches.pop()!
  made.kill()
  await once(made, 'exit')
  here = await bench('here', '--demo')
  there = await bench('there')
}, 120_000)
afterAll(() => {
  for (const child of benches) child.kill()
  rmSync(folder, { recursive: true, force: true })
})

describe('a job from one bench to another', () => {
  it('goes out by its name and in elsewhere, without loss', () => {
    const out = nachtigal('export', 'Otterholm Wildlife Hospital', '--at', here)
    expect(out.status).toBe(0)
    const file = path.join(folder, 'job.json')
    writeFileSync(file, out.stdout)
    const { job } = JSON.parse(out.stdout) as JobFile
    const into = nachtigal('import', file, '--at', there)
    expect([into.status, JSON.parse(into.stdout)]).toEqual([0, { jobId: job.id }])
    expect(nachtigal('export', job.id, '--at', there).stdout).toBe(out.stdout)
    const twice = nachtigal('import', file, '--at', there)
    expect([twice.status, twice.error().message]).toEqual([2, expect.stringContaining('is here already')])
  })
  it.each([
    ['a job that is not there', ['export', 'Nowhere'], 'job', /is no job here/],
    ['no file', ['import'], 'file', /takes the path/],
    ['a file that is no JSON', ['import', at('README.md')], 'file', /it is not JSON/],
  ] as const)('%s: exit 2 and what is allowed', (_, args, field, says) => {
    const { status, error } = nachtigal(...args, '--at', there)
    expect([status, error().field]).toEqual([2, field])
    expect(error().message).toMatch(says)
  })
  it('a newer file says what to do; an older one is brought forward', () => {
    const old = JSON.parse(readFileSync(at('server/src/store/fixtures/jobFileVersion1.json'), 'utf8')) as JobFile
    const newer = path.join(folder, 'newer.json')
    writeFileSync(newer, JSON.stringify({ ...old, version: 9 }))
    expect(nachtigal('import', newer, '--at', there).error().message).toContain('Update this bench')
    expect(nachtigal('import', at('server/src/store/fixtures/jobFileVersion1.json'), '--at', there).status).toBe(0)
  })
  it('one with photos goes as a zip, is looked through as one, and comes in as one', async () => {
    const png = Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
      'base64',
    )
    const jobs = (await (await fetch(`${here}/api/jobs`)).json()) as { id: string; name: string }[]
    const found = jobs.find(({ name }) => name === 'Otterholm, as found')!
    const hash = createHash('sha256').update(png).digest('hex')
    await fetch(`${here}/api/jobs/${found.id}/photos/${hash}`, { method: 'PUT', body: png })
    const out = spawnSync(process.execPath, [at('bin/nachtigal'), 'export', found.id, '--at', here], {
      env: { ...process.env, NODE_OPTIONS: '' },
      maxBuffer: 1 << 28,
    })
    const file = path.join(folder, 'job.zip')
    writeFileSync(file, out.stdout)
    expect(out.stdout.subarray(0, 2).toString()).toBe('PK')
    expect((JSON.parse(nachtigal('check', file).stdout) as { job: string }).job).toBe('Otterholm, as found')
    const third = await bench('third')
    expect(nachtigal('import', file, '--at', third).status).toBe(0)
    expect((await fetch(`${third}/api/jobs/${found.id}/photos/${hash}`)).status).toBe(200)
  }, 240_000)
  it('says so where no bench answers, or the address is none', () => {
    expect(nachtigal('export', 'x', '--at', 'http://127.0.0.1:9').error()).toMatchObject({
      field: 'at',
      message: expect.stringContaining('no bench answers'),
    })
    expect(nachtigal('export', 'x', '--at', 'nowhere').error().field).toBe('at')
  })
})

describe('a wrong field', () => {
  let empty = ''
  beforeAll(async () => {
    empty = await bench('no job')
  }, 60_000)
  const demo = () => JSON.parse(readFileSync(at('demo/otterholm.nachtigal.json'), 'utf8')) as JobFile
  /** The same document with something else at a path. */
  const spoilt = (tree: unknown, [key, ...rest]: readonly string[], value: unknown): unknown =>
    key === undefined
      ? value
      : { ...(tree as object), [key]: spoilt((tree as Record<string, unknown>)[key], rest, value) }
  const valueAt = (tree: unknown, keys: readonly string[]) =>
    keys.reduce<unknown>((held, key) => (held as Record<string, unknown> | undefined)?.[key], tree) ?? null

  it.each([
    ['a swing of nothing', (plan: string) => ['settings', 'planned', plan, 'swingK'], 0],
    ['a swing that is a word', (plan: string) => ['settings', 'planned', plan, 'swingK'], 'wide'],
    ['a convention that there is not', (plan: string) => ['settings', 'planned', plan, 'convention'], 'sideways'],
    ['a setpoint far out', (plan: string) => ['settings', 'planned', plan, 'setpointC'], 1e9],
    ['a name of nothing', () => ['name'], ''],
    ['a kind that there is not', () => ['kind'], 'volcano'],
  ] as const)('%s is refused in the same words by form, HTTP, command line and file', async (_, where, value) => {
    const file = demo()
    const [loopId, loop] = Object.entries(file.loops).find(([, each]) => each.kind === 'floor')!
    const keys = where(Object.keys(loop.settings.planned)[0]!)
    const wrong = spoilt(loop, keys, value) as typeof loop
    // What a form holds a document against before it sends it.
    const form = refusal(documentSchema(loopId, file.job.id), wrong, loop)!
    expect(form.message.length).toBeGreaterThan(5)

    const reply = await fetch(`${here}/api/jobs/${file.job.id}/commands`, {
      method: 'POST',
      // A line of its own: one that was kept open may just be closed by the bench.
      headers: { 'content-type': 'application/json', connection: 'close' },
      body: JSON.stringify({
        id: crypto.randomUUID(),
        jobId: file.job.id,
        baseRevision: 0,
        at: '2026-01-05T08:00:00.000Z',
        by: 'Ilse Farn',
        change: [{ document: loopId, path: keys, from: valueAt(loop, keys), to: value }],
      }),
    })
    const { error } = (await reply.json()) as { error: { code: string; message: string; facts: { field: string } } }
    expect([reply.status, error.code, error.facts.field, error.message]).toEqual([
      422,
      'COMMAND_REFUSED',
      form.field,
      form.message,
    ])

    const spoiltFile = path.join(folder, 'spoilt.json')
    writeFileSync(spoiltFile, JSON.stringify({ ...file, loops: { ...file.loops, [loopId]: wrong } }))
    const inFile = {
      field: `loops.${loopId}.${form.field}`,
      message: form.message.replaceAll(form.field, `loops.${loopId}.${form.field}`),
    }
    for (const said of [nachtigal('check', spoiltFile), nachtigal('import', spoiltFile, '--at', empty)])
      expect([said.status, said.error()]).toEqual([2, inFile])
  })
})

describe('an action from the command line', () => {
  const act = (input: unknown, ...args: string[]) => {
    const { status, stdout } = spawnSync(process.execPath, [at('bin/nachtigal'), 'do', ...args], {
      encoding: 'utf8',
      env: { ...process.env, NODE_OPTIONS: '', NACHTIGAL_NAME: 'Ilse Farn' },
      input: JSON.stringify(input),
      maxBuffer: 1 << 28,
    })
    return {
      status,
      said: stdout,
      error: () => (JSON.parse(stdout) as { error: { field: string; message: string } }).error,
    }
  }
  const demo = at('demo/otterholm.nachtigal.json')

  it('changes a job file and its log, which a bench then takes in', async () => {
    const { status, said } = act({ name: 'Duckling floor' }, 'rename-loop', demo, 'Hatchling floor')
    expect(status).toBe(0)
    const file = JSON.parse(said) as JobFile
    expect(file.log.at(-1)?.command).toMatchObject({ action: 'rename-loop', by: 'Ilse Farn' })
    const changed = path.join(folder, 'changed.json')
    writeFileSync(changed, said)
    const fresh = await bench('changed')
    expect(nachtigal('import', changed, '--at', fresh).status).toBe(0)
    const { loops } = JSON.parse(nachtigal('export', file.job.id, '--at', fresh).stdout) as JobFile
    expect(Object.values(loops).map(({ name }) => name)).toContain('Duckling floor')
  }, 120_000)
  it('changes a job on a running bench, as a command that says which action it was', () => {
    const job = 'Otterholm Wildlife Hospital'
    const made = act({ kind: 'lifted', what: 'B9 lifted' }, 'put-temporary', job, 'Fish store', '--at', here)
    expect([made.status, made.said]).toEqual([0, expect.stringContaining('"sequence"')])
    const { log } = JSON.parse(nachtigal('export', job, '--at', here).stdout) as JobFile
    expect(log.at(-1)?.command).toMatchObject({ action: 'put-temporary', by: 'Ilse Farn' })
  })
  it.each([
    ['no such action', {}, ['fly', demo, 'Fish store'], 'action', /do --list/],
    ['no such loop', {}, ['rename-loop', demo, 'Nowhere'], 'loop', /is no loop of this job/],
    ['a name of nothing', { name: '' }, ['rename-loop', demo, 'Fish store'], 'name', /name/],
    ['a name that is a number', { name: 7 }, ['rename-loop', demo, 'Fish store'], 'name', /name/],
    ['no such test', { test: 'no/such' }, ['begin-test-again', demo, 'Fish store'], 'test', /is no test of this loop/],
    [
      'what is not on the list',
      { entry: 'x' },
      ['undo-temporary', demo, 'Fish store'],
      'entry',
      /is not on the temporary list/,
    ],
    ['a signature in a file', { by: 'A', instrument: 'B' }, ['sign', demo, 'Fish store'], 'action', /made on a bench/],
    [
      'a signature while something is open',
      { by: 'A', instrument: 'B' },
      ['sign', 'Otterholm, as found', 'Fish store', '--at', 'HERE'],
      'handover.signed',
      /cannot be signed yet/,
    ],
  ] as const)('%s: exit 2, the field and what is allowed, and nothing is changed', (_, input, args, field, says) => {
    const { status, error } = act(input, ...args.map((arg) => (arg === 'HERE' ? here : arg)))
    expect([status, error().field]).toEqual([2, field])
    expect(error().message).toMatch(says)
  })
  it('names every action, and what each takes', () => {
    const listed = act({}, '--list').said.trim().split('\n')
    expect(listed.length).toBeGreaterThan(30)
    const [id] = listed[0]!.split('\t') as [string]
    expect(JSON.parse(act({}, id, '--schema').said)).toMatchObject({ type: 'object' })
  })
})
