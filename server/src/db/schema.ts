import { boolean, customType, index, integer, jsonb, pgTable, primaryKey, text, unique } from 'drizzle-orm/pg-core'
import type { Command } from '@nachtigal/core/document/command'
import type { AnyDocument } from '@nachtigal/core/document/documents'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'

/** One row a job: its revision is the sequence of its newest log row. Also the row that a writer locks. */
export const jobs = pgTable('jobs', {
  id: text('id').primaryKey(),
  revision: integer('revision').notNull(),
  changedAt: text('changed_at').notNull(),
  /** Hash of the newest log row, from which the next one goes on. */
  headHash: text('head_hash'),
  /** How far the chain of its log was found to hold. */
  verified: integer('verified').notNull().default(0),
  /** Whether each row of its log has its words and snapshots; not so where an earlier program wrote them. */
  indexed: boolean('indexed').notNull().default(true),
  /** While it is taken in from a file: the last sign of life of whoever does so. Nobody sees it before it is whole. */
  importing: text('importing'),
})

/** Documents as they stand now; the log is the truth, these are its result. */
export const documents = pgTable(
  'documents',
  {
    id: text('id').primaryKey(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id),
    kind: text('kind').$type<'job' | 'loop'>().notNull(),
    body: jsonb('body').$type<AnyDocument>().notNull(),
    /** Row of the log that changed it last. */
    sequence: integer('sequence').notNull().default(0),
  },
  (table) => [index('documents_job').on(table.jobId)],
)

/** Devices that were added to the shelf here. One that was taken off stays, so that it can be put back and its version goes on counting. */
export const ownDevices = pgTable('own_devices', {
  id: text('id').primaryKey(),
  version: integer('version').notNull(),
  body: jsonb('body').$type<DeviceProfile>().notNull(),
  takenOff: boolean('taken_off').notNull(),
  changedAt: text('changed_at').notNull(),
})

const bytes = customType<{ data: Uint8Array }>({ dataType: () => 'bytea' })

/** Photos by the hash of their contents; a note names the hash. One that no note names any more stays, for the log does. */
export const photos = pgTable(
  'photos',
  {
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id),
    hash: text('hash').notNull(),
    type: text('type').notNull(),
    body: bytes('body').notNull(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.hash] })],
)

/** Words to be looked up, each as it is: names, labels, codes and notes, and who, which loop and which kind. */
const words = customType<{ data: string }>({ dataType: () => 'tsvector' })

/** Append-only. Rows are never migrated and never changed; their words are an index and may be made anew. */
export const logRows = pgTable(
  'log_rows',
  {
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id),
    sequence: integer('sequence').notNull(),
    commandId: text('command_id').notNull(),
    receivedAt: text('received_at').notNull(),
    command: jsonb('command').$type<Command>().notNull(),
    previousHash: text('previous_hash').notNull(),
    hash: text('hash').notNull(),
    words: words('words'),
  },
  (table) => [
    primaryKey({ columns: [table.jobId, table.sequence] }),
    unique('log_rows_command').on(table.jobId, table.commandId),
    index('log_rows_words').using('gin', table.words),
  ],
)

/**
 * A document as it stood after a row of the log, for those that changed since the snapshot before; none where it was removed. A view
 * as of a moment starts from here.
 */
export const snapshots = pgTable(
  'snapshots',
  {
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id),
    documentId: text('document_id').notNull(),
    sequence: integer('sequence').notNull(),
    body: jsonb('body').$type<AnyDocument>(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.documentId, table.sequence] })],
)
