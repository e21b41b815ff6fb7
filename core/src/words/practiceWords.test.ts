import { describe, expect, it } from '@jest/globals'
import { loopKinds } from '../kinds/kinds'
import { demoLoops } from '../testing/safetyPage'
import { FOREIGN_WORDS } from '../testing/foreignWords'
import { everyText } from '../testing/everyText'
import { soundIn } from '../testing/usChains'
import { chained } from '../testing/chains'

/** What a page may show as it stands printed on a device, and a sentence of ours may not say. */
const OF_OURS = { us: /\bswing\b|\bPE\b/i, uk: /\bswing\b/i } as const
/** Names in data, not words on a page. */
const names =
  /(?:\.|^)(?:id|code|kind|circuit|role|senses|hunt|key|does|from|to|source|group|category|part|binds|calc|field|test|figures|worked|found|fix|reading)(?:\.|$)/
/** What stands printed on a device is what it is, in any practice. */
const printed = /^(?:find|devices|keying|owner|placements\.\d+\.device|survey)/

const said = (edited: Parameters<typeof everyText>[0], practice: keyof typeof FOREIGN_WORDS) =>
  everyText(edited)
    .filter(
      ([place, text]) =>
        !names.test(place) &&
        !printed.test(place) &&
        (FOREIGN_WORDS[practice].test(text) || OF_OURS[practice].test(text)),
    )
    // The mains of other practices are not offered here.
    .filter(([place]) => !/questions\.\d+\.choices\.(?:230|400)\./.test(place))
    .map(([place, text]) => `${place}: ${text}`)

describe('no text speaks another practice', () => {
  it.each(loopKinds)('%s in the United States', (kind) => expect(said(soundIn('us', kind), 'us')).toEqual([]))
  it.each(demoLoops('juniper-hollow').map((edited) => [edited.loop.name, edited] as const))(
    '%s of the demo job in the United States',
    (_, edited) => expect(said(edited, 'us')).toEqual([]),
  )
  it.each(demoLoops('otterholm-outpost').map((edited) => [edited.loop.name, edited] as const))(
    '%s of the demo job in the United Kingdom',
    (_, edited) => expect(said(edited, 'uk')).toEqual([]),
  )
  it.each(loopKinds)('%s in the United Kingdom', (kind) => {
    const { job, loop } = chained(kind)
    expect(said({ job: { ...job, practice: 'uk' }, loop }, 'uk')).toEqual([])
  })
})
