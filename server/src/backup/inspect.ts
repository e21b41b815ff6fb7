import { sql } from 'drizzle-orm'
import type { Database } from '../db/openDatabase'

/** What a database holds, in numbers: enough to see that a copy is whole, and what came since. */
export interface Holding {
  readonly jobs: number
  readonly rows: number
  readonly photos: number
  readonly devices: number
  /** The newest row of each job, with its hash. */
  readonly heads: Readonly<Record<string, { readonly revision: number; readonly hash: string | null }>>
}

/** What a database holds: jobs, rows, photos. */
export async function holdingOf(db: Pick<Database, 'execute'>): Promise<Holding> {
  const ask = async <T>(question: ReturnType<typeof sql>) =>
    ((await db.execute(question)) as unknown as { readonly rows: readonly T[] }).rows
  // Asked of databases of earlier programs too: nothing is taken for granted but jobs and their logs.
  const count = async (table: string) => {
    const [there] = await ask<{ readonly at: string | null }>(sql`SELECT to_regclass(${table})::text AS at`)
    if (!there?.at) return 0
    return Number((await ask<{ readonly n: string }>(sql.raw(`SELECT count(*) AS n FROM ${table}`)))[0]?.n ?? 0)
  }
  const heads = await ask<{ readonly id: string; readonly revision: number; readonly hash: string | null }>(sql`
    SELECT jobs.id, jobs.revision, log_rows.hash FROM jobs
    LEFT JOIN log_rows ON log_rows.job_id = jobs.id AND log_rows.sequence = jobs.revision
    WHERE jobs.revision > 0`)
  return {
    jobs: heads.length,
    // Each job's rows are numbered without a gap: their count is that of the newest.
    rows: heads.reduce((sum, { revision }) => sum + revision, 0),
    photos: await count('photos'),
    devices: await count('own_devices'),
    heads: Object.fromEntries(heads.map(({ id, revision, hash }) => [id, { revision, hash }])),
  }
}

/** What stands in one and not in the other, in words; nothing where they hold the same. */
export function missingIn(copy: Holding, original: Holding): string | undefined {
  for (const [id, head] of Object.entries(original.heads)) {
    const there = copy.heads[id]
    if (!there) return `job ${id} is not in it`
    if (there.revision < head.revision) return `job ${id} ends at row ${there.revision} of ${head.revision}`
    if (there.revision === head.revision && there.hash !== head.hash) return `job ${id} is another one in it`
  }
  if (copy.photos < original.photos) return `it holds ${copy.photos} of ${original.photos} photos`
  if (copy.devices < original.devices) return `it holds ${copy.devices} of ${original.devices} own devices`
  return undefined
}

/** Changes that one holds and an older one does not: by how many jobs, and how many rows. */
export function since(
  now: Pick<Holding, 'heads'>,
  then: Pick<Holding, 'heads'>,
): { readonly jobs: number; readonly rows: number } {
  const lost = Object.entries(now.heads).map(([id, { revision }]) => revision - (then.heads[id]?.revision ?? 0))
  return { jobs: lost.filter((rows) => rows > 0).length, rows: lost.reduce((sum, rows) => sum + Math.max(0, rows), 0) }
}
