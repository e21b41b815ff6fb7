/**
 * Writes the demo jobs in the open format: everything made up. They go through the same commands as a fitter's taps, so the log tells
 * how each job came to be. Run with `npm run demo:make` after a change of the documents.
 */
import { createHash } from 'node:crypto'
import { writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import type { JobFile } from '@nachtigal/contract/api'
import { JOB_FILE_VERSION, jobFileRefusal } from '@nachtigal/contract/jobFileSchema'
import { loopContext } from '@nachtigal/core/loop/context'
import { checkLoop } from '@nachtigal/core/check/checkLoop'
import { changesBetween } from '@nachtigal/core/document/changesBetween'
import { type Command, firstHash, type LogRow } from '@nachtigal/core/document/command'
import { emptyJob, emptyLoop, type JobDocument, type LoopDocument } from '@nachtigal/core/document/documents'
import { inputRefusal } from '@nachtigal/contract/inputRefusal'
import type { Edited } from '@nachtigal/core/wiring/edited'
import { readShelf } from '../server/src/readShelf'
import { rowHash } from '../server/src/store/rowHash'
import { asFound } from './asFound'
import { asPlanned } from './asPlanned'
import { juniperHollow } from './juniperHollow'
import { outpost } from './outpost'
import type { Story, Teller } from './story'

const { profiles: shelf, data } = readShelf(fileURLToPath(new URL('../shelf', import.meta.url)))

/** A steady id for a name, so that the file only changes when its contents do. */
function uuid(name: string): string {
  const hex = createHash('sha256').update(`otterholm ${name}`).digest('hex')
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20, 32)}`
}

const BY = 'Ilse Farn'

const otterholm = { zone: 'Europe/Oslo', temperatureUnit: 'C', system: 'metric', practice: 'europe' } as const

/** Tells a story as commands, from an empty job to what it is in the end. */
function tell({ file, name, place, begins, loops, basics = otterholm }: Story) {
  const seed = (of: string) => uuid(file === 'otterholm' ? of : `${file} ${of}`)
  let minute = begins
  let job: JobDocument | null = null
  const documents = new Map<string, LoopDocument>()
  const log: LogRow[] = []
  const jobId = seed('job')
  const now = () => new Date(minute).toISOString()

  const make = (next: { job?: JobDocument; loop?: LoopDocument }, why?: string, minutes = 3, action?: string) => {
    minute += minutes * 60_000
    const change = [
      ...(next.job ? changesBetween(jobId, job, next.job) : []),
      ...(next.loop ? changesBetween(next.loop.id, documents.get(next.loop.id) ?? null, next.loop) : []),
    ]
    if (change.length === 0) return
    if (next.job) job = next.job
    if (next.loop) documents.set(next.loop.id, next.loop)
    const sequence = log.length + 1
    const command: Command = {
      id: seed(`command ${sequence}`),
      jobId,
      ...(next.loop ? { loopId: next.loop.id } : {}),
      baseRevision: sequence - 1,
      at: now(),
      by: BY,
      change,
      ...(action ? { action } : {}),
      ...(why ? { why } : {}),
    }
    const row = { sequence, receivedAt: now(), command, previousHash: log[log.length - 1]?.hash ?? firstHash }
    log.push({ ...row, hash: rowHash(row) })
  }

  make({ job: emptyJob(jobId, { name, place, ...basics }) })
  for (const [i, { id, kind, name: title, story }] of loops.entries()) {
    const loopId = seed(id)
    make({ loop: emptyLoop(loopId, jobId, kind, title, i + 1) })
    const current = (): Edited => ({ job: job!, loop: documents.get(loopId)! })
    const teller: Teller = {
      shelf,
      data,
      by: BY,
      uuid: (of) => seed(i === 0 ? of : `${id} ${of}`),
      now,
      current,
      put: (edited, why, minutes) => make({ job: edited.job, loop: edited.loop }, why, minutes),
      act: (action, input, { ids = [], why, minutes } = {}) => {
        const wrong = inputRefusal(action, input)
        if (wrong) throw new Error(`${action.id}: ${wrong.message}`)
        const named = [...ids]
        let plans = Object.keys(current().loop.settings.planned).length
        const ofPlan = () => teller.uuid(plans++ === 0 ? 'plan' : `plan ${plans}`)
        const next = action.run(current(), input, {
          ...{ by: BY, at: now(), shelf, data, loops: [...documents.values()] },
          newId: () => named.shift() ?? ofPlan(),
        })
        make(next, why, minutes, action.id)
      },
      context: () => loopContext(job!, documents.get(loopId)!, data),
    }
    story(teller)
  }

  const written: JobFile = {
    format: 'nachtigal-job',
    version: JOB_FILE_VERSION,
    job: job!,
    loops: Object.fromEntries(documents),
    log,
  }
  const wrong = jobFileRefusal(JSON.parse(JSON.stringify(written)))
  if (wrong) throw new Error(`${wrong.field}: ${wrong.message}`)
  writeFileSync(new URL(`./${file}.nachtigal.json`, import.meta.url), `${JSON.stringify(written)}\n`)
  console.log(`${name}: ${log.length} commands`)
  for (const loop of documents.values()) {
    const { open } = checkLoop(loopContext(job!, loop, data, job!, [...documents.values()]))
    console.log(
      `  ${loop.name}: ${open.map(({ severity, code, head }) => `${severity} ${code} ${head}`).join(' | ') || 'nothing open'}`,
    )
  }
}

tell(asPlanned)
tell(asFound)
tell(juniperHollow)
tell(outpost)
