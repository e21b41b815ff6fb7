/** A plan that a display cannot be set to: what is asked and what it takes, as the display writes them. */
export interface Beyond {
  readonly asks: string
  readonly takes: string
}

/**
 * The same as a sentence.
 * @example beyondWords({ asks: '0.1 K', takes: '0.5 to 20.0 K' }) // 'The plan asks for 0.1 K; it takes 0.5 to 20.0 K.'
 */
export const beyondWords = ({ asks, takes }: Beyond): string => `The plan asks for ${asks}; it takes ${takes}.`
