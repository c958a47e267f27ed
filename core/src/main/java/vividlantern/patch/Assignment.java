package vividlantern.patch;

import java.util.Arrays;

/**
 * Gives each row a column of its own so that the sum of worths is greatest. Rows are added one by one, each along a shortest
 * augmenting path over reduced costs (Kuhn 1955, Munkres 1957, in the form of Jonker and Volgenant 1987); n²·m steps for n
 * rows and m columns.
 */
final class Assignment {

    /** What can never be. */
    static final long NEVER = Long.MIN_VALUE;

    private static final long FAR = Long.MAX_VALUE / 4;

    private Assignment() {}

    /**
     * The column of each row, or -1 where a row can have none: staying without is worth 0.
     *
     * @param worths by row and column, 0 or more, or {@link #NEVER}
     */
    static int[] best(long[][] worths, int columns) {
        int rows = worths.length;
        // behind the columns each row has one of its own, in which it stays without
        int all = columns + rows;
        long[] ofRow = new long[rows + 1];
        long[] ofColumn = new long[all + 1];
        int[] rowAt = new int[all + 1];
        int[] way = new int[all + 1];
        for (int row = 1; row <= rows; row++) {
            rowAt[0] = row;
            int at = 0;
            long[] least = new long[all + 1];
            Arrays.fill(least, FAR);
            boolean[] used = new boolean[all + 1];
            do {
                used[at] = true;
                int here = rowAt[at];
                long step = FAR;
                int next = 0;
                for (int column = 1; column <= all; column++) {
                    if (used[column]) {
                        continue;
                    }
                    long cost = cost(worths[here - 1], here - 1, column - 1, columns);
                    long reduced = cost >= FAR ? FAR : cost - ofRow[here] - ofColumn[column];
                    if (reduced < least[column]) {
                        least[column] = reduced;
                        way[column] = at;
                    }
                    if (least[column] < step) {
                        step = least[column];
                        next = column;
                    }
                }
                for (int column = 0; column <= all; column++) {
                    if (used[column]) {
                        ofRow[rowAt[column]] += step;
                        ofColumn[column] -= step;
                    } else if (least[column] < FAR) {
                        least[column] -= step;
                    }
                }
                at = next;
            } while (rowAt[at] != 0);
            while (at != 0) {
                rowAt[at] = rowAt[way[at]];
                at = way[at];
            }
        }
        int[] columnOf = new int[rows];
        Arrays.fill(columnOf, -1);
        for (int column = 1; column <= columns; column++) {
            if (rowAt[column] > 0) {
                columnOf[rowAt[column] - 1] = column - 1;
            }
        }
        return columnOf;
    }

    private static long cost(long[] worths, int row, int column, int columns) {
        if (column >= columns) {
            return column - columns == row ? 0 : FAR;
        }
        return worths[column] == NEVER ? FAR : -worths[column];
    }
}
