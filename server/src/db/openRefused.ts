/** Why a server does not start on its data, in words for whoever sits before it: what is wrong and what to do. */
export class OpenRefused extends Error {
  constructor(
    message: string,
    override readonly cause?: unknown,
  ) {
    super(message)
  }
}

const codeOf = (error: unknown) => (error as { code?: unknown } | null)?.code

/** The refusal where the system has no more files to open. */
export const tooManyFiles = (cause: unknown) =>
  new OpenRefused(
    'too many files are open on this machine. Close other programs or raise the limit (ulimit -n), then start again.',
    cause,
  )

/** A fault of the disk or the folder in words; anything else is handed on as it is. */
export function folderProblem(error: unknown, folder: string): unknown {
  switch (codeOf(error)) {
    case 'EROFS':
    case 'EACCES':
    case 'EPERM':
      return new OpenRefused(
        `data folder ${folder} cannot be written: it is read-only, or belongs to another user. Make it writable for the user that runs the server, or choose another folder with NACHTIGAL_DATA.`,
        error,
      )
    case 'ENOSPC':
    case 'EDQUOT':
      return new OpenRefused(
        `the disk of data folder ${folder} is full. Make room on it, then start again; nothing was lost.`,
        error,
      )
    case 'EMFILE':
    case 'ENFILE':
      return tooManyFiles(error)
    case 'ENOTDIR':
    case 'EEXIST':
      return new OpenRefused(
        `data folder ${folder} is a file, not a folder. Choose another with NACHTIGAL_DATA; nothing was touched.`,
        error,
      )
    default:
      return error
  }
}
