import { boolean, customType, index, integer, jsonb, pgTable, primaryKey, text } from 'drizzle-orm/pg-core'
import type { Command } from '@nachtigal/core/job/command'
import type { AnyDocument } from '@nachtigal/core/job/documents'
import type { DeviceProfile } from '@nachtigal/core/profile/deviceProfile'

/** One row a job: its revision is the sequence of its newest log row. Also the row that a writer locks. */
export const jobs = pgTable('jobs', {
  id: text('id').primaryKey(),
  revision: integer('revision').notNull(),
  changedAt: text('changed_at').notNull(),
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

/** Append-only. Rows are never migrated and never changed. */
export const logRows = pgTable(
  'log_rows',
  {
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id),
    sequence: integer('sequence').notNull(),
    commandId: text('command_id').notNull().unique(),
    receivedAt: text('received_at').notNull(),
    command: jsonb('command').$type<Command>().notNull(),
    previousHash: text('previous_hash').notNull(),
    hash: text('hash').notNull(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.sequence] })],
)
