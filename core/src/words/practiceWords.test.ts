import { describe, expect, it } from '@jest/globals'
import { loopKinds } from '../kinds/kinds'
import { demoLoops } from '../testing/safetyPage'
import { everyText } from '../testing/everyText'
import { soundIn } from '../testing/usChains'
import { chained } from '../testing/chains'

/** Words of other practices that nobody says in this one. */
const foreign = {
  us: /residual[- ]current|\bRCD\b|\bmains\b|\bearth(?:ed|ing|s)?\b|\bPE\b|\bscreed\b|\bextra-low\b|\b230 V|\b400 V|\b30 mA\b|summer stop|heating curve|\blimiters?\b|\bswing\b|\bby-pass|\bpermissives?\b|\bset-back\b|\bisolators?\b/i,
  uk: /residual-current device|protective earth|\blimiters?\b|\bpermissives?\b|heating curve|summer stop|\bsetpoints?\b|\bswing\b/i,
} as const
/** Names in data, not words on a page. */
const names =
  /(?:\.|^)(?:id|code|kind|circuit|role|senses|hunt|key|does|from|to|source|group|category|part|binds|calc|field|test|figures|worked|found|fix|reading)(?:\.|$)/
/** What stands printed on a device is what it is, in any practice. */
const printed = /^(?:find|devices|keying|owner|placements\.\d+\.device|survey)/

const said = (edited: Parameters<typeof everyText>[0], words: RegExp) =>
  everyText(edited)
    .filter(([place, text]) => !names.test(place) && !printed.test(place) && words.test(text))
    // The mains of other practices are not offered here.
    .filter(([place]) => !/questions\.\d+\.choices\.(?:230|400)\./.test(place))
    .map(([place, text]) => `${place}: ${text}`)

describe('no text speaks another practice', () => {
  it.each(loopKinds)('%s in the United States', (kind) => expect(said(soundIn('us', kind), foreign.us)).toEqual([]))
  it.each(demoLoops('juniper-hollow').map((edited) => [edited.loop.name, edited] as const))(
    '%s of the demo job in the United States',
    (_, edited) => expect(said(edited, foreign.us)).toEqual([]),
  )
  it.each(loopKinds)('%s in the United Kingdom', (kind) => {
    const { job, loop } = chained(kind)
    expect(said({ job: { ...job, practice: 'uk' }, loop }, foreign.uk)).toEqual([])
  })
})
