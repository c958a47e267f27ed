package vividlantern.patch;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.testng.annotations.Test;
import vividlantern.patch.BestPlaces.Place;
import vividlantern.patch.BestPlaces.Switch;
import vividlantern.patch.BestPlaces.Wish;

/** The best way to give everybody a place, against all ways there are. */
public class BestPlacesTest {

    private static final int CASES = 500;

    @Test
    public void itIsAsGoodAsTheBestOfAllWays() {
        for (int seed = 0; seed < CASES; seed++) {
            Case some = new Case(new Random(seed));
            int[] found = BestPlaces.find(some.wishes, some.seats, some.switches);
            assertThat(some.worth(found)).as("seed " + seed).isEqualTo(some.most(new int[some.wishes.size()], 0));
            assertThat(BestPlaces.find(some.wishes, some.seats, some.switches)).isEqualTo(found);
        }
    }

    @Test
    public void aStereoWishIsNotTornApartForAMonoOne() {
        List<Wish> wishes = List.of(
                new Wish(Switch.EITHER, List.of(place(10, 1))),
                new Wish(Switch.EITHER, List.of(place(9, 0, 1), place(8, 2, 3))),
                new Wish(Switch.EITHER, List.of(place(9, 2, 3))));
        assertThat(BestPlaces.find(wishes, 4, 0)).containsExactly(0, -1, 0);
    }

    @Test
    public void whatWantsASwitchOnAndWhatWantsItOffAreKeptApart() {
        Place behind = new Place(new int[] {0}, new int[] {0}, 10);
        Place beside = new Place(new int[] {1}, new int[] {0}, 10);
        Place elsewhere = new Place(new int[] {2}, new int[] {}, 1);
        List<Wish> wishes =
                List.of(new Wish(Switch.ON, List.of(behind)), new Wish(Switch.OFF, List.of(beside, elsewhere)));
        assertThat(BestPlaces.find(wishes, 3, 1)).containsExactly(0, 1);
    }

    @Test
    public void whoHasNoPlaceGetsNone() {
        assertThat(BestPlaces.find(List.of(new Wish(Switch.EITHER, List.of())), 3, 0))
                .containsExactly(-1);
    }

    private static Place place(long worth, int... seats) {
        return new Place(seats, new int[] {}, worth);
    }

    /** Up to five wishes of one to three seats among seven, some behind two switches. */
    private static final class Case {

        private final int seats = 7;
        private final int switches = 2;
        private final List<Wish> wishes = new ArrayList<>();

        private Case(Random random) {
            int count = 1 + random.nextInt(5);
            for (int wish = 0; wish < count; wish++) {
                int width = 1 + random.nextInt(3);
                List<Place> places = new ArrayList<>();
                for (int first = 0; first + width <= seats; first++) {
                    if (random.nextInt(3) > 0) {
                        int[] run = IntStream.range(first, first + width).toArray();
                        int[] behind = IntStream.of(run)
                                .filter(seat -> seat < 6)
                                .map(seat -> seat / 3)
                                .distinct()
                                .toArray();
                        places.add(new Place(run, behind, 100 + random.nextInt(100)));
                    }
                }
                wishes.add(new Wish(Switch.values()[random.nextInt(3)], places));
            }
        }

        /** What a choice is worth; -1 if it cannot be. */
        private long worth(int[] chosen) {
            boolean[] taken = new boolean[seats];
            boolean[] on = new boolean[switches];
            boolean[] off = new boolean[switches];
            long sum = 0;
            for (int wish = 0; wish < chosen.length; wish++) {
                if (chosen[wish] < 0) {
                    continue;
                }
                Place place = wishes.get(wish).places().get(chosen[wish]);
                sum += place.worth();
                for (int seat : place.seats()) {
                    if (taken[seat]) {
                        return -1;
                    }
                    taken[seat] = true;
                }
                for (int which : place.switches()) {
                    on[which] |= wishes.get(wish).wants() == Switch.ON;
                    off[which] |= wishes.get(wish).wants() == Switch.OFF;
                }
            }
            boolean bothWays = IntStream.range(0, switches).anyMatch(which -> on[which] && off[which]);
            return bothWays ? -1 : sum;
        }

        private long most(int[] chosen, int from) {
            if (from == chosen.length) {
                return worth(chosen);
            }
            long most = -1;
            for (int place = -1; place < wishes.get(from).places().size(); place++) {
                chosen[from] = place;
                most = Math.max(most, most(chosen, from + 1));
            }
            return most;
        }
    }
}
