/** How many places the rows of a table have; a table without rows has none. */
export const widthOf = (rows: ArrayLike<ArrayLike<unknown>>): number => rows[0]?.length ?? 0;
