import { StrictMode, useState } from 'react'
import { createRoot } from 'react-dom/client'
import { Provider } from 'react-redux'
import { MemoryRouter } from 'react-router'
import { createStore } from '../state/store'
import { exhibits } from './exhibits'
import '../styles.css'
import '../drawing/drawing.css'
import '../loop/loop.css'
import '../features/set/set.css'
import '../features/try/try.css'
import '../features/prove/prove.css'

/** All instruments and controls on one page, by day or night, wide or as on a phone; for those who work on them. */
function Gallery() {
  const [night, setNight] = useState(false)
  const [phone, setPhone] = useState(false)
  return (
    <div data-theme={night ? 'night' : 'day'} className="bg-paper text-ink min-h-screen p-6 grid gap-8">
      <header className="flex gap-6 items-baseline">
        <h1 className="h1">Gallery</h1>
        <button type="button" className="third" onClick={() => setNight(!night)}>
          {night ? 'Day' : 'Night'}
        </button>
        <button type="button" className="third" onClick={() => setPhone(!phone)}>
          {phone ? 'Wide' : '390 px'}
        </button>
      </header>
      {exhibits.map(({ title, states }) => (
        <section key={title} aria-label={title} className="grid gap-4">
          <h2 className="h2">{title}</h2>
          {Object.entries(states).map(([state, element]) => (
            <figure key={state} style={{ width: phone ? 390 : 1064, maxWidth: '100%' }} className="border border-line">
              <figcaption className="lab px-2 py-1">{state}</figcaption>
              <div className="p-2">{element}</div>
            </figure>
          ))}
        </section>
      ))}
    </div>
  )
}

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <Provider store={createStore()}>
      <MemoryRouter>
        <Gallery />
      </MemoryRouter>
    </Provider>
  </StrictMode>,
)
