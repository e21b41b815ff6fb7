import { routes } from '@nachtigal/contract/api'
import type { ErrorBody } from '@nachtigal/contract/errors'

type Imported = { readonly jobId: string } | { readonly problem: string }

/**
 * Sends a job file as it is; the server reads it as it comes, so that how much was sent says how far it is.
 * @param tell told the share that was sent, 0 to 1
 */
export function importJobFile(file: File, tell: (share: number) => void, signal: AbortSignal): Promise<Imported> {
  return new Promise((resolve) => {
    const request = new XMLHttpRequest()
    request.open('POST', routes.import)
    request.setRequestHeader('Content-Type', 'application/octet-stream')
    request.upload.onprogress = ({ loaded, total }) => tell(total > 0 ? loaded / total : 0)
    request.onload = () => resolve(answerOf(request.status, request.responseText))
    request.onerror = () =>
      resolve({ problem: 'The server does not answer. Nothing was opened; try again when it is back.' })
    request.onabort = () => resolve({ problem: 'Stopped. Nothing of the file was kept.' })
    signal.addEventListener('abort', () => request.abort())
    request.send(file)
  })
}

function answerOf(status: number, text: string): Imported {
  try {
    const body = JSON.parse(text) as Partial<ErrorBody> & { jobId?: string }
    if (status === 201 && typeof body.jobId === 'string') return { jobId: body.jobId }
    return { problem: body.error?.message ?? `The server answered ${status}.` }
  } catch {
    return { problem: `The server answered ${status}. Nothing was opened; try again.` }
  }
}
