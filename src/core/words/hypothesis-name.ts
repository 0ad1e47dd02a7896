/** A name inside TeX, its own signs made harmless. */
export const hypothesisName = (name: string): string => `\\text{${name.replace(/[\\{}$%&#_^~]/g, ' ')}}`;
