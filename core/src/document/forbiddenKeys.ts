/** Names that reach into an object's prototype instead of its entries: looked up in any map they find something that is not there. */
export const forbiddenKeys: ReadonlySet<string> = new Set([
  ...Object.getOwnPropertyNames(Object.prototype),
  'prototype',
])
