package vividlantern.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.click.Passage;
import vividlantern.mix.LiveState;
import vividlantern.mix.MixPlan;
import vividlantern.playback.SoundsInMemory;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.edit.BackingEdit.AddBacking;
import vividlantern.session.edit.BackingEdit.SetBacking;
import vividlantern.session.song.Backing;
import vividlantern.session.song.ClickPattern;
import vividlantern.session.song.TempoMap;

/** How playing begins, and which frames a range of bars has. At 120 in 4/4 a beat has 24 000 frames, a bar 96 000. */
public class SongStartTest {

    private static final TrackId GUIDE = new TrackId("guide");
    private static final Session SONG = RandomSessions.blank().with(TempoMap.steady(120, 4, 4));

    private static Session pickedUp(double quarters, int countInBars) {
        return SONG.with(SONG.tempoMap().pickedUp(quarters))
                .with(new ClickPattern(countInBars, SONG.click().voices()));
    }

    @Test
    public void theWholeSongIsCountedIn() {
        SongStart start = SongStart.ofSong(SONG);
        assertThat(start.frame()).isEqualTo(-96_000);
        assertThat(start.passage()).isEqualTo(Passage.from(-96_000, 0).withWhatComesBefore(-96_000));
    }

    /** A whole bar, and the bar in which the pick-up lies. */
    @Test
    public void aPickUpIsCountedInFromTheStartOfItsBar() {
        Passage passage = SongStart.ofSong(pickedUp(1, 1)).passage();
        assertThat(passage.countedFrom()).isEqualTo(-192_000);
        assertThat(passage.from()).isEqualTo(-24_000);
        assertThat(SongStart.ofSong(pickedUp(1, 0)).frame())
                .as("without a count-in at once")
                .isEqualTo(-24_000);
    }

    @Test
    public void whatLiesBeforeTheSongIsHeardWithIt() {
        SoundsInMemory sounds = new SoundsInMemory();
        Session with =
                new AddBacking(GUIDE, "Guide", sounds.counting("count", 2, 480_000)).applyTo(SONG, RandomSessions.RIG);
        Backing whole = with.backing(GUIDE).orElseThrow();
        Session early = new SetBacking(new Backing(GUIDE, whole.media(), Backing.Follows.TIME, 1, 1, -5, 0, 10, false))
                .applyTo(with, RandomSessions.RIG);
        SongStart start = SongStart.ofSong(early);
        assertThat(start.frame()).isEqualTo(-240_000);
        assertThat(start.passage().countedFrom()).isEqualTo(-96_000);
        Engine engine = new Engine(
                MixPlan.compile(early, RandomSessions.RIG, LiveState.PLAYING, sounds),
                48_000,
                480,
                Transport.stopped(0, 0),
                transport -> {});
        engine.reels().forEach(reel -> reel.readAhead(start.frame()));
        float[][] in = new float[RandomSessions.INPUTS][480];
        float[][] out = new float[RandomSessions.RIG.engineOutputs().size()][480];
        engine.process(in, out, 480, 0);
        engine.play(start, () -> true);
        engine.process(in, out, 480, 480);
        assertThat(out[0][0]).isEqualTo(SoundsInMemory.at(0));
        assertThat(out[1][479]).isEqualTo(-SoundsInMemory.at(479));
        engine.locate(48_000);
        engine.process(in, out, 480, 960);
        assertThat(out[0][479]).as("read for the jump").isEqualTo(SoundsInMemory.at(240_000 + 48_000 + 479));
    }

    @Test
    public void atABarTheBarBeforeItIsCounted() {
        assertThat(SongStart.atBar(SONG, 3)).isEqualTo(new SongStart(96_000, Passage.from(96_000, 192_000)));
        assertThat(SongStart.atBar(SONG, 1)).isEqualTo(SongStart.ofSong(SONG));
    }

    @Test
    public void aRangeOfBarsBeginsAndEndsOnTheGrid() {
        assertThat(SongRange.ofBars(SONG, "3-4", true))
                .isEqualTo(new SongRange(96_000, 288_000, Passage.from(96_000, 192_000)));
        assertThat(SongRange.ofBars(SONG, "3-4", false))
                .isEqualTo(new SongRange(192_000, 192_000, Passage.from(192_000, 192_000)));
        Session two = SONG.with(SONG.tempoMap().endingWith(Optional.of(2)));
        assertThat(SongRange.ofBars(two, "all", true))
                .isEqualTo(new SongRange(-96_000, 288_000, SongStart.ofSong(two).passage()));
        assertThat(SongRange.ofBars(two, "all", false)).isEqualTo(new SongRange(0, 192_000, Passage.from(0, 0)));
    }

    @Test
    public void aRangeThatCannotBeSaysWhy() {
        Object[][] wrong = {
            {"all", "The song has no end."},
            {"", "Bars are written as"},
            {"x", "Bars are written as"},
            {"4-3", "the last one does not come before the first"},
            {"0-3", "Bars are counted from 1"},
            {"1-30000", "longer than four hours"},
        };
        for (Object[] each : List.of(wrong)) {
            assertThatThrownBy(() -> SongRange.ofBars(SONG, (String) each[0], true))
                    .isInstanceOf(Refused.class)
                    .hasMessageContaining((String) each[1]);
        }
    }
}
