import { randomBytes } from 'node:crypto'
import { existsSync, readFileSync } from 'node:fs'
import type { IncomingMessage, ServerResponse } from 'node:http'
import path from 'node:path'
import express, { type ErrorRequestHandler, type Express, type RequestHandler } from 'express'
import { rateLimit } from 'express-rate-limit'
import helmet from 'helmet'
import type { Logger } from 'pino'
import { calcDataOf, type Health, routes, type Shelf } from '@nachtigal/contract/api'
import { type ErrorBody, httpStatus } from '@nachtigal/contract/errors'
import { AppError } from './appError'
import { type Availability, troubleWords } from './db/availability'
import { type BackupDesk, backupRoutes } from './routes/backupRoutes'
import { calcRoutes } from './routes/calcRoutes'
import { changeRoutes } from './routes/changeRoutes'
import { jobRoutes } from './routes/jobRoutes'
import { shelfRoutes } from './routes/shelfRoutes'
import { sheetRoutes } from './routes/sheetRoutes'
import type { MakeSheet } from './sheets/sheetMaker'
import type { ChangeFeed } from './store/changeFeed'
import type { JobStore } from './store/jobStore'
import type { ShelfStore } from './store/shelfStore'

interface AppDeps {
  readonly store: JobStore
  readonly shelf: Omit<Shelf, 'own'>
  readonly shelfStore: ShelfStore
  readonly makeSheet: MakeSheet
  readonly feed: ChangeFeed
  readonly availability: Availability
  readonly health: () => Promise<Health>
  readonly backups?: BackupDesk
  /** Opens the demo jobs where they are not here yet. */
  readonly openDemo?: () => Promise<{ readonly jobId: string }>
  /** Lets nothing be written where there is no room for it. */
  readonly refuses?: RequestHandler
  readonly log: Logger
  /** The clock, as ISO text. */
  readonly now: () => string
  /** Where others reach this server, for the codes on sheets and labels; left out where nobody does. */
  readonly baseAddress?: string
  /**
   * Answer only to a name of this machine itself, and to these: a strange site cannot then reach in under a name that it points here.
   * Left out where it is open to a network.
   */
  readonly onlyNames?: readonly string[]
  /** Folder of the built pages; left out when only the interface is wanted. */
  readonly webFolder?: string
}

/** Requests a minute from one address: behind it a whole firm may sit, each with a change a second and what that makes his page ask. */
const MOST_REQUESTS = 60_000

/** The whole HTTP side as one function of what it needs; it listens nowhere and keeps no state of its own. */
export function createApp(deps: AppDeps): Express {
  const { log, webFolder, store, shelf } = deps
  const app = express()
  app.disable('x-powered-by')
  // Answers of the interface carry no styles: their policy is the same each time and costs nothing to make.
  const bare = shielded("'self'")
  const page = shielded((_request, response) => `'nonce-${nonceOf(response as unknown as Nonced)}'`)
  app.use((request, response, next) => (request.path.startsWith('/api/') ? bare : page)(request, response, next))
  app.use(requestLog(log))
  if (deps.onlyNames) app.use(ownNamesOnly(deps.onlyNames))
  app.use(
    '/api',
    rateLimit({
      windowMs: 60_000,
      limit: MOST_REQUESTS,
      legacyHeaders: false,
      handler: () => {
        throw new AppError('TOO_MANY_REQUESTS', 'too many requests from here; wait a minute')
      },
    }),
  )
  app.get(routes.health, async (_request, response) => {
    const health = await deps.health()
    response.status(health.ready ? 200 : 503).json(health)
  })
  app.use('/api', whileAway(deps.availability), deps.refuses ?? ((_request, _response, next) => next()))
  app.use(routes.shelf, express.json({ limit: '4mb' }))
  app.use(routes.calc, express.json({ limit: '4mb', strict: false }))
  // A job file is read as it comes, a photo as its bytes: all else is JSON.
  const json = express.json({ limit: '1mb' })
  app.use('/api', (request, response, next) =>
    request.path === routes.import.slice('/api'.length) || request.method === 'GET'
      ? next()
      : json(request, response, next),
  )
  app.use(shelfRoutes({ shelf: deps.shelfStore }))
  app.use(calcRoutes({ data: calcDataOf(shelf) }))
  app.use(jobRoutes({ store, data: shelf.data, ...(deps.openDemo ? { openDemo: deps.openDemo } : {}) }))
  if (deps.backups) app.use(backupRoutes({ backups: deps.backups }))
  app.use(changeRoutes({ store, feed: deps.feed }))
  const { baseAddress } = deps
  app.use(
    sheetRoutes({
      store,
      makeSheet: deps.makeSheet,
      now: deps.now,
      ...(baseAddress === undefined ? {} : { baseAddress }),
    }),
  )
  app.all('/api/{*path}', (request) => {
    throw new AppError('ROUTE_UNKNOWN', `there is nothing at ${request.method} ${request.path}`)
  })
  if (webFolder) servePages(app, webFolder)
  app.use(errorHandler(log, deps.availability))
  return app
}

const OWN_NAME = /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/i

const ownNamesOnly =
  (names: readonly string[]): RequestHandler =>
  (request, _response, next) => {
    const host = request.headers.host ?? ''
    if (!OWN_NAME.test(host) && !names.includes(host.replace(/:\d+$/, '').toLowerCase()))
      throw new AppError(
        'HOST_REFUSED',
        `this server answers to localhost, not to "${host.slice(0, 60)}"; set HOST to open it to others, or NACHTIGAL_NAMES to answer to a name`,
      )
    next()
  }

interface Nonced {
  locals: { nonce?: string }
}

type StyleSource = string | ((request: IncomingMessage, response: ServerResponse) => string)

/** Headers that keep a page to itself: nothing from elsewhere, no frames, no inline scripts. @param styles where styles may come from */
const shielded = (styles: StyleSource) =>
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        workerSrc: ["'self'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'"],
        styleSrc: ["'self'", styles],
        connectSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    strictTransportSecurity: false,
  })

/** One nonce a response, for the styles that interface primitives add at run time. Scripts get none: there is no inline script. */
const nonceOf = (response: Nonced) => (response.locals.nonce ??= randomBytes(16).toString('base64'))

function servePages(app: Express, folder: string) {
  app.use(
    '/assets',
    express.static(path.join(folder, 'assets'), { immutable: true, maxAge: '365d', fallthrough: false }),
  )
  app.use(express.static(folder, { index: false, maxAge: '1h' }))
  const page = path.join(folder, 'index.html')
  const html = existsSync(page) ? readFileSync(page, 'utf8') : '<p>The pages are not built yet: npm run build</p>'
  // What the board shows is fetched while its program is read; its type makes it the fetch that the page asks for.
  app.get('/', (_request, response, next) => {
    response.append('Link', `<${routes.jobs}>; rel=preload; as=fetch; crossorigin`)
    next()
  })
  app.get('/{*path}', (_request, response) => {
    response
      .set('Cache-Control', 'no-store')
      .type('html')
      .send(html.replace('__NONCE__', nonceOf(response)))
  })
}

const requestLog =
  (log: Logger): RequestHandler =>
  (request, response, next) => {
    const started = process.hrtime.bigint()
    response.on('finish', () => {
      const ms = Number(process.hrtime.bigint() - started) / 1e6
      log.info(
        { method: request.method, path: request.path, status: response.statusCode, ms: Math.round(ms * 10) / 10 },
        'request',
      )
    })
    next()
  }

/** What Express and its body parser throw, in the words of the closed list. */
function known(error: unknown): AppError {
  if (error instanceof AppError) return error
  const type = (error as { type?: string } | null)?.type
  if (type === 'entity.too.large') return new AppError('BODY_TOO_LARGE', 'what was sent is too large', {}, error)
  if (type !== undefined && /^(entity|encoding|charset|request)\./.test(type))
    return new AppError('BODY_INVALID', 'what was sent is no JSON', {}, error)
  const status = (error as { status?: number } | null)?.status
  if (status === 415 || status === 416)
    return new AppError(
      'BODY_UNSUPPORTED',
      'what was sent is packed or written in a way that is not read here',
      {},
      error,
    )
  if (status === 404) return new AppError('ROUTE_UNKNOWN', 'there is no such file', {}, error)
  if (status !== undefined && status >= 400 && status < 500)
    return new AppError('BODY_INVALID', 'the address or what was sent cannot be read', {}, error)
  return new AppError(
    'INTERNAL',
    'something went wrong on the server; what was typed is kept on this device',
    {},
    error,
  )
}

/** While the database is away nobody waits for it: each is told so at once, and when to come again. */
const whileAway =
  (availability: Availability): RequestHandler =>
  (_request, _response, next) => {
    const { away } = availability
    if (away) throw new AppError('DATABASE_AWAY', troubleWords[away.kind], {})
    next()
  }

/** Seconds after which whoever met a server that cannot serve may come again. */
const RETRY_AFTER_S = 2

/** Letters of a message: what was sent may be quoted in it, and may be endless. */
const MOST_MESSAGE = 1000

const errorHandler =
  (log: Logger, availability: Availability): ErrorRequestHandler =>
  (error, request, response, next) => {
    if (response.headersSent) {
      availability.failed(error)
      next(error)
      return
    }
    const trouble = error instanceof AppError ? undefined : availability.failed(error)
    const { code, message, facts, cause } = trouble
      ? new AppError(trouble === 'full' ? 'DISK_FULL' : 'DATABASE_AWAY', troubleWords[trouble], {}, error)
      : known(error)
    if (code === 'INTERNAL') log.error({ err: cause ?? error, path: request.path }, 'request failed')
    const { field } = facts
    const body: ErrorBody = {
      error: {
        code,
        message: message.length > MOST_MESSAGE ? `${message.slice(0, MOST_MESSAGE)} \u2026` : message,
        ...(typeof field === 'string' ? { field } : {}),
        ...(Object.keys(facts).length > 0 ? { facts } : {}),
      },
    }
    if (httpStatus[code] === 503) response.set('Retry-After', String(RETRY_AFTER_S))
    response.status(httpStatus[code]).json(body)
  }
