/**
 * Remembers what is made of an object for as long as that object lives: many rules ask the same of one chain or one context. Documents and
 * what is derived from them are never changed in place, so the same object has the same answer.
 */
export function remembered<K extends object, V>(make: (of: K) => V): (of: K) => V {
  const made = new WeakMap<K, { readonly value: V }>()
  return (of) => {
    const known = made.get(of)
    if (known) return known.value
    const value = make(of)
    made.set(of, { value })
    return value
  }
}

/** The same for what is made of two objects together. */
export function rememberedOfBoth<K extends object, L extends object, V>(
  make: (of: K, and: L) => V,
): (of: K, and: L) => V {
  const by = remembered((of: K) => remembered((and: L) => make(of, and)))
  return (of, and) => by(of)(and)
}

/** The same for what is made with one of a few words. */
export function rememberedByWord<K extends string, V>(make: (of: K) => V): (of: K) => V {
  const made = new Map<K, { readonly value: V }>()
  return (of) => {
    const known = made.get(of) ?? { value: make(of) }
    made.set(of, known)
    return known.value
  }
}
