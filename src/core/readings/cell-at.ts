/** What stands in a cell: a row or column that ends before it is empty there. */
export const cellAt = (cells: readonly string[] | undefined, place: number): string => cells?.[place] ?? '';

/** The same without the blanks around it. */
export const textAt = (cells: readonly string[] | undefined, place: number): string => cellAt(cells, place).trim();
