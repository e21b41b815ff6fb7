import { render } from '@testing-library/react'
import type { ReactElement } from 'react'
import { Provider } from 'react-redux'
import { MemoryRouter } from 'react-router'
import { createStore } from '../state/store'

/** Renders a piece of a page with a store of its own and an address, as the application does. */
export function renderPiece(piece: ReactElement, path = '/') {
  const store = createStore()
  const wrap = (inner: ReactElement) => (
    <Provider store={store}>
      <MemoryRouter initialEntries={[path]}>{inner}</MemoryRouter>
    </Provider>
  )
  const { rerender, ...rest } = render(wrap(piece))
  return { store, rerender: (next: ReactElement) => rerender(wrap(next)), ...rest }
}
