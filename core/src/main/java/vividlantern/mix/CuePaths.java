package vividlantern.mix;

import java.util.List;
import java.util.Optional;
import vividlantern.hardware.DirectGain;
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.Cue;
import vividlantern.session.Session;

/** What reaches those who hear a cue: by the engine, and by the interface's own matrix. */
public final class CuePaths {

    /** A factor to each side. */
    public record Sides(double left, double right) {

        public boolean isSilent() {
            return left == 0 && right == 0;
        }

        private Sides plus(double moreLeft, double moreRight) {
            return new Sides(left + moreLeft, right + moreRight);
        }
    }

    private static final Sides SILENT = new Sides(0, 0);

    private final Session session;
    private final Rig rig;
    private final List<MixPlan.Bus> buses;
    private final List<DirectGain> direct;

    public CuePaths(Session session, Rig rig, LiveState live) {
        this.session = session;
        this.rig = rig;
        buses = new SessionBuses(session, rig, live).all();
        direct = DirectWays.of(session, rig, live);
    }

    /** What of an engine's input arrives at a cue's output pair by the engine, all cues that leave there together. */
    public Sides byEngine(int input, Cue cue) {
        Sides sides = SILENT;
        for (MixPlan.Bus bus : buses) {
            if (bus.into().equals(cue.output().map(SessionBuses::keyOf))) {
                for (MixPlan.Edge edge : bus.edges()) {
                    if (edge.origin() instanceof MixPlan.Source source && source.wire() == input) {
                        sides = sides.plus(edge.left(), edge.right());
                    }
                }
            }
        }
        return sides;
    }

    /** What of an engine's input arrives there by the interface's own matrix. */
    public Sides direct(int input, Cue cue) {
        Optional<StereoPair> pair = cue.output().flatMap(rig::outputPair);
        Optional<Integer> left = pair.flatMap(each -> rig.engineOutput(each.left()));
        Optional<Integer> right = pair.flatMap(each -> rig.engineOutput(each.right()));
        Sides sides = SILENT;
        for (DirectGain way : direct) {
            if (way.input() == input) {
                sides = sides.plus(
                        left.equals(Optional.of(way.output())) ? way.gain() : 0,
                        right.equals(Optional.of(way.output())) ? way.gain() : 0);
            }
        }
        return sides;
    }

    /** By how many frames the effects on the way through a cue and its output pair delay. */
    public int processingFrames(Cue cue) {
        Optional<PairId> output = cue.output();
        return output.stream()
                .flatMap(pair -> buses.stream()
                        .filter(bus -> bus.key().equals(cue.id() + "@" + pair)
                                || bus.key().equals(SessionBuses.keyOf(pair))))
                .flatMap(bus -> bus.chain().stream())
                .mapToInt(insert ->
                        insert.settings().make(session.sampleRate(), 1).latencyFrames())
                .sum();
    }
}
