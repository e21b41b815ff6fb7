/** Words of other practices, and their volts, that no page says in this one. */
export const FOREIGN_WORDS = {
  us: /residual[- ]current|\bRCD\b|\bmains\b|\bearth(?:ed|ing|s)?\b|\bscreed\b|\bextra-low\b|\b(?:230|400)[ \u00a0]V\b|\b30[ \u00a0]mA\b|summer stop|heating curve|\blimiters?\b|\bby-pass|\bpermissives?\b|\bset-back\b|\bisolators?\b/i,
  uk: /residual-current device|protective earth|\blimiters?\b|\bpermissives?\b|heating curve|summer stop|\bsetpoints?\b/i,
} as const
