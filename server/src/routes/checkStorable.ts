import type { ErrorCode } from '@nachtigal/contract/errors'
import { AppError } from '../appError'

/** JSON text that the database cannot hold: a zero character, or half of a surrogate pair. */
const UNSTORABLE = /\\u0000|\\ud[89a-f]/i

/** @throws AppError when a text in it holds a character that the database cannot store */
export function checkStorable(body: unknown, code: ErrorCode) {
  if (UNSTORABLE.test(JSON.stringify(body)))
    throw new AppError(code, 'a text holds a character that cannot be stored', { field: '' })
}
