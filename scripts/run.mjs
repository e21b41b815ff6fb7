// npm run demo | start | dev | gallery | bench | kill | shots | restore: set up what is missing, then do it.
import { spawn } from 'node:child_process'
import { createServer } from 'node:net'
import path from 'node:path'
import { ensureBrowser, ensureBuilt, ensureInstalled, root, run } from './setUp.mjs'

const [what = 'demo'] = process.argv.slice(2)

/** Runs a child in the foreground, passing signals on, and ends as it ends. */
function follow(args, env = {}) {
  const child = spawn(process.execPath, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } })
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
    process.on(signal, () => child.kill(signal === 'SIGHUP' ? 'SIGTERM' : signal))
  child.on('exit', (code, signal) => process.exit(signal ? 1 : (code ?? 1)))
  return child
}

/** The first port from one on that nobody listens at: the pages must know where the server will be before it is. */
const freePort = (from) =>
  new Promise((resolve, reject) => {
    const probe = createServer()
    probe.once('error', (error) =>
      error.code === 'EADDRINUSE' && from < 65_535 ? resolve(freePort(from + 1)) : reject(error),
    )
    probe.listen(from, '127.0.0.1', () => probe.close(() => resolve(from)))
  })

try {
  ensureInstalled()
  const server = path.join(root, 'server/dist/main.js')
  if (what === 'dev') {
    ensureBuilt()
    const port = String(await freePort(Number(process.env.PORT ?? 4310)))
    const api = spawn(
      process.execPath,
      [path.join(root, 'node_modules/tsx/dist/cli.mjs'), 'watch', 'server/src/main.ts', '--demo'],
      {
        cwd: root,
        stdio: 'inherit',
        env: {
          ...process.env,
          PORT: port,
          NACHTIGAL_ROOT: root,
          NACHTIGAL_DATA: process.env.NACHTIGAL_DATA ?? path.join(root, 'data/demo'),
        },
      },
    )
    process.on('exit', () => api.kill())
    follow([path.join(root, 'node_modules/vite/bin/vite.js'), '--config', 'web/vite.config.ts'], { PORT: port })
  } else if (what === 'gallery') {
    const vite = path.join(root, 'node_modules/vite/bin/vite.js')
    follow([vite, '--config', 'web/vite.config.ts', '--open', '/gallery.html'])
  } else if (what === 'bench') {
    ensureBuilt()
    follow([path.join(root, 'node_modules/tsx/dist/cli.mjs'), 'scripts/bench.ts'])
  } else if (what === 'kill') {
    ensureBuilt()
    follow(
      [
        '--experimental-vm-modules',
        '--no-warnings',
        path.join(root, 'node_modules/jest/bin/jest.js'),
        'server/src/faults/kill',
      ],
      { NACHTIGAL_KILL_ROUNDS: process.env.NACHTIGAL_KILL_ROUNDS ?? '500', NACHTIGAL_KILL_SAY: '1' },
    )
  } else if (what === 'shots') {
    ensureBuilt()
    const browser = ensureBrowser()
    process.exit(
      run(
        process.execPath,
        [path.join(root, 'node_modules/@playwright/test/cli.js'), 'test', '-c', 'e2e/shots.config.ts'],
        { env: { ...process.env, NACHTIGAL_BROWSER: browser } },
      ),
    )
  } else if (what === 'restore') {
    ensureBuilt()
    follow([path.join(root, 'server/dist/restore.js'), ...process.argv.slice(3)], {
      NACHTIGAL_ROOT: root,
      NACHTIGAL_DATA: process.env.NACHTIGAL_DATA ?? path.join(root, 'data/own'),
    })
  } else {
    ensureBuilt()
    // The demo keeps its own folder, so that it never stands among one's own jobs.
    const demo = what === 'demo'
    follow([server, ...(demo ? ['--demo'] : [])], {
      NACHTIGAL_ROOT: root,
      NACHTIGAL_DATA: process.env.NACHTIGAL_DATA ?? path.join(root, demo ? 'data/demo' : 'data/own'),
    })
  }
} catch (error) {
  console.error(error.message)
  process.exit(1)
}
