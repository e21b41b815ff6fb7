/**
 * Writes the demo job in the open format: everything made up. It goes through the same commands as a fitter's taps, so the log tells
 * how the job came to be. Run with `npm run demo:make` after a change of the documents.
 */
import { createHash } from 'node:crypto'
import { readFileSync, writeFileSync } from 'node:fs'
import type { JobFile } from '@nachtigal/contract/api'
import { refusal } from '@nachtigal/contract/check'
import { jobFileSchema } from '@nachtigal/contract/jobFileSchema'
import { loopContext } from '@nachtigal/core/check/context'
import { checkLoop } from '@nachtigal/core/check/checkLoop'
import { changesBetween } from '@nachtigal/core/job/changesBetween'
import { type Command, firstHash, type LogRow } from '@nachtigal/core/job/command'
import { emptyJob, emptyLoop, type JobDocument, type LoopDocument, type Reading } from '@nachtigal/core/job/documents'
import type { FieldValue } from '@nachtigal/core/plant/fieldValue'
import type { DeviceProfile } from '@nachtigal/core/profile/deviceProfile'
import { keyingSheet } from '@nachtigal/core/proof/keyingSheet'
import { defaultBehaviour } from '@nachtigal/core/survey/defaultBehaviour'
import { addDevice } from '@nachtigal/core/wiring/chainEdit'
import { rowHash } from '../server/src/store/rowHash'

const at = (path: string) => new URL(path, import.meta.url)
const json = <T>(path: string) => JSON.parse(readFileSync(at(path), 'utf8')) as T
const profile = (path: string) => json<DeviceProfile>(`../shelf/${path}.json`)
const data = Object.fromEntries(json<FieldValue[]>('../shelf/data/fieldValues.json').map((row) => [row.id, row]))

/** A steady id for a name, so that the file only changes when its contents do. */
function uuid(name: string): string {
  const hex = createHash('sha256').update(`otterholm ${name}`).digest('hex')
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20, 32)}`
}

const BY = 'Ilse Farn'
let minute = Date.UTC(2026, 9, 12, 7, 30)
let job: JobDocument | null = null
let loop: LoopDocument | null = null
const jobId = uuid('job')
const loopId = uuid('hatchling floor')
const log: LogRow[] = []
const now = () => new Date(minute).toISOString()

/** One command from what is to what is to be, appended to the log. */
function make(next: { job?: JobDocument; loop?: LoopDocument }, why?: string, minutes = 3) {
  minute += minutes * 60_000
  const change = [
    ...(next.job ? changesBetween(jobId, job, next.job) : []),
    ...(next.loop ? changesBetween(loopId, loop, next.loop) : []),
  ]
  if (next.job) job = next.job
  if (next.loop) loop = next.loop
  const sequence = log.length + 1
  const command: Command = {
    id: uuid(`command ${sequence}`),
    jobId,
    ...(next.loop ? { loopId } : {}),
    baseRevision: sequence - 1,
    at: now(),
    by: BY,
    change,
    ...(why ? { why } : {}),
  }
  const row = { sequence, receivedAt: now(), command, previousHash: log[log.length - 1]?.hash ?? firstHash }
  log.push({ ...row, hash: rowHash(row) })
}

const current = () => ({ job: job!, loop: loop! })
const edit = (change: (loop: LoopDocument) => LoopDocument, why?: string, minutes?: number) =>
  make({ loop: change(current().loop) }, why, minutes)
const reading = (text: string, unit: string, value?: number): Reading => ({
  text,
  unit,
  state: 'value',
  ...(value === undefined ? {} : { value }),
  at: now(),
  by: BY,
})

make({
  job: emptyJob(jobId, {
    name: 'Otterholm Wildlife Hospital',
    place: 'Otterholm',
    zone: 'Europe/Oslo',
    temperatureUnit: 'C',
    system: 'metric',
  }),
})
make({ loop: emptyLoop(loopId, jobId, 'floor', 'Hatchling floor', 1) })
edit((l) => ({
  ...l,
  survey: { ...l.survey, complaint: 'Too warm at noon, cold at dawn. The hatchlings huddle on one side.' },
}))
for (const [id, answer] of Object.entries({
  probePlace: 'screed',
  target: 28,
  tolerance: 1,
  zone: 'occupied',
  designOutdoor: -14,
  floorArea: 38,
  insulation: 'fair',
  build: 'medium',
  screed: 0.065,
  pitch: '150',
  supplyWater: 43,
  waterDrop: 6,
}))
  edit((l) => ({ ...l, survey: { ...l.survey, answers: { ...l.survey.answers, [id]: answer } } }), undefined, 1)
for (const id of ['mains', 'hot-water', 'wet', 'animals'])
  edit((l) => ({ ...l, survey: { ...l.survey, hazards: { ...l.survey.hazards, [id]: true } } }), undefined, 1)

for (const [i, path] of [
  'probes/floor-ntc10k',
  'controllers/dipper',
  'loads/circulator-45',
  'limiters/shrike',
  'supplies/mains-230-10',
].entries()) {
  const next = addDevice(current(), profile(path), uuid(`device ${i}`))
  const facts = next.job.profiles['dipper']?.controller
  const controller = uuid('device 1')
  const planned =
    facts && Object.keys(next.loop.settings.planned).length === 0 && i === 1
      ? {
          [uuid('plan')]: defaultBehaviour(
            next.loop,
            facts,
            { device: controller, port: 'out1' },
            { device: controller, port: 'probe1' },
            1,
            data,
          ),
        }
      : next.loop.settings.planned
  make({ job: next.job, loop: { ...next.loop, settings: { ...next.loop.settings, planned } } })
}
edit((l) => ({
  ...l,
  chain: {
    ...l.chain,
    devices: Object.fromEntries(
      Object.entries(l.chain.devices).map(([id, d]) => [
        id,
        d.tag === 'B1' ? { ...d, place: 'Conduit, north bay, 0.6 m in' } : d,
      ]),
    ),
  },
}))

const controller = uuid('device 1')
const asFound: Record<string, [string, number?]> = {
  goal: ['26.0', 26],
  gap: ['3.0', 3],
  side: ['half'],
  lost: ['on'],
  trim: ['0.0', 0],
}
for (const [code, [text, value]] of Object.entries(asFound))
  edit(
    (l) => ({
      ...l,
      settings: {
        ...l.settings,
        asFound: {
          [controller]: {
            ...l.settings.asFound[controller],
            [code]: reading(text, value === undefined ? '' : code === 'gap' || code === 'trim' ? 'K' : '°C', value),
          },
        },
      },
    }),
    undefined,
    1,
  )

const context = () => loopContext(current().job, current().loop, data)
for (const row of context().rows)
  edit(
    (l) => ({
      ...l,
      wiring: {
        rows: {
          ...l.wiring.rows,
          [row.id]: { ...l.wiring.rows[row.id], landed: true, lengthM: row.circuit === 'mains' ? 6 : 14 },
        },
      },
    }),
    undefined,
    2,
  )
for (const [i, row] of context().rows.entries())
  edit(
    (l) => ({
      ...l,
      wiring: {
        rows: {
          ...l.wiring.rows,
          [row.id]: {
            ...l.wiring.rows[row.id],
            tested: reading(
              row.circuit === 'mains' ? `0.${2 + (i % 2)}` : '0.7',
              'ohm',
              row.circuit === 'mains' ? 0.2 + (i % 2) / 10 : 0.7,
            ),
          },
        },
      },
    }),
    undefined,
    2,
  )
for (const row of keyingSheet(context())[0]!.rows) {
  const value = Number(row.planned.replace('\u2212', '-'))
  edit(
    (l) => ({
      ...l,
      settings: {
        ...l.settings,
        asLeft: {
          [controller]: {
            ...l.settings.asLeft[controller],
            [row.code]: reading(row.planned, row.unit, Number.isNaN(value) ? undefined : value),
          },
        },
      },
    }),
    undefined,
    1,
  )
}
for (const [i, [step, celsius]] of (
  [
    ['rise-1', 28.2],
    ['fall-1', 27.1],
  ] as const
).entries())
  edit(
    (l) => ({
      ...l,
      proof: {
        ...l.proof,
        readings: {
          ...l.proof.readings,
          [uuid(`reading ${i}`)]: {
            ...reading(celsius.toFixed(1), '°C', celsius),
            order: i + 1,
            test: `rise-and-fall/${uuid('plan')}`,
            step,
          },
        },
      },
    }),
    undefined,
    14,
  )

const file: JobFile = { format: 'nachtigal-job', version: 1, job: job!, loops: { [loopId]: loop! }, log }
const wrong = refusal(jobFileSchema, JSON.parse(JSON.stringify(file)))
if (wrong) throw new Error(`${wrong.field}: ${wrong.message}`)
writeFileSync(at('./otterholm.nachtigal.json'), `${JSON.stringify(file, null, 1)}\n`)
console.log(
  `${log.length} commands; open: ${
    checkLoop(context())
      .open.map(({ code }) => code)
      .join(', ') || 'nothing'
  }`,
)
