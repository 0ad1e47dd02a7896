/** Gauss–Legendre quadrature, with a rule for integrands that have one peak. */
import { nth } from './nth';

/** Nodes and weights on [−1, 1], found by Newton's method on the Legendre polynomial. */
function legendre(n: number): { nodes: Float64Array; weights: Float64Array } {
  const nodes = new Float64Array(n);
  const weights = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    let x = Math.cos((Math.PI * (i + 0.75)) / (n + 0.5));
    let slope = 1;
    for (let step = 0; step < 100; step++) {
      let previous = 1;
      let value = x;
      for (let k = 2; k <= n; k++) [previous, value] = [value, ((2 * k - 1) * x * value - (k - 1) * previous) / k];
      slope = (n * (x * value - previous)) / (x * x - 1);
      const move = value / slope;
      x -= move;
      if (Math.abs(move) < 1e-16) break;
    }
    nodes[i] = x;
    weights[i] = 2 / ((1 - x * x) * slope * slope);
  }
  return { nodes, weights };
}

const rule = legendre(24);

/** ∫ f over [from, to] in equal panels of 24 points each: exact for polynomials to degree 47 on each panel. */
export function integrate(f: (x: number) => number, from: number, to: number, panels = 4): number {
  const width = (to - from) / panels;
  let total = 0;
  for (let panel = 0; panel < panels; panel++) {
    const centre = from + (panel + 0.5) * width;
    for (let i = 0; i < 24; i++) total += nth(rule.weights, i) * f(centre + (nth(rule.nodes, i) * width) / 2);
  }
  return (total * width) / 2;
}

/**
 * ∫ f over [from, to], panels halved wherever their halves do not add up to them: for integrands that turn sharply
 * somewhere. Twelve digits are asked of the sum: rounding may leave no more.
 * @param panels to begin with
 */
export function integrateAdaptively(f: (x: number) => number, from: number, to: number, panels: number): number {
  const width = (to - from) / panels;
  const parts = Array.from({ length: panels }, (_, i) => {
    const [a, b] = [from + i * width, i === panels - 1 ? to : from + (i + 1) * width];
    return { a, b, whole: integrate(f, a, b, 1) };
  });
  const size = parts.reduce((s, p) => s + Math.abs(p.whole), 0);
  const refined = (a: number, b: number, whole: number, depth: number): number => {
    const middle = (a + b) / 2;
    const [left, right] = [integrate(f, a, middle, 1), integrate(f, middle, b, 1)];
    return depth === 0 || Math.abs(left + right - whole) <= 1e-12 * size
      ? left + right
      : refined(a, middle, left, depth - 1) + refined(middle, b, right, depth - 1);
  };
  return parts.reduce((s, { a, b, whole }) => s + refined(a, b, whole, 7), 0);
}

/**
 * Step for the product of k normal curves and tails, divided by √k: such an integrand grows as exp(k y²/2) off the real
 * line, so that steps of h err by exp(−2π²/(k h²)), here 1e-16.
 */
export const smoothStep = 0.73;

/**
 * ∫ f over [from, to] by equal steps, for a smooth f that has died away at both ends: the error then falls
 * exponentially with the number of steps, and fewer are needed than by any rule for panels. Source: Trefethen & Weideman
 * (2014).
 */
export function trapezoid(f: (x: number) => number, from: number, to: number, step: number): number {
  const count = Math.max(8, Math.ceil((to - from) / step));
  const width = (to - from) / count;
  let total = (f(from) + f(to)) / 2;
  for (let i = 1; i < count; i++) total += f(from + i * width);
  return total * width;
}

/**
 * ∫ exp(logDensity) over (from, to), for a log-concave integrand: the peak is found first, then the stretch where the
 * integrand is within e^−42 of it is integrated. Relative accuracy holds however small the integral is.
 */
export function integratePeaked(logIntegrand: (x: number) => number, from: number, to: number, start: number): number {
  let low = from;
  let high = to;
  let scale = Math.max(1, Math.abs(start)) / 8;
  // Bracket the peak by walking uphill, then narrow by golden section.
  let best = start;
  let top = logIntegrand(start);
  for (let walk = 0; walk < 200; walk++) {
    const left = from === -Infinity ? best - scale : Math.max(from + (best - from) * 1e-3, best - scale);
    const right = to === Infinity ? best + scale : Math.min(to - (to - best) * 1e-3, best + scale);
    const atLeft = logIntegrand(left);
    const atRight = logIntegrand(right);
    if (atLeft <= top && atRight <= top) {
      low = left;
      high = right;
      break;
    }
    if (atLeft > atRight) [best, top] = [left, atLeft];
    else [best, top] = [right, atRight];
    scale *= 1.5;
  }
  const golden = (Math.sqrt(5) - 1) / 2;
  for (let step = 0; step < 40; step++) {
    const x1 = high - golden * (high - low);
    const x2 = low + golden * (high - low);
    if (logIntegrand(x1) > logIntegrand(x2)) high = x2;
    else low = x1;
  }
  best = (low + high) / 2;
  top = logIntegrand(best);
  if (top === -Infinity) return 0;
  const edge = (direction: -1 | 1, limit: number): number => {
    let reach = Math.max(1e-4, Math.abs(best) * 1e-3);
    for (let step = 0; step < 200; step++) {
      const x = best + direction * reach;
      if (direction * (x - limit) >= 0) return limit;
      if (logIntegrand(x) < top - 42) return x;
      reach *= 1.25;
    }
    return limit;
  };
  const left = edge(-1, from);
  const right = edge(1, to);
  const height = (x: number): number => Math.exp(logIntegrand(x) - top);
  return Math.exp(top) * (integrateAdaptively(height, left, best, 2) + integrateAdaptively(height, best, right, 2));
}
