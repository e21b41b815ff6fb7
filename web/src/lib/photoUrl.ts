import { fill, routes } from '@nachtigal/contract/api'

/** Photos taken since the page was opened: they may not be on the server yet. */
const taken = new Map<string, string>()

export const photoTaken = (hash: string, body: Blob) => {
  if (!taken.has(hash)) taken.set(hash, URL.createObjectURL(body))
}

/** Where a photo is shown from: this device, as long as it has it in hand, else the server. */
export const photoUrl = (jobId: string, hash: string): string => taken.get(hash) ?? fill(routes.photo, { jobId, hash })
