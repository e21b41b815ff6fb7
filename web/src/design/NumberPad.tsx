import { Delete } from 'lucide-react'

/** Number pad for a thumb: digits, sign, decimal point. It types into whatever holds the text. */
export function NumberPad({
  text,
  onText,
  onNone,
  none = 'no reading',
}: {
  text: string
  onText: (text: string) => void
  onNone: () => void
  none?: string
}) {
  const key = (label: string, name: string, press: () => void, more = '') => (
    <button
      key={name}
      type="button"
      aria-label={name}
      className={`border-r border-b border-line bg-bench h-14 text-[24px] flex items-center justify-center ${more}`}
      onClick={press}
    >
      {label === 'del' ? <Delete size={24} strokeWidth={1.5} /> : label}
    </button>
  )
  const digit = (d: string) => key(d, d, () => onText(text + d))
  return (
    <div className="grid grid-cols-4 border-t border-ink -mx-4 -mt-3 mb-1" role="group" aria-label="Number pad">
      {['7', '8', '9'].map(digit)}
      {key('del', 'Delete', () => onText(text.slice(0, -1)))}
      {['4', '5', '6'].map(digit)}
      {key('clear', 'Clear', () => onText(''), 'cond !text-[18px]')}
      {['1', '2', '3'].map(digit)}
      {key(none, none, onNone, 'row-span-2 h-full cond !text-[18px] leading-5 px-2')}
      {key('\u2212', 'Minus', () => onText(/^[-\u2212]/.test(text) ? text.slice(1) : `\u2212${text}`))}
      {digit('0')}
      {key('.', 'Point', () => onText(text.includes('.') ? text : `${text || '0'}.`))}
    </div>
  )
}
