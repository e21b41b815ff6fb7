/** Hours of a time in seconds. */
export const hours = (seconds: number) => seconds / 3600
