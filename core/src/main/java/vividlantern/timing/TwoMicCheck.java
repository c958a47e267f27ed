package vividlantern.timing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vividlantern.basics.Refused;
import vividlantern.engine.Stay;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.Session;
import vividlantern.session.SourceKind;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.TrackEdit.SetPolarity;
import vividlantern.session.edit.TrackEdit.SetShift;

/**
 * Compares two tracks that hear one source, as listeners get them: with their polarity and shift, without level and pan.
 *
 * @param steps what can be done about it
 */
public record TwoMicCheck(TwoMics found, List<MicStep> steps) {

    /** Long enough for all that somebody strikes in a bar: a shorter look hears one hand or one skin, and answers differently each time. */
    private static final double SECONDS = 2.5;

    /**
     * Something that brings two mics in line.
     *
     * @param advised whether nothing speaks against it
     */
    public record MicStep(String words, boolean advised, List<Edit> edits) {}

    /** The tracks that can be compared: mono ones of mics. */
    public static List<TrackId> offered(Session session) {
        return session.tracks().stream()
                .filter(TwoMicCheck::isOfAMic)
                .map(Track::id)
                .toList();
    }

    private static boolean isOfAMic(Track any) {
        return any.width() == 1 && any.role() == Track.Role.INPUT;
    }

    /** Listens for a moment while the session is at the rig; takes 2.5 s. */
    public static TwoMicCheck of(Stay stay, TrackId first, TrackId second) {
        Session session = stay.session();
        Rig rig = stay.rig();
        Track one = track(session, first, "first");
        Track other = track(session, second, "second");
        if (one.equals(other)) {
            throw new Refused("A track is like itself. Choose another one.", "second");
        }
        int from = source(session, rig, one, "first");
        int to = source(session, rig, other, "second");
        float[][] heard = stay.listen(new int[] {from, to}, (int) Math.round(SECONDS * session.sampleRate()));
        TwoMics found = TwoMics.of(
                asHeard(session, one, heard[0]),
                asHeard(session, other, heard[1]),
                session.sampleRate(),
                one.name(),
                other.name(),
                isStruck(session, one) && isStruck(session, other));
        return new TwoMicCheck(found, steps(found, one, other));
    }

    /** The nearer one, which hears it first, is the one to be shifted. */
    private static List<MicStep> steps(TwoMics found, Track one, Track other) {
        List<MicStep> steps = new ArrayList<>();
        boolean advised = found.doubts().isEmpty();
        long frames = Math.round(Math.abs(found.laterFrames()));
        Track nearer = found.laterFrames() > 0 ? one : other;
        if (found.believed()) {
            steps.add(new MicStep(
                    "Flip " + other.name(),
                    advised && found.opposite(),
                    List.of(new SetPolarity(other.id(), !other.polarityFlipped()))));
        }
        if (found.believed() && frames > 0) {
            steps.add(new MicStep(
                    "Shift " + nearer.name() + " by " + frames + (frames == 1 ? " frame" : " frames"),
                    advised,
                    List.of(new SetShift(nearer.id(), nearer.shiftFrames() + (int) frames))));
        }
        for (Track track : List.of(one, other)) {
            if (track.shiftFrames() > 0) {
                steps.add(new MicStep(
                        "No shift of " + track.name() + " (" + track.shiftFrames() + " frames)",
                        false,
                        List.of(new SetShift(track.id(), 0))));
            }
        }
        return steps;
    }

    private static Track track(Session session, TrackId id, String field) {
        return session.find(id)
                .orElseThrow(() -> new Refused("There is no track '" + id + "' in this session.", field));
    }

    private static int source(Session session, Rig rig, Track track, String field) {
        if (!isOfAMic(track)) {
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
