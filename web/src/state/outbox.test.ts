import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals'
import Dexie from 'dexie'
import { IDBKeyRange, indexedDB } from 'fake-indexeddb'
import type { Command } from '@nachtigal/core/document/command'
import { jobRead, selectJob } from './documentsSlice'
import { Outbox } from './outbox'
import { createStore } from './store'

const job = { id: 'j', type: 'job', name: 'Old', place: '' } as never
const command = (id: string, path: string[], from: unknown, to: unknown): Command => ({
  id,
  jobId: 'j',
  baseRevision: 1,
  at: '2026-01-05T08:00:00Z',
  by: 'Ann',
  change: [{ document: 'j', path, from, to }],
})

type Answer = { status: number; body: unknown } | 'away'
let answers: ((sent: Command) => Answer)[]
let sent: string[]
let accepted: number
let databaseName = 0
let open: Outbox[] = []
const realFetch = globalThis.fetch
const realRequest = globalThis.Request

/** A server that answers commands from a list, and reads with what was asked last. */
beforeEach(() => {
  answers = []
  sent = []
  accepted = 0
  databaseName++
  globalThis.fetch = jest.fn(async (input: Request | string | URL) => {
    const request = input as Request
    if (request.method !== 'POST')
      return new Response(
        JSON.stringify({ job: { id: 'j', type: 'job', name: 'Theirs', place: '' }, loops: {}, revision: 9 }),
        {
          headers: { 'content-type': 'application/json' },
        },
      )
    const body = (await request.json()) as Command
    sent.push(body.id)
    const answer = answers.shift()?.(body) ?? {
      status: 200,
      body: { sequence: 2, revision: ++accepted + 1, receivedAt: '2026-01-05T08:00:01Z', repeated: false },
    }
    if (answer === 'away') throw new TypeError('fetch failed')
    return new Response(typeof answer.body === 'string' ? answer.body : JSON.stringify(answer.body), {
      status: answer.status,
      headers: { 'content-type': 'application/json' },
    })
  }) as never
  // In a page addresses are relative to it.
  globalThis.Request = class extends realRequest {
    constructor(input: string | URL | Request, init?: RequestInit) {
      super(typeof input === 'string' ? new URL(input, 'http://127.0.0.1/') : input, init)
    }
  } as typeof Request
})
afterEach(() => {
  for (const outbox of open) outbox.close()
  open = []
  globalThis.fetch = realFetch
  globalThis.Request = realRequest
})

function bench(name = `box-${databaseName}`) {
  const store = createStore()
  store.dispatch(jobRead({ job, loops: {}, revision: 1 }))
  const outbox = new Outbox(store, new Dexie(name, { indexedDB, IDBKeyRange }))
  open.push(outbox)
  const shown = () => selectJob(store.getState(), 'j')?.job as unknown as { name: string; place: string } | undefined
  const state = () => store.getState().documents
  return { store, outbox, shown, state }
}

async function until(holds: () => boolean) {
  for (let i = 0; i < 200 && !holds(); i++) await new Promise((resolve) => setTimeout(resolve, 10))
  expect(holds()).toBe(true)
}

describe('outbox', () => {
  it('shows at once, sends in order, and lets go when the server has answered', async () => {
    const { outbox, shown, state } = bench()
    void outbox.add(command('a', ['name'], 'Old', 'New'))
    void outbox.add(command('b', ['place'], '', 'Here'))
    expect(shown()).toMatchObject({ name: 'New', place: 'Here' })
    await until(() => state().pending.length === 0)
    expect(sent).toEqual(['a', 'b'])
    expect(shown()).toMatchObject({ name: 'New', place: 'Here' })
  })

  it('keeps what could not be sent, says so, and tries again', async () => {
    answers.push(() => 'away')
    const { outbox, shown, state } = bench()
    void outbox.add(command('a', ['name'], 'Old', 'New'))
    await until(() => !state().online)
    expect(state().pending.map(({ id }) => id)).toEqual(['a'])
    expect(shown()!.name).toBe('New')
    await until(() => state().pending.length === 0).catch(() => until(() => state().pending.length === 0))
    expect(sent).toEqual(['a', 'a'])
    expect(state().online).toBe(true)
  }, 15_000)

  it('finds after a new start what the device kept', async () => {
    answers.push(() => 'away')
    const name = `box-${databaseName}-kept`
    const first = bench(name)
    await first.outbox.add(command('a', ['name'], 'Old', 'New'))
    await until(() => !first.state().online)
    const second = bench(name)
    await second.outbox.restore()
    await until(() => sent.length >= 2)
    await until(() => second.state().pending.length === 0)
    expect(second.shown()!.name).toBe('New')
  })

  it('parks a clash with both sides, reads the job anew, and goes on with the others', async () => {
    const clash = { document: 'j', path: ['name'], from: 'Old', to: 'New', is: 'Theirs' }
    answers.push(() => ({
      status: 409,
      body: { error: { code: 'COMMAND_CONFLICT', message: 'moved on', facts: { clashes: [clash] } } },
    }))
    const { outbox, shown, state } = bench()
    void outbox.add(command('a', ['name'], 'Old', 'New'))
    void outbox.add(command('b', ['place'], '', 'Here'))
    await until(() => state().pending.length === 1 && sent.length === 2)
    expect(state().parked['a']).toEqual({ message: 'moved on', clashes: [clash] })
    expect(shown()!.name).toBe('Theirs')
    await outbox.drop('a')
    expect(state().pending).toEqual([])
    expect(state().parked).toEqual({})
  })

  it('parks what the server refuses, with its words', async () => {
    answers.push(() => ({
      status: 422,
      body: { error: { code: 'COMMAND_REFUSED', message: 'swingK is 0: it must be over 0' } },
    }))
    const { outbox, state } = bench()
    void outbox.add(command('a', ['name'], 'Old', 'New'))
    await until(() => state().parked['a'] !== undefined)
    expect(state().parked['a']!.message).toContain('must be over 0')
  })

  it('takes a server that is overrun for one that is away', async () => {
    answers.push(() => ({ status: 429, body: {} }))
    const { outbox, state } = bench()
    void outbox.add(command('a', ['name'], 'Old', 'New'))
    await until(() => !state().online)
    expect(state().parked).toEqual({})
  })

  it('keeps what a server with a full disk does not take, and says so in its words', async () => {
    const full = { error: { code: 'DISK_FULL', message: 'the disk of the server is full' } }
    answers.push(() => ({ status: 503, body: full }))
    const { outbox, state } = bench()
    void outbox.add(command('a', ['name'], 'Old', 'New'))
    await until(() => !state().online)
    expect(state().trouble).toEqual(full.error)
    expect(state().parked).toEqual({})
    await until(() => state().pending.length === 0).catch(() => until(() => state().pending.length === 0))
    expect(state().trouble).toBeNull()
  }, 15_000)

  it('parks a command that meets a fault of the server again and again, and sends the next one', async () => {
    const fault = () => ({ status: 500, body: { error: { code: 'INTERNAL', message: 'something went wrong' } } })
    answers.push(fault, fault, fault)
    const { outbox, state } = bench()
    void outbox.add(command('a', ['name'], 'Old', 'New'))
    void outbox.add(command('b', ['place'], '', 'Here'))
    await new Promise((resolve) => setTimeout(resolve, 4500))
    await until(() => state().pending.length === 1)
    expect(sent).toEqual(['a', 'a', 'a', 'b'])
    expect(state().parked['a']!.message).toBe('something went wrong')
    expect(state().online).toBe(true)
  }, 20_000)

  it('takes a page that answers in the place of the server for no answer', async () => {
    answers.push(() => ({ status: 200, body: '<html>' }))
    const { outbox, state } = bench()
    void outbox.add(command('a', ['name'], 'Old', 'New'))
    await until(() => !state().online)
    expect(state().parked).toEqual({})
  })
})
