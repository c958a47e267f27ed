package vividlantern.readiness.cues;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import vividlantern.ears.OutletNote;
import vividlantern.ears.WayToEars;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;

/**
 * A way of a cue to somebody's ears, and how loud it was there while the song played.
 *
 * @param spl A-weighted, in dB SPL
 */
record LoudWay(Cue cue, WayToEars way, double spl) {

    /** All of which both the way and the level are known. */
    static Stream<LoudWay> of(Session session, Rig rig, Map<CueId, Double> atEars, List<OutletNote> outlets) {
        return session.cues().stream()
                .filter(cue -> atEars.containsKey(cue.id()))
                .flatMap(cue -> WayToEars.of(cue, session, rig, outlets).stream()
                        .flatMap(way -> way.spl(atEars.get(cue.id())).map(spl -> new LoudWay(cue, way, spl)).stream()));
    }
}
