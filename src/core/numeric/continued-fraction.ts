/**
 * The continued fraction b₀ + a₁/(b₁ + a₂/(b₂ + …)), by the method of Lentz (1976) as modified by Thompson & Barnett
 * (1986).
 * @param part aₖ and bₖ, k from 1
 */
export function continued(first: number, part: (k: number) => readonly [a: number, b: number]): number {
  const tiny = 1e-290;
  let value = first || tiny;
  let c = value;
  let d = 0;
  for (let k = 1; k < 1e7; k++) {
    const [a, b] = part(k);
    d = 1 / (b + a * d || tiny);
    c = b + a / c || tiny;
    const change = c * d;
    value *= change;
    if (Math.abs(change - 1) < 3e-16) break;
  }
  return value;
}
