/** The shelf is being looked through, and how to end that. */
export function LookingThrough({ onStop }: { onStop: () => void }) {
  return (
    <div className="grid gap-2" role="status">
      <progress className="w-full" aria-label="Looking through the shelf" />
      <button type="button" className="third min-h-10 max-md:min-h-12" onClick={onStop}>
        Stop looking
      </button>
    </div>
  )
}
