export type ShapeKind = 'stop' | 'look' | 'fits' | 'note' | 'waiting'

const words: Record<ShapeKind, string> = {
  stop: 'stop',
  look: 'look again',
  fits: 'fits',
  note: 'note',
  waiting: 'waits',
}

/** Verdict shape on a 16 grid: never colour alone. Labelled unless the word stands beside it. */
export function Shape({ kind, size = 14, labelled = false }: { kind: ShapeKind; size?: number; labelled?: boolean }) {
  const name = labelled ? { role: 'img', 'aria-label': words[kind] } : { 'aria-hidden': true as const }
  return (
    <svg width={size} height={size} viewBox="0 0 16 16" className="flex-none" {...name}>
      {kind === 'stop' && (
        <>
          <path d="M4.7 0H11.3L16 4.7V11.3L11.3 16H4.7L0 11.3V4.7Z" fill="var(--stop)" />
          <path d="M4 8H12" stroke="var(--on-solid)" strokeWidth="2.4" />
        </>
      )}
      {kind === 'look' && (
        <>
          <path d="M8 .8L16 15.2H0Z" fill="var(--look)" />
          <path d="M8 5.4V10.2" stroke="var(--on-solid)" strokeWidth="1.9" />
          <circle cx="8" cy="12.6" r="1.1" fill="var(--on-solid)" />
        </>
      )}
      {kind === 'fits' && <path d="M1.5 8.8L6 13.2L14.6 2.8" fill="none" stroke="var(--fits)" strokeWidth="2.6" />}
      {kind === 'note' && <circle cx="8" cy="8" r="5" fill="var(--note)" />}
      {kind === 'waiting' && <circle cx="8" cy="8" r="5" fill="none" stroke="var(--edge)" strokeWidth="1.5" />}
    </svg>
  )
}
