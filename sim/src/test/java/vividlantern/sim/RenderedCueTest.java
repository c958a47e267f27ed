package vividlantern.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Random;
import org.testng.annotations.Test;
import vividlantern.engine.Rendering;
import vividlantern.rig.StereoPair;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.TrackEdit.MuteTrack;
import vividlantern.session.edit.TrackEdit.SetFader;
import vividlantern.session.edit.TrackEdit.SetPan;
import vividlantern.session.edit.TrackEdit.SoloTrack;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** What performers hear, as a file: independent of the speakers, neither silent nor too loud, the click in its place. */
public class RenderedCueTest {

    private static final int SECONDS = 10;

    @Test
    public void theSameRequestGivesTheSameBits() {
        assertThat(render(Take.SESSION, "voice", "all", 0)).isDeepEqualTo(render(Take.SESSION, "voice", "all", 0));
    }

    @Test
    public void theControlRoomCannotChangeItByOneBit() {
        Random random = new Random(4);
        Session moved = Take.SESSION;
        for (Track track : moved.tracks()) {
            moved = new SetFader(track.id(), Decibels.of(-random.nextInt(60))).applyTo(moved, Take.RIG);
            moved = new SetPan(track.id(), Pan.of(random.nextDouble() * 2 - 1)).applyTo(moved, Take.RIG);
            moved = new MuteTrack(track.id(), random.nextBoolean()).applyTo(moved, Take.RIG);
            moved = new SoloTrack(track.id(), random.nextBoolean()).applyTo(moved, Take.RIG);
        }
        for (String cue : new String[] {"accordion-fiddle", "bass-cajon", "voice"}) {
            float[][] before = render(Take.SESSION, cue, "all", 0);
            assertThat(render(moved, cue, "all", 0)).isDeepEqualTo(before);
            double loudness = Loudness.lufs(before[0]);
            assertThat(loudness).as(cue).isBetween(-32.0, -14.0);
            assertThat(Take.peakDb(before[0], 0, before[0].length)).as(cue).isLessThanOrEqualTo(-12);
        }
    }

    @Test
    public void theClickFallsOnTheBeatAsThePlayersHearIt() {
        float[] click = render(Take.SESSION, "bass-cajon", "none", 0)[0];
        int guard = 60;
        for (int beat = 0; beat < 12; beat++) {
            int at = (int) Math.round(60.0 * beat / 138 * Take.RATE) + guard;
            assertThat(Take.peakDb(click, at, at + 480)).as("beat %s", beat).isGreaterThan(-25);
            assertThat(Take.peakDb(click, Math.max(0, at - 480), Math.max(1, at - 1)))
                    .as("before beat %s", beat)
                    .isLessThan(-45);
        }
    }

    /** Click and cajón meet in the mix a round trip apart: the player hears the click first, then is heard. */
    @Test
    public void thePlayersPlayToTheClickTheyHear() {
        float[] cajon = render(Take.SESSION, "bass-cajon", "cajon", 0)[0];
        float[] click = render(Take.SESSION, "bass-cajon", "none", 0)[0];
        for (int n = 0; n < cajon.length; n++) {
            cajon[n] -= click[n];
        }
        int air = new vividlantern.units.Air(21).delayFrames(0.25, Take.RATE);
        int beat = (int) Math.round(60.0 / 138 * Take.RATE);
        int heard = beat + 60 + Take.arrival(Take.SESSION.bufferFrames()) + air;
        assertThat(Take.peakDb(cajon, heard - 480, heard - 24)).isLessThan(-40);
        assertThat(Take.peakDb(cajon, heard - 24, heard + 240)).isGreaterThan(-30);
    }

    @Test
    public void aFileThatBeginsLaterIsTheSameMusic() {
        float[] whole = render(Take.SESSION, "bass-cajon", "all", 0)[0];
        float[] later = render(Take.SESSION, "bass-cajon", "all", 4 * Take.RATE)[0];
        for (int n = 0; n < 5 * Take.RATE; n++) {
            assertThat(later[n]).as("frame %s", n).isEqualTo(whole[4 * Take.RATE + n]);
        }
    }

    /** One bar of 3/4 at 138 is 1.304 s: nothing before, then three strokes, then the song. */
    @Test
    public void theSongIsCountedInAndBeforeThatItIsSilent() {
        int bar = (int) Math.round(180.0 / 138 * Take.RATE);
        float[] file = render(Take.SESSION, "bass-cajon", "all", -3L * Take.RATE)[0];
        int begins = 3 * Take.RATE - bar;
        assertThat(Take.peakDb(file, 0, begins + 50))
                .as("mics and converters alone")
                .isLessThan(-60);
        for (int beat = 0; beat < 3; beat++) {
            int at = begins + 60 + (int) Math.round(60.0 * beat / 138 * Take.RATE);
            assertThat(Take.peakDb(file, at, at + 480))
                    .as("count-in, beat %s", beat)
                    .isGreaterThan(-25);
        }
    }

    @Test
    public void theVoiceHearsNoClick() {
        float[][] quiet = render(Take.SESSION, "voice", "none", 0);
        assertThat(Take.peakDb(quiet[0], 0, quiet[0].length)).isLessThan(-50);
        assertThat(Loudness.lufs(render(Take.SESSION, "voice", "voice", 30 * Take.RATE)[0]))
                .isCloseTo(-24, within(6.0));
    }

    private static float[][] render(Session session, String cue, String who, long fromFrame) {
        StereoPair pair = session.find(new CueId(cue))
                .flatMap(each -> each.output())
                .flatMap(Take.RIG::outputPair)
                .orElseThrow();
        StandInStudio studio = Take.studio().fresh(session.tempoMap(), who);
        float[][] file = new float[2][SECONDS * Take.RATE];
        int[] written = {0};
        try {
            Rendering.render(
                    session,
                    Take.RIG,
                    pair,
                    Take.room(studio),
                    Rendering.At.CONVERTERS,
                    fromFrame,
                    SECONDS * Take.RATE,
                    (left, right, offset, frames) -> {
                        System.arraycopy(left, offset, file[0], written[0], frames);
                        System.arraycopy(right, offset, file[1], written[0], frames);
                        written[0] += frames;
                    });
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        assertThat(written[0]).isEqualTo(SECONDS * Take.RATE);
        return file;
    }
}
