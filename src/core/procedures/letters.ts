/**
 * Letters display: groups that share a letter do not differ. Each letter stands for a largest set of groups of which no
 * two differ (a maximal clique), so every pattern of differences is shown without contradiction.
 * Source: Piepho (2004) for the display; Bron & Kerbosch (1973) for the sets.
 * @param count number of groups, in the order they are to be lettered
 * @param differ whether two groups differ
 * @returns each group's letters, "a", "ab" …
 */
export function letters(count: number, differ: (a: number, b: number) => boolean): string[] {
  const alike = (a: number, b: number): boolean => a !== b && !differ(a, b);
  const cliques: number[][] = [];
  const grow = (chosen: number[], open: number[], closed: number[]): void => {
    if (open.length === 0 && closed.length === 0) {
      cliques.push(chosen);
      return;
    }
    // A pivot alike to most of the open ones spares the search those.
    const score = (g: number): number => open.filter((o) => alike(g, o)).length;
    const pivot = [...open, ...closed].reduce((best, g) => (score(g) > score(best) ? g : best));
    for (const g of open.filter((o) => !alike(pivot, o))) {
      grow(
        [...chosen, g],
        open.filter((o) => alike(g, o)),
        closed.filter((c) => alike(g, c)),
      );
      open = open.filter((o) => o !== g);
      closed = [...closed, g];
    }
  };
  grow(
    [],
    Array.from({ length: count }, (_, i) => i),
    [],
  );
  const sorted = cliques
    .map((c) => c.sort((x, y) => x - y))
    .sort((x, y) => x.reduce((order, g, i) => order || g - (y[i] ?? Infinity), 0) || x.length - y.length);
  const name = (i: number): string =>
    i < 26 ? String.fromCharCode(97 + i) : name(Math.floor(i / 26) - 1) + name(i % 26);
  return Array.from({ length: count }, (_, g) =>
    sorted.map((clique, i) => (clique.includes(g) ? name(i) : '')).join(''),
  );
}
