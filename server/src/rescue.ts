import { randomBytes } from 'node:crypto'
import path from 'node:path'
import express from 'express'
import { backupsIn } from './backup/backups'
import { type DamagedFolder, putInPlace } from './db/openDatabase'
import { isAtMachine } from './routes/backupRoutes'
import { addressOf, closed, listen } from './listening'
import type { Running, Settings } from './startServer'

const escaped = (text: string) => text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`)

/** What a backup is, in a line. */
const lineOf = ({ at, holding }: ReturnType<typeof backupsIn>[number]) =>
  `${at.slice(0, 16).replace('T', ' ')} UTC: ${holding.jobs} jobs, ${holding.rows} changes, ${holding.photos} photos`

/** What to do about a damaged database, in words for whoever started the server. */
function rescueWords(backups: ReturnType<typeof backupsIn>): string {
  const [newest] = backups
  return newest
    ? `The newest good backup is of ${lineOf(newest)}. Restore it on the page, or stop this and run: npm run restore. The damaged database is set aside, not removed. Changes made after that moment are lost from the server; devices that still hold some of them will send those.`
    : 'There is no backup. The damaged database is left as it is: keep a copy of it, and start with another folder (NACHTIGAL_DATA).'
}

/**
 * Runs in the place of the server while its database is damaged: says so to every page and program, and brings a backup back when whoever
 * sits at the machine asks for it.
 * @param again starts the server anew
 */
export async function startRescue(
  settings: Settings,
  damage: DamagedFolder,
  again: () => Promise<void>,
): Promise<Running> {
  const folder = settings.backups[0]!
  const backups = backupsIn(folder).filter(({ engine }) => engine === 'embedded')
  const words = rescueWords(backups)
  console.error(words)
  // Only a page that this server sent knows it: another site cannot bring anything back through the browser that sits here.
  const token = randomBytes(16).toString('hex')
  const app = express()
  app.disable('x-powered-by')
  app.get('/api/health', (_request, response) => {
    response.status(503).json({
      ready: false,
      version: settings.version,
      database: { engine: 'embedded', state: 'damaged' },
    })
  })
  app.use('/api', (_request, response) => {
    response
      .status(503)
      .set('Retry-After', '30')
      .json({
        error: {
          code: 'DATABASE_AWAY',
          message:
            'the database of the server is damaged; a backup must be restored there. What you type waits on your device',
        },
      })
  })
  app.post('/rescue', express.urlencoded({ extended: false, limit: '2kb' }), (request, response) => {
    const { name, token: given } = (request.body ?? {}) as { name?: unknown; token?: unknown }
    const backup = backups.find((each) => each.name === name)
    if (!isAtMachine(request) || given !== token || !backup) {
      response.status(403).type('text').send('A backup is restored by the person at the server\u2019s machine.')
      return
    }
    putInPlace(damage.home, path.join(folder, backup.name, 'postgres'), new Date().toISOString())
    response.type('html').send(page('Restored', '<p>The backup is in its place. <a href="/">Go on</a></p>'))
    void again()
  })
  app.get('/{*path}', (request, response) => {
    const forms = isAtMachine(request)
      ? backups
          .map(
            (backup) =>
              `<form method="post" action="/rescue"><input type="hidden" name="token" value="${token}"><button name="name" value="${escaped(backup.name)}">Restore</button> ${escaped(lineOf(backup))}</form>`,
          )
          .join('')
      : '<p>A backup is restored at the server\u2019s machine itself.</p>'
    response
      .status(503)
      .set({
        'Cache-Control': 'no-store',
        'Content-Security-Policy':
          "default-src 'none'; style-src 'unsafe-inline'; form-action 'self'; frame-ancestors 'none'",
      })
      .type('html')
      .send(page('The database is damaged', `<p>${escaped(damage.message)}</p><p>${escaped(words)}</p>${forms}`))
  })
  const listening = await listen(app, settings.host, settings.port, settings.tls)
  return { address: addressOf(listening, settings.host), stop: () => closed(listening) }
}

const page = (title: string, inner: string) =>
  `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${title}</title><style>body{font:16px/1.5 sans-serif;max-width:44rem;margin:2rem auto;padding:0 1rem}button{min-height:48px;padding:0 1rem;margin-right:1rem;font:inherit}form{margin:1rem 0}</style><h1>${title}</h1>${inner}</html>`
