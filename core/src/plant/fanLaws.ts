/**
 * What a fan gives and takes at a part of its speed: flow with it, pressure with its square, power with its cube. Pumps too, where they
 * lift nothing and only push round.
 * Formula: flow n, pressure n², power n³.
 * @param percent of full speed, 0 or more
 * Source: affinity laws of fans and pumps.
 * @example fanLaws(50).powerPercent // 12.5
 */
export function fanLaws(percent: number) {
  const n = percent / 100
  return { flowPercent: 100 * n, pressurePercent: 100 * n ** 2, powerPercent: 100 * n ** 3 }
}
