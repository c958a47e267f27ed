package vividlantern.mix;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackWay;
import vividlantern.session.TrackWay.Out;
import vividlantern.session.TrackWay.Side;

/**
 * What tracks send out by outputs: edges into the buses of output pairs. By a pair that performers hear it leaves as what cues hear does: its
 * gains rise gently, a cut of headphones cuts it, and the pair's guard stands behind it. Nothing of it waits for later tracks.
 */
final class SentOut {

    private final Session session;
    private final Rig rig;
    private final LiveState live;
    private final TrackGains heard;
    private final TrackStrips strips;

    SentOut(Session session, Rig rig, LiveState live, TrackGains heard, TrackStrips strips) {
        this.session = session;
        this.rig = rig;
        this.live = live;
        this.heard = heard;
        this.strips = strips;
    }

    /** The pairs by which something is sent out, as far as the engine reaches them; those of the speakers, if they have become that, are none. */
    static Stream<StereoPair> pairs(Session session, Rig rig) {
        return session.ways().stream().flatMap(way -> pairs(way, session, rig)).distinct();
    }

    private static Stream<StereoPair> pairs(TrackWay way, Session session, Rig rig) {
        return way.outs().stream()
                .flatMap(out -> rig.outputPair(out.pair()).stream())
                .filter(pair -> rig.isDriven(pair) && session.main().leavesFree(pair));
    }

    /** The tracks of which performers hear something because it is sent out. */
    static Stream<Track> heardByPerformers(Session session, Rig rig) {
        return session.ways().stream()
                .filter(way ->
                        pairs(way, session, rig).anyMatch(pair -> SessionBuses.isHeardByPerformers(session, pair)))
                .flatMap(way -> session.find(way.track()).stream());
    }

    List<MixPlan.Edge> edgesInto(StereoPair pair) {
        List<MixPlan.Edge> edges = new ArrayList<>();
        session.ways().stream()
                .filter(way -> pairs(way, session, rig).anyMatch(pair::equals))
                .forEach(way -> session.find(way.track())
                        .ifPresent(track -> way.outs().stream()
                                .filter(out -> out.pair().equals(pair.id()))
                                .forEach(out -> add(track, out, pair, edges))));
        return edges;
    }

    private void add(Track track, Out out, StereoPair pair, List<MixPlan.Edge> edges) {
        String tap = out.tap().name();
        boolean toPerformers = SessionBuses.isHeardByPerformers(session, pair);
        double gain = live.tests(pair) ? 0 : heard.gainOut(track, out);
        int[] sources = heard.sources(track);
        String[] paths = strips.pathsOf(track, tap);
        for (int channel = 0; channel < sources.length; channel++) {
            if (sources[channel] != TrackGains.NO_SOURCE) {
                double here = gain * heard.factor(track, channel, TrackStrips.isAtInput(tap));
                edges.add(new MixPlan.Edge(
                        paths[channel] + "|out " + out.side(),
                        strips.originOut(track, out, channel, toPerformers),
                        0,
                        here * left(track, out.side(), channel),
                        here * right(track, out.side(), channel),
                        toPerformers,
                        Optional.empty()));
            }
        }
    }

    private static double left(Track track, Side side, int channel) {
        return switch (side) {
            case BOTH -> Fold.left(track.width(), channel, track.pan());
            case LEFT -> Fold.mono(track.width(), channel);
            case RIGHT -> 0;
        };
    }

    private static double right(Track track, Side side, int channel) {
        return switch (side) {
            case BOTH -> Fold.right(track.width(), channel, track.pan());
            case LEFT -> 0;
            case RIGHT -> Fold.mono(track.width(), channel);
        };
    }
}
