package vividlantern.preamp;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.ShelfDevices;
import vividlantern.basics.Refused;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.edit.RigEdit;
import vividlantern.rig.edit.TieEdit.TiePorts;
import vividlantern.session.Feed;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.TrackId;
import vividlantern.session.chain.Chains;
import vividlantern.session.chain.EffectType;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Tap;
import vividlantern.session.edit.ChainEdit.AddEffect;
import vividlantern.session.edit.ChainEdit.SwitchChain;
import vividlantern.session.edit.CueEdit.AddCue;
import vividlantern.session.edit.DirectEdit.SetDirectLevel;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.InputEdit.SetInputGain;
import vividlantern.session.edit.SendEdit.SetSendLevel;
import vividlantern.session.edit.SendEdit.SetSendTap;
import vividlantern.session.edit.TrackEdit.AddTrack;
import vividlantern.session.edit.TrackEdit.SetTrim;
import vividlantern.units.Decibels;

/** Which trims and sends take up the difference when a preamp's gain changes. */
public class HoldEarsTest {

    private static final InputId LEFT = new InputId("left");
    private static final InputId RIGHT = new InputId("right");
    private static final InputId VALVE = new InputId("valve");
    private static final TrackId MONO = new TrackId("mono");
    private static final TrackId STEREO = new TrackId("stereo");
    private static final CueId CUE = new CueId("cue");

    /** An interface in steps of 1 dB, and a preamp in steps of 5 dB that only a hand can set, tied to its third input. */
    private static final Rig RIG = RigEdit.applyAll(
            List.of(
                    ShelfDevices.device("interface-8", "skiff", "Skiff"),
                    ShelfDevices.device("preamp-1", "valve", "Valve"),
                    new TiePorts(new PortId("valve-in-1"), new PortId("skiff-in-3"))),
            Rig.empty(new RigId("loft"), "Loft"));

    private static final Session SESSION = session();

    private static Session session() {
        List<Edit> edits = new ArrayList<>();
        edits.addAll(input(LEFT, 1, "skiff-in-1", 30));
        edits.addAll(input(RIGHT, 2, "skiff-in-2", 30));
        edits.addAll(input(VALVE, 3, "valve-in-1", 40));
        edits.add(new AddTrack(MONO, "Mono", 1, List.of(Feed.from(LEFT, 0))));
        edits.add(new SetTrim(MONO, Decibels.of(2)));
        edits.add(new AddTrack(STEREO, "Stereo", 2, List.of(Feed.from(LEFT, 0), Feed.from(RIGHT, 0))));
        edits.add(new AddTrack(new TrackId("byport"), "By port", 1, List.of(Feed.from(new PortId("skiff-in-2")))));
        edits.add(new AddTrack(new TrackId("valve"), "Valve", 1, List.of(Feed.from(VALVE, 0))));
        edits.add(new AddCue(CUE, "Cue"));
        edits.add(new SetSendLevel(CUE, MONO, Decibels.of(-10)));
        return Edit.applyAll(edits, Session.blank(new SessionId("s"), "S", "Song", RIG.id(), Optional.empty()), RIG);
    }

    private static List<Edit> input(InputId id, int number, String port, double gainDb) {
        return List.of(
                new AddInput(id, number, id.value()),
                new PatchInput(id, new PortId(port)),
                new SetInputGain(id, gainDb));
    }

    private static List<Edit> hold(Session session, HoldEars.Gain... gains) {
        return HoldEars.edits(session, RIG, List.of(gains));
    }

    private static HoldEars.Gain gain(InputId input, double gainDb) {
        return new HoldEars.Gain(input, gainDb);
    }

    private static Session without(TrackId track) {
        return new vividlantern.session.edit.TrackEdit.RemoveTrack(track).applyTo(SESSION, RIG);
    }

    @Test
    public void theTrimTakesWhatTheGainGives() {
        assertThat(hold(without(STEREO), gain(LEFT, 36)))
                .containsExactly(new SetInputGain(LEFT, 36), new SetTrim(MONO, Decibels.of(-4)));
        assertThat(hold(without(STEREO), gain(LEFT, 24)))
                .containsExactly(new SetInputGain(LEFT, 24), new SetTrim(MONO, Decibels.of(8)));
    }

    @Test
    public void aSendTakenAtTheInputFollowsToo() {
        Session tapped = new SetSendTap(CUE, MONO, Tap.INPUT).applyTo(without(STEREO), RIG);
        assertThat(hold(tapped, gain(LEFT, 36)))
                .containsExactly(
                        new SetInputGain(LEFT, 36),
                        new SetTrim(MONO, Decibels.of(-4)),
                        new SetSendLevel(CUE, MONO, Decibels.of(-16)));
        Session off = new SetSendLevel(CUE, MONO, Decibels.OFF).applyTo(tapped, RIG);
        assertThat(hold(off, gain(LEFT, 36))).hasSize(2);
    }

    @Test
    public void bothSidesOfAStereoTrackChangeTogetherOrNotAtAll() {
        assertThat(hold(SESSION, gain(LEFT, 36), gain(RIGHT, 36)))
                .contains(
                        new SetTrim(STEREO, Decibels.of(-6)),
                        new SetTrim(new TrackId("byport"), Decibels.of(-6)),
                        new SetTrim(MONO, Decibels.of(-4)));
        assertThatThrownBy(() -> hold(SESSION, gain(LEFT, 36)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("\"Stereo\" has one trim");
    }

    @Test
    public void whatCountsIsWhatThePreampCanDo() {
        // 47 dB settle at 45 dB where the steps are 5 dB wide, from 40 dB: 5 dB, not 7.
        assertThat(hold(SESSION, gain(VALVE, 47))).contains(new SetTrim(new TrackId("valve"), Decibels.of(-5)));
        // The interface ends at 60 dB.
        assertThat(hold(without(STEREO), gain(LEFT, 75))).contains(new SetTrim(MONO, Decibels.of(-28)));
        assertThat(hold(SESSION, gain(LEFT, 30.4))).containsExactly(new SetInputGain(LEFT, 30.4));
    }

    @Test
    public void anInputThatIsNotPatchedMovesNoTrim() {
        Session loose = new PatchInput(LEFT, List.of()).applyTo(SESSION, RIG);
        assertThat(hold(loose, gain(LEFT, 50))).containsExactly(new SetInputGain(LEFT, 50));
    }

    @Test
    public void aTrimThatEndsFirstIsSaid() {
        assertThatThrownBy(() -> hold(without(STEREO), gain(LEFT, 15)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("Mono's trim would have to go to +17.0 dB");
        assertThatThrownBy(() -> hold(SESSION, gain(new InputId("ghost"), 15)))
                .hasMessageContaining("no input 'ghost'");
    }

    @Test
    public void whatIsHeardDirectTakesTheDifferenceToo() {
        Session direct = Edit.applyAll(
                List.of(
                        new SetDirectLevel(CUE, LEFT, Decibels.of(-3)),
                        new SetDirectLevel(CUE, VALVE, Decibels.of(-3))),
                SESSION.withTracks(List.of())
                        .withCues(SESSION.cues().stream()
                                .map(cue -> cue.withSends(List.of()))
                                .toList()),
                RIG);
        assertThat(hold(direct, new HoldEars.Gain(LEFT, 34)))
                .containsExactly(new SetInputGain(LEFT, 34), new SetDirectLevel(CUE, LEFT, Decibels.of(-7)));
        assertThatThrownBy(() -> hold(direct, new HoldEars.Gain(LEFT, 10)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("left's direct level would have to go to +17.0 dB");
    }

    /** A compressor printed hears the gain before any trim; off, or behind the line, ears can be held. */
    @Test
    public void whatIsPrintedAndDependsOnLevelIsNamed() {
        Session printed = new AddEffect(MONO, Chains.Place.PRINTED, EffectType.COMPRESSOR, Optional.empty())
                .applyTo(SESSION, RIG);
        List<HoldEars.Gain> louder = List.of(new HoldEars.Gain(LEFT, 34), new HoldEars.Gain(RIGHT, 34));
        assertThatThrownBy(() -> HoldEars.edits(printed, RIG, louder))
                .isInstanceOf(Refused.class)
                .hasMessageStartingWith("The compressor printed on Mono sounds otherwise at another level");
        Session off = new SwitchChain(MONO, Chains.Place.PRINTED, false).applyTo(printed, RIG);
        assertThat(HoldEars.edits(off, RIG, louder)).contains(new SetTrim(MONO, Decibels.of(-2)));
        Session filtered =
                new AddEffect(MONO, Chains.Place.PRINTED, EffectType.HIGH_PASS, Optional.empty()).applyTo(SESSION, RIG);
        assertThat(HoldEars.edits(filtered, RIG, louder)).contains(new SetTrim(MONO, Decibels.of(-2)));
    }
}
