/** Every error the server answers with, and its HTTP status. The list is closed. */
export const httpStatus = {
  COMMAND_REFUSED: 422,
  COMMAND_CONFLICT: 409,
  COMMAND_ID_REUSED: 409,
  JOB_UNKNOWN: 404,
  JOB_EXISTS: 409,
  LOOP_UNKNOWN: 404,
  LOOP_LOCKED: 423,
  DOCUMENT_BROKEN: 409,
  ROW_UNKNOWN: 404,
  PHOTO_UNKNOWN: 404,
  PHOTO_REFUSED: 422,
  CALCULATION_UNKNOWN: 404,
  CALCULATION_REFUSED: 422,
  FILE_REFUSED: 422,
  DEVICE_REFUSED: 422,
  DEVICE_UNKNOWN: 404,
  DEVICE_SHIPPED: 409,
  FILE_CHAIN_BROKEN: 422,
  ROUTE_UNKNOWN: 404,
  HOST_REFUSED: 403,
  DATABASE_AWAY: 503,
  DISK_FULL: 503,
  BACKUP_UNKNOWN: 404,
  BACKUP_REFUSED: 409,
  NOT_AT_MACHINE: 403,
  BODY_INVALID: 400,
  BODY_UNSUPPORTED: 415,
  BODY_TOO_LARGE: 413,
  TOO_MANY_REQUESTS: 429,
  INTERNAL: 500,
} as const

export type ErrorCode = keyof typeof httpStatus

export interface ErrorBody {
  readonly error: {
    readonly code: ErrorCode
    readonly message: string
    /** The field that is wrong, where it is one. */
    readonly field?: string
    readonly facts?: Readonly<Record<string, unknown>>
  }
}
