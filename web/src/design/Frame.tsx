import { Moon, Sun } from 'lucide-react'
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
