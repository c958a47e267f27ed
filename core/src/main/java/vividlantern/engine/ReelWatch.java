package vividlantern.engine;

import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import vividlantern.playback.Reel;
import vividlantern.session.Session;
import vividlantern.session.Track;

/** Looks now and then whether backing tracks play: why one does not is said, what was read too late is an incident. */
final class ReelWatch {

    private final Incidents incidents;
    /** How much was missing of each at the last look. */
    private Map<Reel, Long> missingBefore = Map.of();

    ReelWatch(Incidents incidents) {
        this.incidents = incidents;
    }

    /** Why one of them does not play; "" if all do. One that is new has until the next look to be opened. */
    String look(List<Reel> reels, Session session) {
        Map<Reel, Long> before = missingBefore;
        Map<Reel, Long> now = new IdentityHashMap<>();
        long late = 0;
        for (Reel reel : reels) {
            long missing = reel.missing();
            late += missing - before.getOrDefault(reel, 0L);
            now.put(reel, missing);
        }
        missingBefore = now;
        if (late > 0) {
            incidents.slowDisk(1000.0 * late / session.sampleRate(), session.bufferFrames());
        }
        return reels.stream()
                .filter(reel -> !reel.fault().isEmpty() || !reel.isReady() && before.containsKey(reel))
                .findFirst()
                .map(reel -> why(reel, session))
                .orElse("");
    }

    private static String why(Reel reel, Session session) {
        String track = session.find(reel.track()).map(Track::name).orElse(reel.name());
        return reel.fault().isEmpty()
                ? track + " is silent while its file is brought to the session's rate."
                : track + " does not play: " + reel.fault();
    }
}
