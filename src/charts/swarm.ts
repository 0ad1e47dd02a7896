/**
 * Places points along an axis so that none covers another: each takes the free place nearest the line, in order of
 * value. Where a point would leave its room, it stays at the room's edge and the points overlap there.
 * @param along positions on the axis, in drawing units
 * @param gap least distance between centres
 * @param room how far sideways a point may go
 * @param side −1 or 1 to push to one side only
 * @returns sideways shift of each point, in the order given
 */
export function swarm(along: readonly number[], gap: number, room: number, side?: 1 | -1): number[] {
  const shifts = new Array<number>(along.length).fill(0);
  const order = along.map((_, i) => i).sort((i, j) => (along[i] ?? 0) - (along[j] ?? 0));
  const placed: { at: number; shift: number }[] = [];
  let first = 0;
  for (const i of order) {
    const at = along[i] ?? 0;
    while (first < placed.length && at - (placed[first]?.at ?? 0) >= gap) first += 1;
    const near = placed.slice(first);
    // The free places touch a neighbour or lie on the line itself.
    const candidates = [0];
    for (const p of near) {
      const reach = Math.sqrt(Math.max(0, gap * gap - (at - p.at) ** 2));
      candidates.push(p.shift + reach, p.shift - reach);
    }
    let best = side ? side * room : room;
    let found = false;
    for (const c of candidates) {
      if (Math.abs(c) > room || (side && c * side < 0) || (found && Math.abs(c) >= Math.abs(best))) continue;
      if (near.every((p) => (at - p.at) ** 2 + (c - p.shift) ** 2 >= gap * gap * 0.999)) {
        best = c;
        found = true;
      }
    }
    shifts[i] = best;
    placed.push({ at, shift: best });
  }
  return shifts;
}

/**
 * Sideways shifts for too many points to be kept apart: each stretch of the axis is filled evenly, as far out as it is
 * crowded, so that the outline tells where the readings lie.
 * @param stretch length of axis taken together, in drawing units
 */
export function silhouette(along: readonly number[], stretch: number, room: number, side?: 1 | -1): number[] {
  const bins = new Map<number, number>();
  const binOf = (at: number): number => Math.floor(at / stretch);
  for (const at of along) bins.set(binOf(at), (bins.get(binOf(at)) ?? 0) + 1);
  let fullest = 1;
  for (const count of bins.values()) fullest = Math.max(fullest, count);
  const placed = new Map<number, number>();
  return along.map((at) => {
    const bin = binOf(at);
    const rank = placed.get(bin) ?? 0;
    placed.set(bin, rank + 1);
    // Steps of the golden ratio fill a stretch evenly at every stage.
    const even = (rank * 0.6180339887) % 1;
    const reach = (room * (bins.get(bin) ?? 0)) / fullest;
    return side ? side * even * reach : (2 * even - 1) * reach;
  });
}
