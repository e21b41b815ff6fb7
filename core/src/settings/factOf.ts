/** Id of a fact that a plan or a device has: what it is, and of which. */
export const factOf = (what: string, of: string): string => `${what}/${of}`
