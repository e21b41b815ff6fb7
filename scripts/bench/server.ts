/** The server as its own program: what a change costs, how many fitters it carries, what long logs cost. */
import { readFileSync } from 'node:fs'
import type { JobFile } from '@nachtigal/contract/api'
import { postgresPrograms, TemporaryPostgres } from '../../server/src/faults/temporaryPostgres'
import { Folders, root, ServerProcess } from '../../server/src/faults/serverProcess'
import { typists } from '../../server/src/load/typists'
import { told } from './goals'

const like = JSON.parse(readFileSync(`${root}/demo/otterholm.nachtigal.json`, 'utf8')) as JobFile
const SECONDS = Number(process.env['NACHTIGAL_BENCH_SECONDS'] ?? 15)

/** Processor time of a program so far, ms. */
function cpuOf({ pid }: ServerProcess): number {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]!.split(' ')
  // In hundredths of a second on Linux: user and system.
  return (Number(fields[11]) + Number(fields[12])) * 10
}

export async function benchServer() {
  const folders = new Folders()
  try {
    await onEmbedded(folders)
    if (postgresPrograms()) await onPostgres(folders)
    else console.log('no PostgreSQL server is installed: not measured on one')
  } finally {
    folders.clear()
  }
}

async function onEmbedded(folders: Folders) {
  const server = ServerProcess.start({ folder: await folders.data() })
  const urls = [await server.url()]
  await typists({ urls, jobs: 2, perJob: 2, seconds: 5, reading: false }, like)
  const felt = await typists({ urls, jobs: 4, perJob: 5, seconds: SECONDS, reading: true }, like)
  told('20 fitters on the embedded database, a change', felt.p50, 'ms median')
  told('20 fitters on the embedded database, 99 of 100', felt.p99, 'ms', 150)
  told('20 fitters on the embedded database, refused', felt.refused, 'changes', 0)
  await server.end()
}

async function onPostgres(folders: Folders) {
  const postgres = await TemporaryPostgres.make()
  try {
    const start = () => ServerProcess.start({ folder: folders.bare(), env: { DATABASE_URL: postgres.url } })
    const one = start()
    const alone = { urls: [await one.url()], jobs: 40, perJob: 5, reading: false }
    await typists({ ...alone, seconds: SECONDS }, like)
    let begun = 0
    const { changes } = await typists({ ...alone, seconds: SECONDS }, like, () => {
      begun = cpuOf(one)
    })
    told('200 fitters at one process, its processor for a change', (cpuOf(one) - begun) / changes, 'ms', 3)
    const two = start()
    const urls = [await one.url(), await two.url()]
    await typists({ urls, jobs: 10, perJob: 5, seconds: SECONDS, reading: false }, like)
    for (const reading of [false, true]) {
      let before = 0
      const felt = await typists({ urls, jobs: 40, perJob: 5, seconds: SECONDS, reading }, like, () => {
        before = cpuOf(one) + cpuOf(two)
      })
      const whose = `200 fitters at two processes${reading ? ', each reading the others' : ''}`
      const cost = (cpuOf(one) + cpuOf(two) - before) / felt.changes
      told(`${whose}, their processor for a change`, cost, 'ms')
      told(`${whose}, a change`, felt.p50, 'ms median')
      told(`${whose}, 99 of 100`, felt.p99, 'ms', 400)
      told(`${whose}, refused`, felt.refused, 'changes', 0)
      if (reading) told(`${whose}: told and read of others`, felt.read / felt.changes, 'for each change')
    }
    await Promise.all([one.end(), two.end()])
  } finally {
    await postgres.close()
  }
}
