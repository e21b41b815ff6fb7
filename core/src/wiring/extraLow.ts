/** Up to here a voltage counts as extra-low, V AC. Source: IEC 61140. */
export const EXTRA_LOW_V = 50
