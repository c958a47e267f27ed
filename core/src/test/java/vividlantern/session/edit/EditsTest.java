package vividlantern.session.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Send;
import vividlantern.session.edit.BackingEdit.AddBacking;
import vividlantern.session.edit.BackingEdit.MoveBacking;
import vividlantern.session.edit.BackingEdit.SetBacking;
import vividlantern.session.edit.CueEdit.SetCueFurtherOutputs;
import vividlantern.session.edit.CueEdit.SetCueOutput;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.MoveInput;
import vividlantern.session.edit.InputEdit.NumberInput;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.InputEdit.RemoveInput;
import vividlantern.session.edit.InputEdit.SetInputNotes;
import vividlantern.session.edit.InputEdit.SetInputPerformer;
import vividlantern.session.edit.InputEdit.SetInputSource;
import vividlantern.session.edit.MarkerEdit.RemoveMarker;
import vividlantern.session.edit.MarkerEdit.SetMarker;
import vividlantern.session.edit.MarkerEdit.SetNeedsClick;
import vividlantern.session.edit.PerformerEdit.RemovePerformer;
import vividlantern.session.edit.SendEdit.AddSends;
import vividlantern.session.edit.SendEdit.RemoveSend;
import vividlantern.session.edit.SendEdit.SetSendLevel;
import vividlantern.session.edit.SongEdit.SetClick;
import vividlantern.session.edit.SongEdit.SetTempoMap;
import vividlantern.session.edit.TempoEdit.SetMeter;
import vividlantern.session.edit.TempoEdit.SetPickUp;
import vividlantern.session.edit.TempoEdit.SetSongEnd;
import vividlantern.session.edit.TrackEdit.AddClick;
import vividlantern.session.edit.TrackEdit.AddTrack;
import vividlantern.session.edit.TrackEdit.ArmTrack;
import vividlantern.session.edit.TrackEdit.FeedTrack;
import vividlantern.session.edit.TrackEdit.MoveTrack;
import vividlantern.session.edit.TrackEdit.MuteTrack;
import vividlantern.session.edit.TrackEdit.RemoveTrack;
import vividlantern.session.edit.TrackEdit.SetFader;
import vividlantern.session.song.Backing;
import vividlantern.session.song.ClickPattern;
import vividlantern.session.song.MarkerId;
import vividlantern.session.song.Media;
import vividlantern.session.song.MediaId;
import vividlantern.session.song.TempoMap;
import vividlantern.session.song.VoiceId;
import vividlantern.template.NextSong;
import vividlantern.units.Decibels;

/** What edits refuse, in whole sentences, and what they take along. */
public class EditsTest {

    private static final Session SESSION = RandomSessions.session(3);
    private static final TrackId TRACK = new TrackId("t0");
    private static final CueId CUE = new CueId("c1");
    private static final InputId INPUT = new InputId("i1");

    @DataProvider
    public Object[][] refused() {
        return new Object[][] {
            {new SetFader(new TrackId("harp"), Decibels.ZERO), "track", "no track 'harp'"},
            {new SetFader(TRACK, Decibels.of(12.5)), "level", "between \u221290.0 and +12.0 dB"},
            {new SetSendLevel(new CueId("zzz"), TRACK, Decibels.ZERO), "cue", "no cue 'zzz'"},
            {new SetSendLevel(CUE, TRACK, Decibels.of(-91)), "level", "\u221291.0 dB does not"},
            {new AddInput(new InputId("new"), 1, "Harp"), "number", "1"},
            {new AddInput(new InputId("new"), 1000, "Harp"), "number", "1 to 999"},
            {new AddInput(INPUT, 99, "Harp"), "id", "'i1' is taken"},
            {new AddInput(new InputId("Not An Id"), 99, "Harp"), "id", "small letters"},
            {new AddInput(new InputId("new"), 99, "  "), "source", "needs a source"},
            {new SetInputSource(INPUT, ""), "source", "needs a source"},
            {new SetInputNotes(INPUT, "x".repeat(401)), "notes", "at most 400"},
            {new PatchInput(INPUT, new PortId("nowhere")), "port", "nowhere"},
            {new PatchInput(INPUT, new PortId("out-1")), "port", "is an output"},
            {new SetInputPerformer(INPUT, Optional.of(new PerformerId("ghost"))), "performer", "ghost"},
            {new AddTrack(new TrackId("new"), "New", 9, List.of()), "width", "1 to 8 channels"},
            {new AddTrack(new TrackId("new"), "New", 1, List.of(Feed.NOTHING, Feed.NOTHING)), "feeds", "do not fit"},
            {new FeedTrack(new TrackId("click"), List.of()), "feeds", "fed by the click"},
            {new AddBacking(new TrackId("new"), "New", sound(9, 48_000, 10)), "media", "1 to 8 channels"},
            {new AddBacking(new TrackId("new"), "New", sound(2, 4_000, 10)), "media", "8 to 384 kHz"},
            {new AddBacking(new TrackId("new"), "New", sound(2, 48_000, 0)), "media", "at least one frame"},
            {new SetBacking(Backing.of(TRACK, sound(1, 48_000, 10))), "backing", "no backing track"},
            {new AddClick(new TrackId("new"), "New", new VoiceId("none")), "voice", "no voice 'none'"},
            {new SetPickUp(4), "tempoMap", "shorter than the first bar"},
            {new SetPickUp(-1), "tempoMap", "shorter than the first bar"},
            {new SetSongEnd(Optional.of(0)), "tempoMap", "bar 1 at the earliest"},
            {new SetMeter(1, 6, 8, Optional.of(4)), "tempoMap", "6/8 cannot be felt in 4"},
            {new SetNeedsClick(new MarkerId("none"), true), "marker", "no marker 'none'"},
            {new SetCueOutput(CUE, Optional.of(new PairId("main"))), "output", "carries the main mix"},
            {new SetCueOutput(CUE, Optional.of(new PairId("moon"))), "output", "no output pair 'moon'"},
            {new SetCueFurtherOutputs(CUE, List.of(new PairId("main"))), "output", "carries the main mix"},
            {new SetCueFurtherOutputs(CUE, List.of(new PairId("moon"))), "output", "no output pair 'moon'"},
            {new SetTempoMap(TempoMap.steady(5, 4, 4)), "tempoMap", "between 10 and 600"},
        };
    }

    @Test(dataProvider = "refused")
    public void whatCannotBeIsRefusedWithItsReasonAndItsField(Edit edit, String field, String reason) {
        assertThatThrownBy(() -> edit.applyTo(SESSION, RandomSessions.RIG))
                .isInstanceOfSatisfying(
                        Refused.class, refused -> assertThat(refused.field()).isEqualTo(field))
                .hasMessageContaining(reason);
    }

    private static Media sound(int channels, int rate, long frames) {
        return new Media(new MediaId("a1"), "a.wav", channels, rate, frames);
    }

    @Test
    public void aSoundBeginsWithinItsLengthAtABarOrATimeOfTheSong() {
        TrackId guide = new TrackId("sketch");
        Media sound = sound(2, 48_000, 96_000);
        Session session = new AddBacking(guide, "Guide", sound).applyTo(SESSION, RandomSessions.RIG);
        Object[][] wrong = {
            {new Backing(guide, sound, Backing.Follows.BARS, 0, 1, 0, 0, 2, false), "a bar from 1"},
            {new Backing(guide, sound, Backing.Follows.BARS, 1, Double.NaN, 0, 0, 2, false), "a bar from 1"},
            {new Backing(guide, sound, Backing.Follows.TIME, 1, 1, -61, 0, 2, false), "four hours"},
            {new Backing(guide, sound, Backing.Follows.TIME, 1, 1, 0, 1, 1, false), "before it ends"},
            {new Backing(guide, sound, Backing.Follows.TIME, 1, 1, 0, 0, 60, false), "A sound of 2 s"},
            {Backing.of(guide, sound(1, 48_000, 10)), "has 1 channels, Guide has 2"},
        };
        for (Object[] each : wrong) {
            assertThatThrownBy(() -> new SetBacking((Backing) each[0]).applyTo(session, RandomSessions.RIG))
                    .isInstanceOf(Refused.class)
                    .hasMessageContaining((String) each[1]);
        }
        assertThatThrownBy(() -> new ArmTrack(guide, true).applyTo(session, RandomSessions.RIG))
                .hasMessageContaining("nothing to record");
        assertThatThrownBy(() -> new FeedTrack(guide, List.of()).applyTo(session, RandomSessions.RIG))
                .hasMessageContaining("nothing feeds it");
        assertThat(new RemoveTrack(guide).applyTo(session, RandomSessions.RIG)).isEqualTo(SESSION);
    }

    /** At 120 in 4/4 bar 5, beat 3, is 9 s after bar 1 begins. */
    @Test
    public void aSoundIsMovedToAPlaceInTheSongAndStaysAtWhatItFollows() {
        TrackId guide = new TrackId("sketch");
        Session session = new AddBacking(guide, "Guide", sound(2, 48_000, 96_000))
                .applyTo(SESSION.with(TempoMap.steady(120, 4, 4)), RandomSessions.RIG);
        Backing bars = new MoveBacking(guide, 5, 3)
                .applyTo(session, RandomSessions.RIG)
                .backing(guide)
                .orElseThrow();
        assertThat(bars.bar()).isEqualTo(5);
        assertThat(bars.beat()).isEqualTo(3.0);
        Backing timed = new Backing(guide, bars.media(), Backing.Follows.TIME, 2, 1, 1, 0, 2, false);
        Backing moved = new MoveBacking(guide, 5, 3)
                .applyTo(new SetBacking(timed).applyTo(session, RandomSessions.RIG), RandomSessions.RIG)
                .backing(guide)
                .orElseThrow();
        assertThat(moved.follows()).isEqualTo(Backing.Follows.TIME);
        assertThat(moved.seconds()).isCloseTo(9, within(1e-9));
        assertThatThrownBy(() -> new MoveBacking(guide, 0, 1).applyTo(session, RandomSessions.RIG))
                .hasMessageContaining("a bar from 1");
        assertThatThrownBy(() -> new MoveBacking(TRACK, 5, 1).applyTo(session, RandomSessions.RIG))
                .hasMessageContaining("has no sound to play");
    }

    /** A click track can be removed while another one is left. */
    @Test
    public void theLastTrackOfTheClickStays() {
        Session one = new RemoveTrack(new TrackId("click")).applyTo(SESSION, RandomSessions.RIG);
        assertThatThrownBy(() -> new RemoveTrack(new TrackId("click-between")).applyTo(one, RandomSessions.RIG))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("last track stays");
    }

    @Test
    public void aPartThatIsRemovedTakesWithItWhatTheClickDidThere() {
        MarkerId verse = new MarkerId("verse");
        Session session = new SetMarker(verse, "Verse", 5).applyTo(SESSION, RandomSessions.RIG);
        ClickPattern.Voice voice = session.click().voices().get(0);
        ClickPattern.BarPattern own = new ClickPattern.BarPattern(
                4, 4, Collections.nCopies(4, ClickPattern.Stroke.SOUNDING), Optional.of(verse));
        ClickPattern.Voice patterned = new ClickPattern.Voice(
                voice.id(),
                "V",
                voice.sound(),
                1000,
                1,
                false,
                voice.accent(),
                List.of(own),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
        ClickPattern click = new ClickPattern(
                1, List.of(patterned, session.click().voices().get(1)), false, 0, List.of(verse), false, false);
        Session with = new SetClick(click).applyTo(session, RandomSessions.RIG);
        Session without = new RemoveMarker(verse).applyTo(with, RandomSessions.RIG);
        Session next = NextSong.after(with, new SessionId("next"), "Next", Optional.empty(), List.of());
        assertThat(next.click().parts()).as("the next song has other parts").isEmpty();
        assertThat(without.click().parts()).isEmpty();
        assertThatThrownBy(() -> new SetClick(click).applyTo(without, RandomSessions.RIG))
                .hasMessageContaining("no marker 'verse'");
    }

    @Test
    public void aListOfEditsIsRefusedWholeAndSaysWhichOne() {
        List<Edit> edits = List.of(new MuteTrack(TRACK, true), new MuteTrack(new TrackId("harp"), true));
        assertThatThrownBy(() -> Edit.applyAll(edits, SESSION, RandomSessions.RIG))
                .isInstanceOfSatisfying(
                        Refused.class, refused -> assertThat(refused.field()).isEqualTo("edits/1/track"));
    }

    @Test
    public void removingAnInputLeavesItsTracksFedByNothing() {
        Session without = SESSION;
        for (int n = 1; n <= RandomSessions.INPUTS; n++) {
            without = new RemoveInput(new InputId("i" + n)).applyTo(without, RandomSessions.RIG);
        }
        assertThat(without.tracks()).hasSameSizeAs(SESSION.tracks());
        assertThat(without.tracks().stream().flatMap(track -> track.feeds().stream()))
                .containsOnly(Feed.NOTHING);
    }

    @Test
    public void removingATrackTakesItsSendsAlong() {
        Session without = new RemoveTrack(TRACK).applyTo(SESSION, RandomSessions.RIG);
        assertThat(without.cues().stream().flatMap(cue -> cue.sends().stream()))
                .noneMatch(send -> send.trackId().equals(TRACK));
    }

    @Test
    public void removingAPerformerLeavesInputsAndCues() {
        Session without = new RemovePerformer(new PerformerId("p0")).applyTo(SESSION, RandomSessions.RIG);
        assertThat(without.inputs()).hasSameSizeAs(SESSION.inputs());
        assertThat(without.inputs()).noneMatch(input -> input.performer().equals(Optional.of(new PerformerId("p0"))));
    }

    @Test
    public void addingTracksToACueLeavesThoseInItAsTheyAre() {
        TrackId click = new TrackId("click");
        Session session = new RemoveSend(CUE, click).applyTo(SESSION, RandomSessions.RIG);
        List<TrackId> all = session.tracks().stream().map(Track::id).toList();
        Cue before = session.find(CUE).orElseThrow();
        Cue grown = new AddSends(CUE, all)
                .applyTo(session, RandomSessions.RIG)
                .find(CUE)
                .orElseThrow();
        assertThat(grown.sends()).hasSameSizeAs(all).containsAll(before.sends());
        assertThat(grown.send(click)).contains(Send.off(click));
    }

    @Test
    public void anInputMovesAndTheNumbersStayTheSameOnes() {
        Session gaps = new NumberInput(new InputId("i3"), 90).applyTo(SESSION, RandomSessions.RIG);
        List<Integer> numbers = gaps.inputs().stream().map(Input::number).toList();
        Session moved =
                new MoveInput(new InputId("i3"), Optional.of(new InputId("i1"))).applyTo(gaps, RandomSessions.RIG);
        assertThat(moved.inputs().get(0).id()).isEqualTo(new InputId("i3"));
        assertThat(moved.inputs().stream().map(Input::number).toList()).isEqualTo(numbers);
        Session back = new MoveInput(new InputId("i3"), Optional.empty()).applyTo(moved, RandomSessions.RIG);
        assertThat(back.inputs()).isEqualTo(gaps.inputs());
    }

    @Test
    public void aTrackMovesInFrontOfAnother() {
        Session moved = new MoveTrack(new TrackId("t1"), Optional.of(TRACK)).applyTo(SESSION, RandomSessions.RIG);
        List<TrackId> order = moved.tracks().stream().map(track -> track.id()).toList();
        assertThat(order.indexOf(new TrackId("t1"))).isEqualTo(order.indexOf(TRACK) - 1);
    }

    static void assertRefused(Edit edit, Session session, Rig rig, String reason) {
        assertThatThrownBy(() -> edit.applyTo(session, rig))
                .isInstanceOf(Refused.class)
                .hasMessageContaining(reason);
    }
}
