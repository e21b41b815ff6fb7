import { fileURLToPath } from 'node:url'
import { describe, expect, it } from '@jest/globals'
import { loopContext } from '@nachtigal/core/loop/context'
import { loopKinds } from '@nachtigal/core/kinds/kinds'
import { practices, soundIn } from '@nachtigal/core/testing/usChains'
import { demoFile, testServer } from '../testing'
import { panelCard } from './ownerSheets'
import { createPdfRenderer } from './renderPdf'

const server = await testServer()
await server.close()
const render = createPdfRenderer(fileURLToPath(new URL('../../../node_modules', import.meta.url)))
const stamp = { printedAt: '2026-03-01T10:00:00Z', hash: 'ab'.repeat(32) }

/** Pages of a file that the PDF package wrote: each has an object of its own. */
const pagesOf = (pdf: Uint8Array) =>
  Buffer.from(pdf)
    .toString('latin1')
    .match(/\/Type \/Page\b/g)?.length

describe('a panel card is one page, whatever it tells', () => {
  const file = demoFile()
  it.each(Object.values(file.loops).map((loop) => [loop.name, loop] as const))('%s', async (_, loop) => {
    for (const temperatureUnit of ['C', 'F'] as const) {
      const job = { ...file.job, temperatureUnit }
      const context = loopContext(job, loop, server.shelf.data, job, Object.values(file.loops))
      expect(pagesOf(await render(panelCard(context, stamp)))).toBe(1)
    }
  })
  it.each(loopKinds.flatMap((kind) => practices.map((practice) => [kind, practice] as const)))(
    'a %s in %s practice',
    async (kind, practice) => {
      const { job, loop } = soundIn(practice, kind)
      expect(pagesOf(await render(panelCard(loopContext(job, loop, server.shelf.data, job), stamp)))).toBe(1)
    },
  )
})
