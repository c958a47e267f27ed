package vividlantern.readiness;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.groups.Tuple.tuple;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.playback.MediaState;
import vividlantern.rig.PairId;
import vividlantern.session.Feed;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.BackingEdit.AddBacking;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.MarkerEdit.SetMarker;
import vividlantern.session.edit.MarkerEdit.SetNeedsClick;
import vividlantern.session.edit.SendEdit.SetSendLevel;
import vividlantern.session.edit.SongEdit.SetClick;
import vividlantern.session.edit.TempoEdit.SetSongEnd;
import vividlantern.session.edit.TrackEdit.AddTrack;
import vividlantern.session.edit.TrackEdit.ArmTrack;
import vividlantern.session.edit.TrackEdit.RemoveTrack;
import vividlantern.session.edit.TrackEdit.SetFader;
import vividlantern.session.song.Backing;
import vividlantern.session.song.ClickPattern;
import vividlantern.session.song.MarkerId;
import vividlantern.session.song.Media;
import vividlantern.session.song.MediaId;
import vividlantern.units.Decibels;

/** What would go wrong with the click and with what is played along. */
public class SongRulesTest {

    private static final TrackId CLICK = new TrackId("click");
    private static final TrackId GUIDE = new TrackId("guide");
    private static final CueId CUE = new CueId("ann");
    private static final MarkerId VERSE = new MarkerId("verse");
    private static final Media TIDE = new Media(new MediaId("a1"), "tide.wav", 2, 48_000, 48_000);

    /** Ann hears a cue; nothing is in it yet. */
    private static Session begun(Edit... edits) {
        Session session = RandomSessions.blank()
                .plus(Performer.of(new PerformerId("ann"), 1, "Ann", "booth"))
                .plus(Cue.empty(CUE, 1, "Ann")
                        .outTo(Optional.of(new PairId("phones-1")))
                        .heardBy(List.of(new PerformerId("ann"))));
        return Edit.applyAll(List.of(edits), session, RandomSessions.RIG);
    }

    private static List<Finding> found(Session session, String rule) {
        return found(session, rule, Map.of());
    }

    private static List<Finding> found(Session session, String rule, Map<MediaId, MediaState> media) {
        Noted noted =
                new Noted(List.of(), List.of(), List.of(), List.of(), buffer -> 0, Map.of(), Map.of(), Map.of(), media);
        return Readiness.findings(session, RandomSessions.RIG, noted).stream()
                .filter(each -> each.key().startsWith(rule + "/"))
                .toList();
    }

    private static Session fixed(Session session, Finding finding) {
        return Edit.applyAll(finding.fix().orElseThrow().edits(), session, RandomSessions.RIG);
    }

    @Test
    public void aClickOnTheSpeakersWhileSomethingIsArmed() {
        TrackId voice = new TrackId("voice");
        Session loud =
                begun(new AddTrack(voice, "Voice", 1, List.of(Feed.NOTHING)), new SetFader(CLICK, Decibels.of(-10)));
        assertThat(found(loud, "click-on-speakers")).isEmpty();
        Session armed = new ArmTrack(voice, true).applyTo(loud, RandomSessions.RIG);
        Finding finding = found(armed, "click-on-speakers").get(0);
        assertThat(finding.sentence()).isEqualTo("Click sounds on the speakers while tracks are armed.");
        assertThat(found(fixed(armed, finding), "click-on-speakers")).isEmpty();
    }

    @Test
    public void aSongThatIsLaidOutAndDoesNotSayWhereItEnds() {
        assertThat(found(begun(), "song-without-end")).as("nothing is laid out").isEmpty();
        Session parts = begun(new SetMarker(VERSE, "Verse", 1));
        assertThat(found(parts, "song-without-end"))
                .extracting(Finding::sentence, Finding::why)
                .containsExactly(tuple("The song has no end.", "The whole song cannot be written to a file."));
        Session loop = begun(new AddBacking(GUIDE, "Guide", TIDE));
        assertThat(found(loop, "song-without-end")).isEmpty();
        Session loops = loop.withBacking(List.of(over(loop.backing().get(0))));
        assertThat(found(loops, "song-without-end").get(0).why()).startsWith("What is looped");
        Session ends = new SetSongEnd(Optional.of(16)).applyTo(parts, RandomSessions.RIG);
        assertThat(found(ends, "song-without-end")).isEmpty();
    }

    private static Backing over(Backing once) {
        return new Backing(
                once.track(),
                once.media(),
                once.follows(),
                once.bar(),
                once.beat(),
                once.seconds(),
                0,
                once.to(),
                true);
    }

    @Test
    public void aSoundOfAVoiceThatIsLost() {
        Session session = begun();
        ClickPattern own = session.click()
                .striking(session.click().voices().get(0).id(), TIDE)
                .orElseThrow();
        Session strikes = new SetClick(own).applyTo(session, RandomSessions.RIG);
        assertThat(found(strikes, "media-lost", Map.of(TIDE.id(), MediaState.THERE)))
                .isEmpty();
        assertThat(found(strikes, "media-lost", Map.of(TIDE.id(), MediaState.MISSING)))
                .extracting(Finding::sentence, Finding::why)
                .containsExactly(tuple("The file of tide.wav is missing.", "Beats strikes its made sound instead."));
        assertThat(found(strikes, "media-lost", Map.of(TIDE.id(), MediaState.CHANGED)))
                .extracting(Finding::why)
                .containsExactly("Beats may strike something else.");
    }

    @Test
    public void aPartThatNeedsAClickAndACueThatHasNone() {
        Session plain = begun(new SetMarker(VERSE, "Verse", 1));
        assertThat(found(plain, "click-missing")).isEmpty();
        Session needs = new SetNeedsClick(VERSE, true).applyTo(plain, RandomSessions.RIG);
        assertThat(found(needs, "click-missing"))
                .extracting(Finding::sentence)
                .containsExactly("Verse needs a click, and cue Ann has none.");
        Session hears = new SetSendLevel(CUE, CLICK, Decibels.of(-6)).applyTo(needs, RandomSessions.RIG);
        assertThat(found(hears, "click-missing")).isEmpty();
        ClickPattern silent = new ClickPattern(1, hears.click().voices(), true, 0, List.of(VERSE), false, false);
        Session without = new SetClick(silent).applyTo(hears, RandomSessions.RIG);
        Finding finding = found(without, "click-silent").get(0);
        assertThat(finding.sentence()).isEqualTo("Verse needs a click, and it is silent there.");
        assertThat(found(fixed(without, finding), "click-silent")).isEmpty();
    }

    @Test
    public void aVoiceThatIsOnNoTrack() {
        Session without = begun(new RemoveTrack(new TrackId("click-between")));
        Finding finding = found(without, "voice-without-track").get(0);
        assertThat(finding.sentence()).isEqualTo("The click's voice Between beats is on no track.");
        Session fixed = fixed(without, finding);
        assertThat(found(fixed, "voice-without-track")).isEmpty();
        assertThat(fixed.find(new TrackId("between-beats")).orElseThrow().isClick())
                .isTrue();
    }

    @Test
    public void aGuideInNoCueOrWhoseFileIsGone() {
        Session session = begun(new AddBacking(GUIDE, "Guide", TIDE));
        assertThat(found(session, "backing-unheard"))
                .extracting(Finding::sentence)
                .containsExactly("Guide is in no cue.");
        Session heard = new SetSendLevel(CUE, GUIDE, Decibels.of(-6)).applyTo(session, RandomSessions.RIG);
        assertThat(found(heard, "backing-unheard")).isEmpty();
        assertThat(found(heard.withBacking(List.of()), "backing-empty")).hasSize(1);
        assertThat(found(heard, "media-lost", Map.of(TIDE.id(), MediaState.THERE)))
                .isEmpty();
        assertThat(found(heard, "media-lost", Map.of(TIDE.id(), MediaState.MISSING)))
                .extracting(Finding::sentence, Finding::why)
                .containsExactly(tuple("The file of tide.wav is missing.", "Guide is silent."));
        assertThat(found(heard, "media-lost", Map.of(TIDE.id(), MediaState.CHANGED)))
                .extracting(Finding::sentence)
                .containsExactly("The file of tide.wav was changed on the disk.");
    }
}
