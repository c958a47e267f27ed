package vividlantern.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Clock;
import java.util.List;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.click.Passage;
import vividlantern.playback.Reel;
import vividlantern.playback.SoundsInMemory;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.edit.BackingEdit.AddBacking;
import vividlantern.session.song.Media;
import vividlantern.session.song.MediaId;

/** Nothing that a backing track cannot play stays unsaid. */
public class ReelWatchTest {

    private static final TrackId GUIDE = new TrackId("guide");

    private final SoundsInMemory sounds = new SoundsInMemory();
    private final Incidents incidents = new Incidents(Clock.systemUTC());
    private final ReelWatch watch = new ReelWatch(incidents);

    private static Session playing(Media media) {
        return new AddBacking(GUIDE, "Guide", media).applyTo(RandomSessions.blank(), RandomSessions.RIG);
    }

    private Reel reel(Session session) {
        return Reel.of(
                session.backing(GUIDE).orElseThrow(),
                session,
                session.tempoMap().curve(),
                sounds,
                null);
    }

    @Test
    public void whyATrackDoesNotPlayIsSaid() {
        Session lost = playing(new Media(new MediaId("gone"), "gone.wav", 1, 48_000, 10));
        Reel missing = reel(lost);
        assertThat(watch.look(List.of(missing), lost)).as("it is new").isEmpty();
        assertThat(watch.look(List.of(missing), lost))
                .isEqualTo("Guide is silent while its file is brought to the session's rate.");
        missing.readAhead(0);
        assertThat(watch.look(List.of(missing), lost))
                .isEqualTo("Guide does not play: The file of gone.wav is missing.");
        Session there = playing(sounds.counting("count", 1, 480_000));
        Reel reel = reel(there);
        reel.readAhead(0);
        assertThat(watch.look(List.of(reel), there)).isEmpty();
        assertThat(watch.look(List.of(reel), there)).isEmpty();
    }

    /** Read for two seconds and played for three: what is missing is an incident, once. */
    @Test
    public void whatWasReadTooLateIsAnIncident() {
        Session session = playing(sounds.counting("long", 1, 480_000));
        Reel reel = reel(session);
        reel.prepare(480);
        reel.readAhead(0);
        float[][] wires = new float[1][480];
        for (int frame = 0; frame < 144_000; frame += 480) {
            reel.fill(frame, wires, 0, 0, 480, Passage.from(0, 0));
        }
        int before = incidents.newestFirst().size();
        watch.look(List.of(reel), session);
        watch.look(List.of(reel), session);
        assertThat(incidents.newestFirst()).hasSize(before + 1);
        Incidents.Incident late = incidents.newestFirst().get(0);
        assertThat(late.kind()).isEqualTo(Incidents.Kind.DISK);
        assertThat(late.missedMs()).isCloseTo(1000, within(10.0));
        assertThat(late.sentence()).startsWith("The disk was too slow: 1000 ms");
    }
}
