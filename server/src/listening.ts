import { readFileSync } from 'node:fs'
import { createServer, type RequestListener, type Server } from 'node:http'
import { createServer as createSecureServer, Server as SecureServer } from 'node:https'
import type { AddressInfo } from 'node:net'
import { createSecureContext } from 'node:tls'
import { OpenRefused } from './db/openRefused'

/** Where the certificate and its key lie, for one who serves a network without a proxy. */
export interface TlsFiles {
  readonly cert: string
  readonly key: string
}

/** @throws OpenRefused naming the file that cannot be read, or saying that they do not belong together */
function secureFiles({ cert, key }: TlsFiles) {
  const read = (what: string, file: string) => {
    try {
      return readFileSync(file)
    } catch (error) {
      throw new OpenRefused(`the ${what} ${file} cannot be read: ${(error as Error).message}`, error)
    }
  }
  const files = { cert: read('certificate', cert), key: read('key of the certificate', key) }
  try {
    createSecureContext(files)
  } catch (error) {
    throw new OpenRefused(
      `the certificate ${cert} and the key ${key} cannot be used together: ${(error as Error).message}`,
      error,
    )
  }
  return files
}

const FREE_PORTS_TRIED = 20

/** Listens on a port, or on the next free one where it is taken; over TLS where there are files for it. */
export function listen(app: RequestListener, host: string, wanted: number, tls?: TlsFiles): Promise<Server> {
  const made = (): Server => (tls ? createSecureServer(secureFiles(tls), app) : createServer(app))
  const on = (port: number, tries: number): Promise<Server> =>
    new Promise((resolve, reject) => {
      const server = made()
      server.once('error', (error: NodeJS.ErrnoException) => {
        if (error.code === 'EADDRINUSE' && tries > 0 && wanted !== 0) on(port + 1, tries - 1).then(resolve, reject)
        else reject(error)
      })
      server.listen(port, host, () => resolve(server))
    })
  return on(wanted, FREE_PORTS_TRIED)
}

/** Takes a certificate that was renewed, without letting go of anybody. @throws OpenRefused where it cannot be used; the old one stays */
export function renewCertificate(server: Server, tls: TlsFiles) {
  if (server instanceof SecureServer) server.setSecureContext(secureFiles(tls))
}

/** Address at which a server listens. */
export function addressOf(server: Server, host: string): string {
  const { port } = server.address() as AddressInfo
  return `${server instanceof SecureServer ? 'https' : 'http'}://${host.includes(':') ? `[${host}]` : host}:${port}`
}

/** A browser holds a line open on which it is told of changes: it is not waited for. */
const CLOSE_AFTER_MS = 1000

/** Waits until a server has closed. */
export const closed = (server: Server) =>
  new Promise<void>((resolve) => {
    server.close(() => resolve())
    server.closeIdleConnections()
    setTimeout(() => server.closeAllConnections(), CLOSE_AFTER_MS).unref()
  })
