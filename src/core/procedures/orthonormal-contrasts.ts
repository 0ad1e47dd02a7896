/** Orthonormal contrasts of k conditions, each against the mean of those before it, as rows. Source: Helmert (1876). */
export const orthonormalContrasts = (k: number): number[][] =>
  Array.from({ length: k - 1 }, (_, i) => {
    const size = Math.sqrt((i + 1) * (i + 2));
    return Array.from({ length: k }, (__, j) => (j <= i ? 1 / size : j === i + 1 ? -(i + 1) / size : 0));
  });
