package vividlantern.engine;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import vividlantern.mix.MixState;
import vividlantern.session.Session;

/** Looks now and then whether an effect met an error, since when its track is heard without it. */
final class EffectWatch {

    private static final System.Logger LOG = System.getLogger(EffectWatch.class.getName());

    private final Set<RuntimeException> told = new HashSet<>();

    /** Which effect did, in a sentence; "" if none. */
    String look(MixState state, Session session) {
        List<MixState.Failed> failed = state.failed(session);
        for (MixState.Failed each : failed) {
            if (told.add(each.error())) {
                LOG.log(System.Logger.Level.ERROR, words(each), each.error());
            }
        }
        return failed.stream().findFirst().map(EffectWatch::words).orElse("");
    }

    private static String words(MixState.Failed failed) {
        return "The " + failed.effect() + " on " + failed.track().name()
                + " met an error, and the sound goes past it now."
                + " Take it out and put it in again to try it anew.";
    }
}
