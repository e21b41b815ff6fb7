import { expect, test } from '@jest/globals'
import { tableText } from './tableText'

test.each([
  ['a plain name', 'Seal pool', 'Seal pool'],
  ['a number below nought stays one', -0.5, '-0.5'],
  ['typed text that begins like one does not', '-0.5', `"'-0.5"`],
  ['a formula is told as text', '=1+1', `"'=1+1"`],
  ['a command as well', '@SUM(A1)', `"'@SUM(A1)"`],
  ['a tab within stays in its cell', 'a\tb', '"a\tb"'],
  ['and so does a line', 'a\nb', '"a\nb"'],
])('%s', (_, cell, text) => {
  expect(tableText(['name'], [[cell]])).toBe(`name\n${text}`)
})

test('nothing known is an empty cell', () => {
  expect(tableText(['a', 'b'], [[undefined, 3]])).toBe('a\tb\n\t3')
})
