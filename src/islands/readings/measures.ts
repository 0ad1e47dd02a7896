/** Sizes of the grid in pixels. */
export const rowHeight = 26;
export const columnWidth = 148;
export const numberWidth = 56;
