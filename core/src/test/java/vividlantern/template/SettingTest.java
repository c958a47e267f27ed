package vividlantern.template;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.format.Documents;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.chain.Chain;
import vividlantern.session.chain.Chains;
import vividlantern.session.chain.EffectId;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.Inserted;
import vividlantern.session.cue.Cue;
import vividlantern.session.edit.BackingEdit.AddBacking;
import vividlantern.session.edit.Edit;
import vividlantern.session.song.Media;
import vividlantern.session.song.MediaId;
import vividlantern.template.Setting.What;

/** How a track is set, given to others. */
public class SettingTest {

    private static final TrackId FROM = new TrackId("t0");
    private static final TrackId TO = new TrackId("t1");

    private static Setting of(Session session, What... what) {
        return Setting.of(new SettingId("s"), "Front", List.of(what), session, FROM);
    }

    private static Session given(Session session, Setting setting, TrackId... to) {
        return Edit.applyAll(setting.edits(session, List.of(to)), session, RandomSessions.RIG);
    }

    @Test
    public void onlyWhatIsChosenIsCopied() {
        Session session = RandomSessions.session(21);
        Track from = session.find(FROM).orElseThrow();
        Track was = session.find(TO).orElseThrow();
        Track level = given(session, of(session, What.LEVEL), TO).find(TO).orElseThrow();
        assertThat(level).isEqualTo(was.faded(from.fader()).trimmed(from.trim()).panned(from.pan()));
        Track hear =
                given(session, of(session, What.HEAR, What.LOOK), TO).find(TO).orElseThrow();
        assertThat(hear)
                .isEqualTo(was.heard(from.hear())
                        .looking(from.look().hidden(was.look().hidden())));
    }

    @Test
    public void allSendsAreTheSameAfterIt() {
        for (int seed = 0; seed < 30; seed++) {
            Session session = RandomSessions.session(seed);
            Session after = given(session, of(session, What.SENDS, What.POLARITY), TO);
            for (Cue cue : after.cues()) {
                cue.send(FROM).ifPresent(send -> assertThat(cue.send(TO)).contains(send.ofTrack(TO)));
            }
            assertThat(after.find(TO).orElseThrow().polarityFlipped())
                    .isEqualTo(after.find(FROM).orElseThrow().polarityFlipped());
        }
    }

    @Test
    public void theClickKeepsItsOwn() {
        Session session = RandomSessions.session(21);
        assertThat(of(session, What.LEVEL).edits(session, List.of(new TrackId("click"))))
                .isEmpty();
        assertThat(Setting.of(new SettingId("s"), "Click", List.of(What.LEVEL), session, new TrackId("click"))
                        .edits(session, List.of(TO, new TrackId("click-between"))))
                .isEmpty();
    }

    @Test
    public void whatIsOfferedFitsOneOfThemAtLeastAndNothingFitsAGuide() {
        TrackId guide = new TrackId("sketch");
        Session session = new AddBacking(
                        guide, "Sketch", new Media(new MediaId("a".repeat(32)), "a.wav", 2, 48_000, 4800))
                .applyTo(RandomSessions.session(21), RandomSessions.RIG);
        Setting front = of(session, What.LEVEL);
        Setting.Offered forOne = Setting.offered(List.of(front), session, List.of(TO, guide));
        assertThat(forOne.kept()).containsExactly(front);
        assertThat(forOne.tracks()).contains(FROM, guide).doesNotContain(TO, new TrackId("click"));
        assertThat(forOne.left()).containsExactly(guide);
        Setting.Offered forClick = Setting.offered(List.of(front), session, List.of(new TrackId("click")));
        assertThat(forClick.kept()).isEmpty();
        assertThat(forClick.tracks()).containsExactly(new TrackId("click-between"));
        assertThat(Setting.offered(List.of(front), session, List.of(guide)).tracks())
                .isEmpty();
    }

    /** A drive printed and a gate heard only; of a guide nothing can be printed, and it takes no settings at all. */
    @Test
    public void chainsAreCopiedBoth() {
        Chain printed = new Chain(true, List.of(Inserted.of(new EffectId("drive"), EffectType.DRIVE)));
        Chain heard = new Chain(false, List.of(Inserted.of(new EffectId("gate"), EffectType.GATE)));
        Session session = RandomSessions.session(21);
        Session chained = session.withChains(List.of(new Chains(FROM, printed, heard)));
        Session after = given(chained, of(chained, What.CHAINS), TO);
        assertThat(after.chainsOf(TO)).isEqualTo(new Chains(TO, printed, heard));
        assertThat(after.tracks()).isEqualTo(session.tracks());
        Session none = given(after, of(session, What.CHAINS), TO);
        assertThat(none.chains()).extracting(Chains::track).containsExactly(FROM);
    }

    @Test
    public void itIsReadBackAndRefusesNothingChosen() {
        Session session = RandomSessions.session(22);
        Setting setting = of(session, What.values());
        assertThat(Documents.read(Documents.write(setting), Setting.class)).isEqualTo(setting);
        assertThatThrownBy(() -> of(session)).isInstanceOf(Refused.class).hasMessageContaining("what shall be copied");
    }
}
