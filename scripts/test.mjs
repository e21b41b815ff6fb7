// npm test: sets up what is missing, then types, lint, unit and server, browser. Ends with one plain line of counts.
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import path from 'node:path'
import { ensureBrowser, ensureBuilt, ensureInstalled, ensurePostgres, root, run } from './setUp.mjs'

const count = { passed: 0, failed: 0 }
const results = path.join(root, 'test-results')

/** A check that is one test: it holds or it does not. What it says comes whole, when it has ended. */
const check = ([name, ...args]) =>
  new Promise((resolve) => {
    const child = spawn(process.execPath, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] })
    let said = ''
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (piece) => {
        said += piece
      })
    const ended = (good) => {
      console.log(`\n== ${name}: ${good ? 'holds' : 'does not hold'}\n${said}`.trimEnd())
      count[good ? 'passed' : 'failed']++
      resolve()
    }
    child.once('error', (error) => {
      said += error.message
      ended(false)
    })
    child.once('close', (status) => ended(status === 0))
  })

/** Makes checks side by side, as many as this machine has cores. */
async function checks(waiting) {
  const left = [...waiting]
  const one = async () => {
    for (let next = left.shift(); next; next = left.shift()) await check(next)
  }
  await Promise.all(Array.from({ length: availableParallelism() }, one))
}

const readJson = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : undefined)

/** A runner that counts for itself; one that dies without a count is one failure. */
function runner(name, args, file, counts, env = {}) {
  console.log(`\n== ${name}`)
  rmSync(file, { force: true })
  const status = run(process.execPath, args, { env: { ...process.env, ...env } })
  const found = readJson(file)
  const { passed, failed } = found ? counts(found) : { passed: 0, failed: 1 }
  count.passed += passed
  count.failed += failed + (status !== 0 && failed === 0 ? 1 : 0)
}

try {
  ensureInstalled()
  ensureBuilt()
  mkdirSync(results, { recursive: true })
  const bin = (name) => path.join(root, 'node_modules', name)
  await checks([
    // The longest first.
    ['lint', bin('eslint/bin/eslint.js'), '.'],
    ...['web', 'server', 'e2e', 'cli', 'core', 'contract'].map((workspace) => [
      `types of ${workspace}`,
      bin('typescript/bin/tsc'),
      '-p',
      workspace,
    ]),
    [
      'import directions',
      bin('dependency-cruiser/bin/dependency-cruise.mjs'),
      '--config',
      '.dependency-cruiser.cjs',
      ...['core/src', 'contract/src', 'server/src', 'web/src', 'cli/src', 'e2e'],
    ],
    ['nothing unused', bin('knip/bin/knip.js'), '--no-progress'],
  ])
  if (!ensurePostgres()) console.warn('No PostgreSQL server is here: tests on one are skipped')
  const jest = path.join(results, 'unit.json')
  runner(
    'unit and server',
    [
      '--experimental-vm-modules',
      '--no-warnings',
      bin('jest/bin/jest.js'),
      '--json',
      `--outputFile=${jest}`,
      '--silent',
      // By itself the runner leaves a core free; here nothing else wants it.
      '--maxWorkers=100%',
      // A test that failed may leave a thread behind: it must not keep everything from ending.
      '--forceExit',
    ],
    jest,
    (found) => ({ passed: found.numPassedTests, failed: found.numFailedTests + found.numRuntimeErrorTestSuites }),
  )
  const browser = ensureBrowser()
  const playwright = path.join(results, 'browser.json')
  runner(
    'browser',
    [bin('@playwright/test/cli.js'), 'test', '-c', 'e2e/playwright.config.ts'],
    playwright,
    ({ stats }) => ({ passed: stats.expected, failed: stats.unexpected + stats.flaky }),
    { NACHTIGAL_BROWSER: browser, NACHTIGAL_E2E_RUN: String(process.pid) },
  )
} catch (error) {
  console.error(error.message)
  count.failed++
}
console.log(`\n${count.passed} passed, ${count.failed} failed`)
process.exitCode = count.failed === 0 ? 0 : 1
