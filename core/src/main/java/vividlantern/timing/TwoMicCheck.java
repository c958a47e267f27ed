package vividlantern.timing;

import java.util.Optional;
import vividlantern.engine.Probe;
import vividlantern.engine.Stay;
import vividlantern.history.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.Session;
import vividlantern.session.SourceKind;
import vividlantern.session.Track;
import vividlantern.session.TrackId;

/** Compares two tracks that hear one source, as listeners get them: with their polarity and shift, without level and pan. */
public final class TwoMicCheck {

    private static final int FRAMES = 1 << 15;

    private TwoMicCheck() {}

    /** Listens for a moment while the session is at the rig; takes less than a second. */
    public static TwoMics of(Stay stay, TrackId first, TrackId second) {
        Session session = stay.session();
        Rig rig = stay.rig();
        Track one = track(session, first, "first");
        Track other = track(session, second, "second");
        if (one.equals(other)) {
            throw new Refused("A track is like itself. Choose another one.", "second");
        }
        int from = source(session, rig, one, "first");
        int to = source(session, rig, other, "second");
        Probe heard = stay.listen(FRAMES);
        return TwoMics.of(
                asHeard(session, one, heard.firstReceived(from)),
                asHeard(session, other, heard.firstReceived(to)),
                session.sampleRate(),
                one.name(),
                other.name(),
                isStruck(session, one) && isStruck(session, other));
    }

    private static Track track(Session session, TrackId id, String field) {
        return session.find(id)
                .orElseThrow(() -> new Refused("There is no track '" + id + "' in this session.", field));
    }

    private static int source(Session session, Rig rig, Track track, String field) {
        if (track.width() != 1 || track.isClick()) {
            throw new Refused(track.name() + " is no mono track of a mic. Choose one that is.", field);
        }
        return session.portOf(track.feeds().get(0))
                .flatMap(port -> rig.engineInput(port, session.sampleRate()))
                .orElseThrow(() -> new Refused("Nothing feeds " + track.name() + ".", field));
    }

    private static float[] asHeard(Session session, Track track, float[] samples) {
        Feed feed = track.feeds().get(0);
        boolean turned = session.inputOf(feed).filter(Input::polarityFlipped).isPresent() != track.polarityFlipped();
        float[] heard = new float[samples.length];
        for (int n = track.shiftFrames(); n < heard.length; n++) {
            float sample = samples[n - track.shiftFrames()];
            heard[n] = turned ? -sample : sample;
        }
        return heard;
    }

    private static boolean isStruck(Session session, Track track) {
        return session.inputOf(track.feeds().get(0))
                .map(Input::source)
                .or(() -> Optional.of(track.name()))
                .flatMap(SourceKind::named)
                .filter(kind -> kind == SourceKind.STRUCK)
                .isPresent();
    }
}
