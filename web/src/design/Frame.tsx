import { Moon, Search, Sun } from 'lucide-react'
import { themeTurned } from '../state/viewSlice'
import { useAppDispatch, useAppSelector } from '../state/store'

/** The mark: a rule with heat on one side and cold on the other. */
export const Mark = () => (
  <svg width="20" height="28" viewBox="0 0 20 28" aria-hidden>
    <rect x="9" width="2" height="28" fill="var(--ink)" />
    <rect y="14" width="9" height="9" fill="var(--heat)" />
    <rect x="11" y="5" width="9" height="9" fill="var(--cold)" />
  </svg>
)

/** Day or night. */
export function ThemeButton() {
  const dispatch = useAppDispatch()
  const theme = useAppSelector((state) => state.view.theme)
  return (
    <button
      type="button"
      className="w-14 max-md:w-11 flex-none grid place-items-center !border-r-0"
      aria-label={theme === 'day' ? 'Night' : 'Day'}
      onClick={() => dispatch(themeTurned())}
    >
      {theme === 'day' ? <Moon size={20} strokeWidth={1.5} /> : <Sun size={20} strokeWidth={1.5} />}
    </button>
  )
}

/** Opens what finds anything; its key stands on it. */
export function FindButton({ onFind }: { readonly onFind: () => void }) {
  return (
    <button
      type="button"
      className="title-cell border-l border-line !py-0 flex items-center gap-3"
      aria-label="Find anything"
      onClick={onFind}
    >
      <Search size={18} strokeWidth={1.5} aria-hidden />
      <span className="not-phone text-ink2">Find anything</span>
      <kbd className="mono not-phone">/</kbd>
    </button>
  )
}
