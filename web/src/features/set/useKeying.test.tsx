/** @jest-environment jsdom */
import { describe, expect, it } from '@jest/globals'
import { act } from '@testing-library/react'
import { type KeyingRow, keyingSheet } from '@nachtigal/core/commissioning/keyingSheet'
import { plannedFloor, surveyedFloor } from '@nachtigal/core/testing/warmFloor'
import { useLoop } from '../../loop/loopContext'
import { hookInLoop } from '../../testing/inLoop'
import { useKeying, wrongKeyed } from './useKeying'

const keying = (edited = plannedFloor()) => {
  const made = hookInLoop(edited, () => {
    const context = useLoop()
    return { ...useKeying(), sheet: keyingSheet(context)[0]! }
  })
  const row = (quantity: string) => made.result.current.sheet.rows.find((each) => each.quantity === quantity)!
  return { ...made, row, device: made.result.current.sheet.device.id }
}

describe('useKeying', () => {
  it('a tick writes the planned value as left, by one command, and taking it off takes it away', () => {
    const { result, row, device, sent, now } = keying()
    const temperature = row('temperature')
    act(() => void result.current.ticked(device, temperature, true))
    expect(sent).toHaveLength(1)
    expect(sent[0]).toMatchObject({ action: 'key-values', loopId: 'loop' })
    expect(now().settings.asLeft[device]?.[temperature.code]).toMatchObject({ text: temperature.planned })
    expect(row('temperature').agrees).toBe(true)
    act(() => void result.current.ticked(device, row('temperature'), false))
    expect(now().settings.asLeft[device]?.[temperature.code]).toBeUndefined()
  })
  it.each([
    ['C', '28', 28],
    ['F', '82.4', 28],
  ] as const)('what is typed in °%s is kept as typed and in SI', (temperatureUnit, text, value) => {
    const { result, row } = keying(plannedFloor(undefined, surveyedFloor({ temperatureUnit })))
    const made = result.current.typed(row('temperature'), text)
    expect(made).toMatchObject({ text, unit: `°${temperatureUnit}` })
    expect(made.value).toBeCloseTo(value, 6)
  })
  it('several values are one command; what is undefined is taken out', () => {
    const { result, row, device, sent, now } = keying()
    const { code } = row('temperature')
    const other = result.current.sheet.rows.find((each) => each.code !== code)!.code
    const found = () => Object.keys(now().settings.asFound[device] ?? {}).sort()
    const reading = () => result.current.typed(row('temperature'), '25')
    act(() => void result.current.write('asFound', device, { [code]: reading(), [other]: reading() }))
    expect([sent.length, found()]).toEqual([1, [code, other].sort()])
    act(() => void result.current.write('asFound', device, { [other]: undefined }))
    expect([sent.length, found()]).toEqual([2, [code]])
  })
  it('the reason goes with it', () => {
    const { result, row, device, sent } = keying()
    const reading = result.current.typed(row('temperature'), '25')
    act(() => void result.current.write('asLeft', device, { [row('temperature').code]: reading }, 'owner asked'))
    expect(sent[0]!.why).toBe('owner asked')
  })
})

describe('what is wrong with a value as typed', () => {
  const row = (more: Partial<KeyingRow>) => ({ planned: '28.0', ...more }) as KeyingRow
  it.each([
    [row({ quantity: 'temperature' }), '', undefined],
    [row({ quantity: 'temperature' }), '28,5', undefined],
    [row({ quantity: 'temperature' }), '-40', undefined],
    [row({ quantity: 'temperature' }), 'warm', /takes a number, such as 28\.0/],
    [row({ quantity: 'clock', planned: '22:00' }), '7:30', undefined],
    [row({ quantity: 'clock', planned: '22:00' }), '24:00', /takes a time, such as 22:00/],
    [row({ quantity: 'clock', planned: '22:00' }), '7.65', /takes a time/],
    [row({ choices: {} as never }), 'sun', undefined],
  ])('%#: %j', (given, typed, says) => {
    const wrong = wrongKeyed(given, 'Set, as left', typed)
    if (says === undefined) expect(wrong).toBeUndefined()
    else expect(wrong).toMatch(says)
  })
})
