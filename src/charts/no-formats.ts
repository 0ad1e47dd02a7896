/**
 * The scales of the pictures bring a package that formats numbers for their ticks. Ticks are written by
 * core/scenes/tick-labels instead, so the build puts this in its place: nothing of it is ever called.
 */
const unused = (): never => {
  throw new Error('The numbers of an axis are written by core/scenes/tick-labels.');
};

export {
  unused as format,
  unused as formatPrefix,
  unused as formatSpecifier,
  unused as precisionFixed,
  unused as precisionPrefix,
  unused as precisionRound,
};
