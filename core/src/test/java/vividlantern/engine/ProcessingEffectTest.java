package vividlantern.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Progress;
import vividlantern.basics.Refused;
import vividlantern.playback.MediaShelf;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.session.Feed;
import vividlantern.session.Hear;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Compressor;
import vividlantern.session.cue.Corner;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.units.Decibels;

/** What a cue's filters and compressor do to its loudness, by a tone of which both are known. */
public class ProcessingEffectTest {

    private static final CueId CUE = new CueId("cue");
    private static final int RATE = 48_000;

    /** 997 Hz at -20 dBFS, in the middle: -23.01 dBFS at each side, and -23.01 LUFS, since BS.1770 takes it as it is. */
    private static ProcessingEffect effect(UnaryOperator<Cue> change, Progress progress) throws IOException {
        Input input = Input.of(new InputId("in"), 1, "Tone").patchedTo(List.of(new PortId("in-1")));
        TrackId track = new TrackId("tone");
        Session session = RandomSessions.blank()
                .plus(input)
                .plus(Track.forInputs(track, 5, "Tone", 1, List.of(Feed.from(input.id(), 0)))
                        .heard(Hear.ALWAYS))
                .plus(change.apply(Cue.empty(CUE, 1, "Cue")
                        .outTo(Optional.of(new PairId("phones-1")))
                        .withSend(track, send -> send.at(Decibels.ZERO))));
        return ProcessingEffect.of(
                session,
                RandomSessions.RIG,
                CUE,
                () -> new Room(
                        new RenderingTest.Counting(frame -> 0.1 * Math.sin(2 * Math.PI * 997 * frame / RATE)),
                        transport -> {},
                        map -> {},
                        MediaShelf.EMPTY),
                progress);
    }

    @Test
    public void makeUpGainBelowTheThresholdIsLouderByItself() throws IOException {
        Progress progress = new Progress();
        ProcessingEffect effect = effect(cue -> cue.compressed(new Compressor(true, 0, 3, 10, 200, 6)), progress);
        assertThat(effect.words())
                .isEqualTo("Without filters and compressor \u221223.0 LUFS, true peak \u221223.0 dBTP; "
                        + "with them \u221217.0 LUFS, true peak \u221217.0 dBTP: 6.0 LU louder.");
        assertThat(progress.share()).isGreaterThan(0.99);
    }

    /** At its corner a low-pass leaves 3 dB less. */
    @Test
    public void aFilterThatTakesTheToneAwayIsQuieter() throws IOException {
        ProcessingEffect effect = effect(cue -> cue.withLowPass(new Corner(true, 997)), new Progress());
        assertThat(effect.words()).endsWith("3.0 LU quieter.");
    }

    @Test
    public void whereNothingIsOnThereIsNothingToCompare() {
        assertThatThrownBy(() -> effect(cue -> cue, new Progress()))
                .isInstanceOf(Refused.class)
                .hasMessage("Cue has no filter and no compressor on.");
        assertThatThrownBy(() ->
                        effect(cue -> cue.withLowPass(new Corner(true, 997)).outTo(Optional.empty()), new Progress()))
                .isInstanceOf(Refused.class)
                .hasMessage("Cue has no output pair, so nothing can be compared.");
    }

    @Test
    public void silenceIsSaidToBeSilence() throws IOException {
        assertThat(effect(cue -> cue.withLowPass(new Corner(true, 997)).at(Decibels.OFF), new Progress())
                        .words())
                .isEqualTo("Without filters and compressor silence; with them silence.");
    }
}
