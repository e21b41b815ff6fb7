import type { ErrorCode } from '@nachtigal/contract/errors'

/** An error with a code of the closed list, the facts for whoever shows it, and the original cause. */
export class AppError extends Error {
  constructor(
    readonly code: ErrorCode,
    message: string,
    readonly facts: Readonly<Record<string, unknown>> = {},
    override readonly cause?: unknown,
  ) {
    super(message)
  }
}
