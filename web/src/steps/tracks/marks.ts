/** So many performers' marks fit into a row of the tracks. */
export const MOST_MARKS = 7
