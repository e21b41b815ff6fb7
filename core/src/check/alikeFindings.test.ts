import { describe, expect, it } from '@jest/globals'
import { alikeFindings } from './alikeFindings'
import type { Finding } from './finding'

const finding = (code: string, about: string, severity: Finding['severity'] = 'look-again') =>
  ({ code, about, severity }) as Finding
const told = (findings: readonly Finding[]) =>
  alikeFindings(findings).map(({ first, rest }) => [first.about, rest.map(({ about }) => about)])

describe('alikeFindings', () => {
  it('makes one of three and more, where the first stands', () => {
    expect(
      told([finding('A', '1'), finding('B', '2'), finding('A', '3'), finding('A', '4'), finding('A', '5')]),
    ).toEqual([
      ['1', ['3', '4', '5']],
      ['2', []],
    ])
  })
  it('leaves two as they are', () => {
    expect(told([finding('A', '1'), finding('A', '2')])).toEqual([
      ['1', []],
      ['2', []],
    ])
  })
  it('does not count a stop with what is only to be looked at', () => {
    expect(told([finding('A', '1', 'stop'), finding('A', '2'), finding('A', '3')])).toHaveLength(3)
  })
  it('loses none', () => {
    const all = ['A', 'B', 'A', 'A', 'C', 'B', 'B'].map((code, i) => finding(code, String(i)))
    expect(
      alikeFindings(all)
        .flatMap(({ first, rest }) => [first, ...rest])
        .map(({ about }) => about)
        .sort(),
    ).toEqual(all.map(({ about }) => about))
  })
})
