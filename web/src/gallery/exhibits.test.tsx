/** @jest-environment jsdom */
import '../testing/pageGlobals'
import { afterEach, describe, expect, it } from '@jest/globals'
import { cleanup } from '@testing-library/react'
import { renderPiece } from '../testing/render'
import { exhibits } from './exhibits'

afterEach(cleanup)

describe.each(exhibits)('$title', ({ states }) => {
  it.each(Object.entries(states))('%s is drawn', (state, element) => {
    const { container } = renderPiece(element as React.ReactElement)
    expect([
      state,
      container.querySelector('svg, button, input, select') !== null || container.textContent !== '',
    ]).toEqual([state, true])
    // Nothing of a drawing stands where a number is none.
    for (const drawn of container.querySelectorAll('[d], [x], [y], [width], [height], [cx], [cy]'))
      for (const name of ['d', 'x', 'y', 'width', 'height', 'cx', 'cy'])
        expect(drawn.getAttribute(name) ?? '').not.toMatch(/NaN|undefined|Infinity/)
  })
})
