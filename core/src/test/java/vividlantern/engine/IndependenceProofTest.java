package vividlantern.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
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
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Tap;
import vividlantern.units.Decibels;

/** A cue is proved to be independent when it is, and found to follow the speakers when it does. */
public class IndependenceProofTest {

    private static final CueId CUE = new CueId("cue");
    private static final TrackId TRACK = new TrackId("count");

    /** The input counts frames in millionths: from 0.144 where the song begins to 0.528, whose mean power is 0.125. */
    private static Session session(Tap tap) {
        Input input = Input.of(new InputId("in"), 1, "Count").patchedTo(List.of(new PortId("in-1")));
        return RandomSessions.blank()
                .plus(input)
                .plus(Track.forInputs(TRACK, 5, "Count", 1, List.of(Feed.from(input.id(), 0)))
                        .heard(Hear.ALWAYS))
                .plus(Cue.empty(CUE, 1, "Cue")
                        .guarded(false)
                        .outTo(Optional.of(new PairId("phones-1")))
                        .withSend(TRACK, send -> send.at(Decibels.ZERO).from(tap)));
    }

    private static IndependenceProof proof(Session session) throws IOException {
        return IndependenceProof.of(
                session,
                RandomSessions.RIG,
                CUE,
                () -> new Room(new RenderingTest.Counting(), transport -> {}, map -> {}, MediaShelf.EMPTY),
                new Progress());
    }

    @Test
    public void itIsBrokenOffAsSoonAsNobodyWantsIt() {
        Progress progress = new Progress();
        int[] rooms = {0};
        assertThatThrownBy(() -> IndependenceProof.of(
                        session(Tap.PRE_FADER),
                        RandomSessions.RIG,
                        CUE,
                        () -> {
                            if (++rooms[0] == 2) {
                                progress.cancel();
                            }
                            return new Room(new RenderingTest.Counting(), transport -> {}, map -> {}, MediaShelf.EMPTY);
                        },
                        progress))
                .isInstanceOf(Refused.class)
                .hasMessage("It was cancelled.");
        assertThat(progress.share()).as("the first of two renderings was done").isBetween(0.49, 0.5);
    }

    @Test
    public void aPreFaderCueIsTheSameBitForBitAndItsLevelIsTold() throws IOException {
        Session session = session(Tap.PRE_FADER);
        IndependenceProof proof = proof(session);
        assertThat(proof.same()).isTrue();
        assertThat(proof.moved()).isEqualTo(3);
        assertThat(proof.peakDbfs().orElseThrow()).isCloseTo(20 * Math.log10(0.528 * Math.sqrt(0.5)), within(0.01));
        assertThat(proof.words(session))
                .isEqualTo(
                        "Rendered twice for 8 s, the second time with faders, pans, mutes and solos of all 3 tracks moved: "
                                + "the same bit for bit. Peak \u22128.6 dBFS, RMS \u221212.0 dBFS.");
    }

    @Test
    public void aSendThatFollowsTheSpeakersIsFoundAndNamed() throws IOException {
        Session session = session(Tap.POST_FADER);
        IndependenceProof proof = proof(session);
        assertThat(proof.same()).isFalse();
        assertThat(proof.following()).containsExactly(TRACK);
        assertThat(proof.words(session)).endsWith("they differ from 0.00 s on. These follow the speakers: Count.");
    }

    @Test
    public void aCueThatIsLinkedToTheMainLevelFollowsIt() throws IOException {
        Session session = session(Tap.PRE_FADER).change(CUE, cue -> cue.linkedToMain(true));
        IndependenceProof proof = proof(session);
        assertThat(proof.same()).isFalse();
        assertThat(proof.words(session)).endsWith("they differ from 0.00 s on. The level is linked to the main level.");
    }

    @Test
    public void silenceProvesNothing() throws IOException {
        Session session = session(Tap.PRE_FADER).change(CUE, cue -> cue.at(Decibels.OFF));
        assertThat(proof(session).peakDbfs()).isEmpty();
        assertThat(proof(session).words(session)).contains("silence both times, which proves nothing");
    }

    @Test
    public void aCueThatLeavesNowhereHasNothingToCompare() {
        Session session = session(Tap.PRE_FADER).change(CUE, cue -> cue.outTo(Optional.empty()));
        assertThatThrownBy(() -> proof(session))
                .isInstanceOf(Refused.class)
                .hasMessage("Cue has no output pair, so nothing can be compared.");
    }
}
