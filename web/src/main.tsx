import { setNonce } from 'get-nonce'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { Provider } from 'react-redux'
import { App } from './app/App'
import { Outbox } from './state/outbox'
import { createStore } from './state/store'
import { OutboxContext } from './loop/outboxContext'
import './styles.css'
import './drawing/drawing.css'
import './loop/loop.css'

// Styles that interface primitives add at run time carry the page's nonce: the policy lets no others in.
setNonce(document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content ?? '')

const store = createStore()
const outbox = new Outbox(store)
void outbox.restore()

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <Provider store={store}>
      <OutboxContext.Provider value={outbox}>
        <App />
      </OutboxContext.Provider>
    </Provider>
  </StrictMode>,
)
