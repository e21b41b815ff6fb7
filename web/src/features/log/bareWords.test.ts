import { expect, it } from '@jest/globals'
import { bareWords } from './bareWords'

it.each([
  [{ path: ['survey', 'answers', 'target'], from: null, to: 28 }, 'survey answers target', 'null', '28'],
  [{ path: [], from: undefined, to: 'x'.repeat(90) }, '', 'nothing', `"${'x'.repeat(59)}`],
  [{ path: ['a'.repeat(200)], from: { b: 1 }, to: null }, 'a'.repeat(100), '{"b":1}', 'null'],
])('%#: a change in its own letters, cut where it is long', (change, what, before, after) => {
  expect(bareWords({ document: 'd', ...change } as never)).toEqual({ what, before, after })
})
