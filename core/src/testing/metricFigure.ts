/** A figure in a unit that nobody in the United States reads: not the watts, volts, amperes and hours that all share. */
export const METRIC_FIGURE =
  /(?<![\w.,])[\u2212-]?\d[\d.,]*(?:\s|\u00a0)?(?:°C|K|mm²?|cm²?|m[²³]?|km|L|ml|kPa|Pa|mbar|bar|[kM]J|kg|g|MWh|W\/K|W\/m²K?|L\/(?:min|s|h)|m³\/h|m\/s|kelvins?|metres?|litres?)(?![\w²³/°])/
