// Makes the project ready with Node built-ins only: this runs before anything is installed.
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..')
const stamps = path.join(root, '.stamps')

export function run(command, args, options = {}) {
  const result = spawnSync(command, args, {
    cwd: root,
    stdio: 'inherit',
    shell: process.platform === 'win32',
    ...options,
  })
  if (result.error) throw result.error
  return result.status ?? 1
}

/** Setting up speaks on standard error alone, so that what a command answers stays clean. */
const quiet = { stdio: ['ignore', 2, 2] }

const stampOf = (name) => (existsSync(path.join(stamps, name)) ? readFileSync(path.join(stamps, name), 'utf8') : '')
function writeStamp(name, value) {
  mkdirSync(stamps, { recursive: true })
  writeFileSync(path.join(stamps, name), value)
}

/** Hash over the contents of files and folders: a build is stale when it changes. */
function contentHash(places) {
  const hash = createHash('sha256')
  const walk = (at) => {
    if (!existsSync(at)) return
    if (statSync(at).isDirectory()) {
      for (const name of readdirSync(at).sort())
        if (!['node_modules', 'dist', '.stamps'].includes(name)) walk(path.join(at, name))
    } else hash.update(path.relative(root, at)).update('\0').update(readFileSync(at)).update('\0')
  }
  for (const place of places) walk(path.join(root, place))
  return hash.digest('hex')
}

/** Installs what the lock file names when it is missing or stale. */
export function ensureInstalled() {
  const wanted = contentHash(['package-lock.json'])
  if (existsSync(path.join(root, 'node_modules')) && stampOf('install') === wanted) return
  console.error('Installing the packages that the lock file names')
  if (run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], quiet) !== 0)
    throw new Error('npm ci failed: is the package registry reached?')
  writeStamp('install', wanted)
}

/** Builds pages and server when their sources changed. */
export function ensureBuilt() {
  const wanted = contentHash([
    'core/src',
    'contract/src',
    'server/src',
    'web',
    'cli/src',
    'scripts/build.mjs',
    'package-lock.json',
  ])
  if (
    stampOf('build') === wanted &&
    existsSync(path.join(root, 'web/dist/index.html')) &&
    existsSync(path.join(root, 'server/dist/main.js'))
  )
    return
  console.error('Building')
  if (run(process.execPath, ['scripts/build.mjs'], quiet) !== 0) throw new Error('the build failed')
  writeStamp('build', wanted)
}

const browsers = [
  process.env.NACHTIGAL_BROWSER,
  '/usr/bin/chromium',
  '/usr/bin/chromium-browser',
  '/usr/bin/google-chrome',
].filter(Boolean)
const findBrowser = () => browsers.find((file) => existsSync(file))

/** Looks for a browser; installs Debian's when there is none and this user may. */
export function ensureBrowser() {
  const found = findBrowser()
  if (found) return found
  const mayInstall = process.platform === 'linux' && process.getuid?.() === 0 && existsSync('/usr/bin/apt-get')
  if (!mayInstall) throw new Error('no Chromium found: install it, or name one with NACHTIGAL_BROWSER')
  console.log('Installing Chromium from Debian\u2019s packages')
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  run('apt-get', ['update', '-qq'], { env })
  if (
    run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], {
      env,
      stdio: ['ignore', 'ignore', 'inherit'],
    }) !== 0 ||
    !findBrowser()
  )
    throw new Error('Chromium could not be installed from Debian\u2019s packages')
  return findBrowser()
}

/** Whether a PostgreSQL server is here to be started by tests; Debian's is installed where this user may. Without one they are skipped. */
export function ensurePostgres() {
  const homes = '/usr/lib/postgresql'
  const found = () =>
    existsSync(homes) && readdirSync(homes).some((version) => existsSync(path.join(homes, version, 'bin/initdb')))
  if (found()) return true
  const mayInstall = process.platform === 'linux' && process.getuid?.() === 0 && existsSync('/usr/bin/apt-get')
  if (!mayInstall) return false
  console.log('Installing PostgreSQL from Debian\u2019s packages, for tests that start one of their own')
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  run('apt-get', ['update', '-qq'], { env })
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'postgresql'], {
    env,
    stdio: ['ignore', 'ignore', 'inherit'],
  })
  return found()
}
