import { describe, expect, it } from '@jest/globals'
import { loopKinds } from '@nachtigal/core/kinds/kinds'
import { loopContext } from '@nachtigal/core/loop/context'
import { textsIn } from '@nachtigal/core/testing/everyText'
import { METRIC_FIGURE } from '@nachtigal/core/testing/metricFigure'
import { soundIn } from '@nachtigal/core/testing/usChains'
import { readShelf } from '../readShelf'
import { asLeftSheet } from './asLeftSheet'
import { keyingCsv, keyingPdf } from './keyingSheets'
import { ownersPage, panelCard } from './ownerSheets'
import { safetySheet } from './safetySheet'
import { testSheet } from './testSheet'
import { wiresCsv } from './wiresCsv'
import { wiresSheet, labelsSheet } from './wireSheets'

const { data } = readShelf(new URL('../../../shelf', import.meta.url).pathname)
const stamp = { printedAt: '2026-10-20T08:00:00Z', hash: 'abc' }
const sheets = { asLeftSheet, keyingPdf, ownersPage, panelCard, safetySheet, testSheet, wiresSheet, labelsSheet }

/** The texts of a sheet, each as one, whatever faces it is set in. */
function told(value: unknown): readonly string[] {
  if (
    Array.isArray(value) &&
    value.length > 0 &&
    value.every((run) => typeof (run as { text?: unknown })?.text === 'string')
  )
    return [value.map((run) => (run as { text: string }).text).join('')]
  if (typeof value !== 'object' || value === null) return textsIn(value).map(([, text]) => text)
  return Object.values(value).flatMap(told)
}

describe.each(loopKinds)('every sheet of a loop in US practice and units: %s', (kind) => {
  const { job, loop } = soundIn('us', kind)
  const context = loopContext({ ...job, temperatureUnit: 'F', system: 'us' }, loop, data)
  it.each(Object.entries(sheets))('%s says nothing in metric', (_, make) => {
    const texts = told(make(context, stamp))
    expect(texts.length).toBeGreaterThan(5)
    expect(texts.filter((text) => METRIC_FIGURE.test(text) || /\{-?\d/.test(text))).toEqual([])
  })
  it.each(Object.entries({ keyingCsv, wiresCsv }))('%s says nothing in metric', (_, make) => {
    expect(
      make(context)
        .split('\n')
        .filter((line) => METRIC_FIGURE.test(line)),
    ).toEqual([])
  })
})
