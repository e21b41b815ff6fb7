/** Shape of a step by its verdict. */
export const stepShape = { waiting: 'waiting', fits: 'fits', look: 'look' } as const
