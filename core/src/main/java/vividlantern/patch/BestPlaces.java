package vividlantern.patch;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.List;

/**
 * The best way to give each of some wishes a place, where a place takes one seat or several, and some places share a switch
 * that one wish needs on and another off. Branch and bound (Land and Doig 1960): each channel by itself is an
 * {@link Assignment}, which is never worse than what can be; where it tears a wish apart or wants a switch both ways, each way
 * out is tried. The answer is the same each time.
 */
final class BestPlaces {

    /** What a wish wants of the switches of its place. */
    enum Switch {
        ON,
        OFF,
        EITHER
    }

    /**
     * A place for a wish.
     *
     * @param seats one for each channel
     * @param switches those that it depends on
     * @param worth what it is worth to have it, above 0
     */
    record Place(int[] seats, int[] switches, long worth) {

        private boolean dependsOn(int which) {
            return Arrays.stream(switches).anyMatch(each -> each == which);
        }
    }

    /** Something that wants one of its places. */
    record Wish(Switch wants, List<Place> places) {}

    /** So many steps of assignments are made at most; then the best that was found is given. */
    private static final long MOST_STEPS = 600_000_000L;

    private final List<Wish> wishes;
    private final int seats;
    private final int switches;
    private int[] best;
    private long bestWorth = -1;
    private long steps;

    private BestPlaces(List<Wish> wishes, int seats, int switches) {
        this.wishes = wishes;
        this.seats = seats;
        this.switches = switches;
        best = new int[wishes.size()];
        Arrays.fill(best, -1);
    }

    /** Which of its places each wish gets; -1 for none. */
    static int[] find(List<Wish> wishes, int seats, int switches) {
        BestPlaces search = new BestPlaces(wishes, seats, switches);
        search.search();
        return search.best;
    }

    private void search() {
        Deque<boolean[][]> open = new ArrayDeque<>();
        open.push(wishes.stream()
                .map(wish -> {
                    boolean[] all = new boolean[wish.places().size()];
                    Arrays.fill(all, true);
                    return all;
                })
                .toArray(boolean[][]::new));
        while (!open.isEmpty() && (bestWorth < 0 || steps < MOST_STEPS)) {
            boolean[][] allowed = open.pop();
            Relaxed relaxed = new Relaxed(allowed);
            if (relaxed.worth <= bestWorth) {
                continue;
            }
            int unsettled = relaxed.torn();
            int wantedBoth = relaxed.wantedBothWays();
            if (unsettled < 0 && wantedBoth < 0) {
                if (relaxed.trueWorth() > bestWorth) {
                    best = relaxed.chosen;
                    bestWorth = relaxed.trueWorth();
                }
                unsettled = relaxed.overrated();
            }
            if (unsettled >= 0) {
                int place = relaxed.nearest(unsettled);
                open.push(without(allowed, unsettled, place));
                open.push(only(allowed, unsettled, place));
            } else if (wantedBoth >= 0) {
                open.push(without(allowed, wantedBoth, Switch.ON));
                open.push(without(allowed, wantedBoth, Switch.OFF));
            }
        }
    }

    /** With a place for this wish and its seats for nobody else. */
    private boolean[][] only(boolean[][] allowed, int wish, int place) {
        int[] taken = wishes.get(wish).places().get(place).seats();
        boolean[][] next = new boolean[allowed.length][];
        for (int other = 0; other < next.length; other++) {
            next[other] = allowed[other].clone();
            for (int at = 0; at < next[other].length; at++) {
                next[other][at] &= other == wish
                        ? at == place
                        : !meets(wishes.get(other).places().get(at).seats(), taken);
            }
        }
        return next;
    }

    private static boolean meets(int[] some, int[] others) {
        return Arrays.stream(some).anyMatch(seat -> Arrays.stream(others).anyMatch(other -> other == seat));
    }

    private static boolean[][] without(boolean[][] allowed, int wish, int place) {
        boolean[][] next = allowed.clone();
        next[wish] = allowed[wish].clone();
        next[wish][place] = false;
        return next;
    }

    /** Without any place behind a switch for those who want it so. */
    private boolean[][] without(boolean[][] allowed, int which, Switch wanted) {
        boolean[][] next = allowed.clone();
        for (int wish = 0; wish < wishes.size(); wish++) {
            if (wishes.get(wish).wants() != wanted) {
                continue;
            }
            next[wish] = allowed[wish].clone();
            for (int place = 0; place < next[wish].length; place++) {
                next[wish][place] &= !wishes.get(wish).places().get(place).dependsOn(which);
            }
        }
        return next;
    }

    /** The best assignment of channels to seats, each by itself, within what is allowed. */
    private final class Relaxed {

        private final boolean[][] allowed;
        private final int[][] seatOf;
        /** The place that each wish got; -1 for none, also where it is torn apart. */
        private final int[] chosen;

        /** What the channels of each wish see. */
        private final long[] seen;

        private long worth;

        private Relaxed(boolean[][] allowed) {
            this.allowed = allowed;
            List<long[]> rows = new ArrayList<>();
            int[] firstRow = new int[wishes.size()];
            for (int wish = 0; wish < wishes.size(); wish++) {
                firstRow[wish] = rows.size();
                rows.addAll(rows(wish));
            }
            int[] columnOf = Assignment.best(rows.toArray(long[][]::new), seats);
            steps += (long) rows.size() * rows.size() * (seats + rows.size());
            seen = new long[wishes.size()];
            seatOf = new int[wishes.size()][];
            chosen = new int[wishes.size()];
            for (int wish = 0; wish < wishes.size(); wish++) {
                seatOf[wish] = Arrays.copyOfRange(columnOf, firstRow[wish], firstRow[wish] + width(wish));
                for (int row = firstRow[wish]; row < firstRow[wish] + width(wish); row++) {
                    seen[wish] += columnOf[row] < 0 ? 0 : rows.get(row)[columnOf[row]];
                }
                worth += seen[wish];
                chosen[wish] = placeAt(wish);
            }
        }

        private int width(int wish) {
            List<Place> places = wishes.get(wish).places();
            return places.isEmpty() ? 0 : places.get(0).seats().length;
        }

        /** A row for each channel: what the best place with that channel there is worth, shared evenly. */
        private List<long[]> rows(int wish) {
            int width = width(wish);
            List<long[]> rows = new ArrayList<>();
            for (int channel = 0; channel < width; channel++) {
                long[] row = new long[seats];
                Arrays.fill(row, Assignment.NEVER);
                rows.add(row);
            }
            List<Place> places = wishes.get(wish).places();
            for (int at = 0; at < places.size(); at++) {
                Place place = places.get(at);
                for (int channel = 0; channel < width && allowed[wish][at]; channel++) {
                    long share = place.worth() / width + (channel == 0 ? place.worth() % width : 0);
                    int seat = place.seats()[channel];
                    rows.get(channel)[seat] = Math.max(rows.get(channel)[seat], share);
                }
            }
            return rows;
        }

        private int placeAt(int wish) {
            List<Place> places = wishes.get(wish).places();
            int found = -1;
            for (int at = 0; at < places.size(); at++) {
                boolean here = allowed[wish][at] && Arrays.equals(places.get(at).seats(), seatOf[wish]);
                if (here
                        && (found < 0
                                || places.get(at).worth() > places.get(found).worth())) {
                    found = at;
                }
            }
            return found;
        }

        /** The first wish whose channels are not together at a place of its own; -1 if there is none. */
        private int torn() {
            for (int wish = 0; wish < wishes.size(); wish++) {
                if (chosen[wish] < 0 && Arrays.stream(seatOf[wish]).anyMatch(seat -> seat >= 0)) {
                    return wish;
                }
            }
            return -1;
        }

        /** What the chosen places are worth; of places that share a seat the channels see the best. */
        private long trueWorth() {
            long sum = 0;
            for (int wish = 0; wish < chosen.length; wish++) {
                sum += chosen[wish] < 0
                        ? 0
                        : wishes.get(wish).places().get(chosen[wish]).worth();
            }
            return sum;
        }

        /** The first wish whose channels see more than its place is worth; -1 if there is none. */
        private int overrated() {
            for (int wish = 0; wish < chosen.length; wish++) {
                if (chosen[wish] >= 0
                        && seen[wish]
                                > wishes.get(wish).places().get(chosen[wish]).worth()) {
                    return wish;
                }
            }
            return -1;
        }

        /** The place that most channels of a wish are at already. */
        private int nearest(int wish) {
            List<Place> places = wishes.get(wish).places();
            int nearest = -1;
            int most = -1;
            for (int at = 0; at < places.size(); at++) {
                if (!allowed[wish][at]) {
                    continue;
                }
                int together = 0;
                for (int channel = 0; channel < seatOf[wish].length; channel++) {
                    together += seatOf[wish][channel] == places.get(at).seats()[channel] ? 1 : 0;
                }
                if (together > most
                        || together == most
                                && places.get(at).worth() > places.get(nearest).worth()) {
                    nearest = at;
                    most = together;
                }
            }
            return nearest;
        }

        /** The first switch that is wanted on by one and off by another; -1 if there is none. */
        private int wantedBothWays() {
            boolean[] on = new boolean[switches];
            boolean[] off = new boolean[switches];
            for (int wish = 0; wish < wishes.size(); wish++) {
                if (chosen[wish] < 0) {
                    continue;
                }
                for (int which : wishes.get(wish).places().get(chosen[wish]).switches()) {
                    on[which] |= wishes.get(wish).wants() == Switch.ON;
                    off[which] |= wishes.get(wish).wants() == Switch.OFF;
                }
            }
            for (int which = 0; which < switches; which++) {
                if (on[which] && off[which]) {
                    return which;
                }
            }
            return -1;
        }
    }
}
