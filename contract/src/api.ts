import type { InstrumentType } from '@nachtigal/core/document/instruments'
import type { Symptom } from '@nachtigal/core/commissioning/symptom'
import type { Climate } from '@nachtigal/core/plant/climate'
import type { LogKind } from '@nachtigal/core/document/logKind'
import type { Command, LogRow } from '@nachtigal/core/document/command'
import type { JobDocument, LoopDocument } from '@nachtigal/core/document/documents'
import type { CalcData } from '@nachtigal/core/calc/calculation'
import type { FluidTable } from '@nachtigal/core/plant/brine'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import type { ProbePart } from '@nachtigal/core/probes/probe'
import type { LoopOverview } from '@nachtigal/core/progress/loopOverview'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'

/** Paths of the HTTP interface; the client fills in ids. */
export const routes = {
  health: '/api/health',
  backups: '/api/backups',
  backup: '/api/backups/:name/restore',
  shelf: '/api/shelf',
  shelfDevice: '/api/shelf/:deviceId',
  shelfImport: '/api/shelf',
  calc: '/api/calc/:id',
  jobs: '/api/jobs',
  job: '/api/jobs/:jobId',
  overview: '/api/jobs/:jobId/overview',
  commands: '/api/jobs/:jobId/commands',
  log: '/api/jobs/:jobId/log',
  logVerify: '/api/jobs/:jobId/log/verify',
  logCsv: '/api/jobs/:jobId/log.csv',
  logJson: '/api/jobs/:jobId/log.json',
  at: '/api/jobs/:jobId/at/:sequence',
  since: '/api/jobs/:jobId/since/:sequence',
  changes: '/api/jobs/:jobId/changes',
  photo: '/api/jobs/:jobId/photos/:hash',
  testSheet: '/api/jobs/:jobId/loops/:loopId/tests.pdf',
  safetySheet: '/api/jobs/:jobId/loops/:loopId/safety-steps.pdf',
  panelCard: '/api/jobs/:jobId/loops/:loopId/panel-card.pdf',
  ownersPage: '/api/jobs/:jobId/loops/:loopId/owners-page.pdf',
  file: '/api/jobs/:jobId/file',
  import: '/api/import',
  demo: '/api/demo',
  asLeft: '/api/jobs/:jobId/loops/:loopId/as-left.pdf',
  wiresCsv: '/api/jobs/:jobId/loops/:loopId/wires.csv',
  wiresPdf: '/api/jobs/:jobId/loops/:loopId/wires.pdf',
  keyingCsv: '/api/jobs/:jobId/loops/:loopId/keying.csv',
  keyingPdf: '/api/jobs/:jobId/loops/:loopId/keying.pdf',
  picture: '/api/jobs/:jobId/loops/:loopId/wiring.pdf',
  labels: '/api/jobs/:jobId/loops/:loopId/labels.pdf',
  cutOut: '/api/jobs/:jobId/loops/:loopId/devices/:deviceId/cut-out.pdf',
} as const

/** A route with its ids put in. */
export const fill = (route: string, ids: Readonly<Record<string, string>>) =>
  route.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(ids[name] ?? ''))

export interface JobSummary {
  readonly id: string
  readonly name: string
  readonly place: string
  readonly loops: number
  readonly revision: number
  readonly changedAt: string
}

/** How far a job is, what needs a hand in it, and what was done last. */
export interface JobOverview {
  readonly revision: number
  readonly temperatureUnit: 'C' | 'F'
  readonly zone: string
  readonly loops: readonly LoopOverview[]
  /** The newest row of its log. */
  readonly last?: { readonly at: string; readonly by: string; readonly did: string; readonly loop?: string }
}

export interface JobState {
  readonly job: JobDocument
  readonly loops: Readonly<Record<string, LoopDocument>>
  readonly revision: number
}

/** What a reader lacks of a job. */
export interface RowsSince {
  readonly revision: number
  /** Commands to apply in order; left out where they are so many that the whole job is read instead. */
  readonly commands?: readonly Command[]
}

export interface CommandReply {
  readonly sequence: number
  readonly revision: number
  readonly receivedAt: string
  /** The same command had been applied before: nothing was done again. */
  readonly repeated: boolean
}

export interface LogPage {
  readonly rows: readonly LogRow[]
  readonly total: number
  /** There are older ones. */
  readonly more?: true
}

/** What is looked for in a log; what is left out does not count. */
export interface LogWanted {
  readonly before?: number | undefined
  readonly loop?: string | undefined
  readonly kind?: LogKind | undefined
  readonly by?: string | undefined
  readonly words?: string | undefined
}

/** A backup that lies ready, and what would be lost from the server by bringing it back. */
export interface BackupSummary {
  readonly name: string
  readonly at: string
  /** Made by night, before the tables were changed, because somebody asked, or before another one was restored. */
  readonly why: 'daily' | 'migration' | 'asked' | 'restore'
  readonly jobs: number
  readonly rows: number
  readonly photos: number
  /** What came after it; left out where that is not known. */
  readonly since?: { readonly jobs: number; readonly rows: number }
}

/** How the server is, as it says itself. */
export interface Health {
  /** It answers and can keep what it is sent. */
  readonly ready: boolean
  readonly version: string
  readonly database: {
    readonly engine: 'embedded' | 'server' | 'memory'
    readonly state: 'here' | 'away' | 'full' | 'read-only' | 'busy' | 'damaged'
    /** Since when it is not here. */
    readonly since?: string
  }
  /** Of the disk that the data folder is on; left out where there is none. */
  readonly disk?: { readonly freeMb: number; readonly writable: boolean }
  /** Who holds the data folder; left out where there is none. */
  readonly lock?: { readonly pid: number; readonly host: string; readonly since: string }
}

/** Whether the chain of hashes holds as far as it was looked at, and the first row where it does not. */
export interface LogVerdict {
  readonly rows: number
  /** Rows that are known to hold, from the first on. */
  readonly checked: number
  readonly brokenAt?: number
}

export interface Shelf {
  readonly profiles: readonly DeviceProfile[]
  /** Ids of the devices that were added here: the others came with it and stay as they are. */
  readonly own: readonly string[]
  /** Devices of one's own that cannot be read, and why: left out until they are taken off or put anew. */
  readonly broken?: readonly { readonly id: string; readonly says: string }[]
  readonly data: FieldData
  /** Curves of real probes, by name. */
  readonly parts: readonly ProbePart[]
  readonly fluids: readonly FluidTable[]
  /** Made-up years of outdoor weather. */
  readonly climates: readonly Climate[]
  /** Kinds of instruments, with what each may err. */
  readonly instruments: readonly InstrumentType[]
  /** What a loop may complain of, with causes, what tells them apart, and remedies. */
  readonly symptoms: readonly Symptom[]
}

/** A photo in a job file: what it is, and its bytes in base64. */
interface PhotoFile {
  readonly type: string
  readonly base64: string
}

/** What calculations are handed of a shelf. */
export const calcDataOf = ({ data, parts, fluids }: Pick<Shelf, 'data' | 'parts' | 'fluids'>): CalcData => ({
  fields: data,
  parts,
  fluids,
})

/** Devices in a file of their own, to be handed from one bench to another. */
export interface ShelfFile {
  readonly format: 'nachtigal-shelf'
  readonly version: 1
  readonly profiles: readonly DeviceProfile[]
}

export interface ShelfReply {
  readonly profiles: readonly DeviceProfile[]
}

export interface JobFile {
  readonly format: 'nachtigal-job'
  readonly version: number
  /** By the hash of their contents; left out where there are none. */
  readonly photos?: Readonly<Record<string, PhotoFile>>
  readonly job: JobDocument
  readonly loops: Readonly<Record<string, LoopDocument>>
  readonly log: readonly LogRow[]
}

export type { Command, LogRow }
