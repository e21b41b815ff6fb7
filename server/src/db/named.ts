import type pg from 'pg'
import type { Database } from './openDatabase'

/**
 * Asks in the engine's own words, under a name by which it keeps how it answers: for the few questions that come with every change.
 * All others are asked through Drizzle.
 * @param name one for each text
 */
export async function named<T extends pg.QueryResultRow>(
  db: Database,
  name: string,
  text: string,
  values: readonly unknown[],
): Promise<readonly T[]> {
  const { $client } = db as unknown as { readonly $client: pg.Pool }
  const { rows } = await $client.query<T>({ name, text, values: [...values] })
  return rows
}
