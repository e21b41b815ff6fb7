import { describe, expect, it } from '@jest/globals'
import { DrizzleQueryError } from 'drizzle-orm'
import { loggedError } from './loggedError'

describe('an error in the server\u2019s log', () => {
  it('says the query and its cause, and none of the values', () => {
    const cause = new Error('duplicate key')
    const error = new DrizzleQueryError('INSERT INTO log_rows VALUES ($1)', ['Ilse\nFarn, 12 Elm Way'], cause)
    const logged = JSON.stringify(loggedError(error))
    expect(logged).toMatch(/INSERT INTO log_rows/)
    expect(logged).toMatch(/duplicate key/)
    expect(logged).toMatch(/loggedError\.test/)
    expect(logged).not.toMatch(/Ilse|Elm Way/)
  })
  it('is cut where it is endless', () => {
    expect(loggedError(new Error('a'.repeat(100_000))).message).toHaveLength(2002)
  })
})
