import { Readable } from 'node:stream'
import { mkdtempSync } from 'node:fs'
import { longJob, idOf } from '../server/src/load/longJob'
import { openEmbedded } from '../server/src/db/openDatabase'
import { serverOn, migrations } from '../server/src/testing'
void (async () => {
  const N = Number(process.env['N'] ?? 5000)
  const pieces: Buffer[] = []
  for await (const p of longJob('long', N)) pieces.push(Buffer.from(p))
  console.log('made', pieces.reduce((a, b) => a + b.length, 0) / 1e6, 'MB')
  const folder = mkdtempSync('/tmp/look-')
  const db = await openEmbedded(folder, { migrations, now: () => new Date().toISOString(), warn: console.error })
  const s = serverOn(db)
  let worst = 0,
    last = performance.now()
  const timer = setInterval(() => {
    const n = performance.now()
    worst = Math.max(worst, n - last - 5)
    last = n
  }, 5)
  let t = performance.now()
  await s.store.importFile(Readable.from(pieces))
  console.log(`import ${N}: ${((performance.now() - t) / 1000).toFixed(1)} s, worst stall ${worst.toFixed(0)} ms`)
  const id = idOf('job long')
  const time = async (n: string, go: () => Promise<unknown>) => {
    worst = 0
    const t0 = performance.now()
    await go()
    const t = performance.now()
    for (let i = 0; i < 3; i++) await go()
    console.log(
      `${n} first ${(t - t0).toFixed(0)} then ${((performance.now() - t) / 3).toFixed(1)} stall ${worst.toFixed(0)}`,
    )
  }
  await time('read', () => s.store.read(id))
  await time('log', () => s.store.log(id, 200))
  await time('nohit', () => s.store.log(id, 200, { words: 'zebra' }))
  await time('hit', () => s.store.log(id, 200, { words: 'pump' }))
  await time('loop', () => s.store.log(id, 200, { loop: idOf('loop long 3') }))
  await time('two', () => s.store.log(id, 200, { words: 'pump oakes', by: 'Ann Oakes' }))
  await time('none loop', () => s.store.log(id, 200, { loop: idOf('none') }))
  await time('at', () => s.store.at(id, N - 77))
  await time('at mid', () => s.store.at(id, Math.floor(N / 2) + 249))
  await time('verify', () => s.store.verify(id, 0))
  await time('export', async () => {
    const e = await s.store.exportFile(id)
    for await (const _ of e.json);
  })
  clearInterval(timer)
  await db.close()
  t = performance.now()
  const again = await openEmbedded(folder, { migrations, now: () => new Date().toISOString(), warn: console.error })
  const s2 = serverOn(again)
  await s2.store.migrate(true)
  console.log('open', performance.now() - t)
  await again.close()
  console.log(folder)
})()
