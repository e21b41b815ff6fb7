/** One thing that switches by itself: a control, an input, an alarm. */
export interface Unit {
  /** Whether it holds, for those that name it in an expression. */
  readonly holds: boolean
  /** Does what is due now. */
  act(): void
  /** Says what it waits for: a temperature, a time. Only what would change something: a watch that is true already is not set. */
  arm(): void
  /** Calls what it drives. */
  give(): void
}
