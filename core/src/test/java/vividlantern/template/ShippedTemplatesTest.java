package vividlantern.template;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.session.Input;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.Inserted;
import vividlantern.session.edit.SoundSession;
import vividlantern.units.Decibels;

/** The templates that ship. */
public class ShippedTemplatesTest {

    @DataProvider
    public Object[][] all() {
        return ShippedTemplates.all().stream()
                .map(template -> new Object[] {template})
                .toArray(Object[][]::new);
    }

    @Test(dataProvider = "all")
    public void eachIsASessionThatEditsCouldHaveMade(Template template) {
        SoundSession.require(template.session(), Rig.empty(new RigId("none"), "none"));
        assertThat(template.session().tracks().stream().filter(Track::isFed).count())
                .isEqualTo(template.session().inputs().size());
        assertThat(template.about().description()).isNotEmpty();
    }

    @Test(dataProvider = "all")
    public void noPerformerIsGivenAnythingLoud(Template template) {
        assertThat(template.session().cues())
                .isNotEmpty()
                .allMatch(cue -> !cue.listeners().isEmpty() && cue.guarded())
                .allMatch(cue ->
                        cue.sends().stream().allMatch(send -> send.level().compareTo(Decibels.of(-6)) <= 0));
    }

    @Test
    public void theyFindPlacesOnARigTheyNeverSaw() {
        Template template = ShippedTemplates.all().get(0);
        Beginning begun = Beginning.of(template, new SessionId("x"), "X", "", RandomSessions.RIG);
        assertThat(begun.fitted().lines()).hasSize(4);
        assertThat(begun.unplugged().inputs()).allMatch(input -> input.ports().isEmpty());
        assertThat(ShippedTemplates.all().stream().map(each -> Needs.of(each.session())))
                .containsExactly(
                        "2 mono inputs, 2 output pairs for headphones, 48 kHz",
                        "4 mono and 1 stereo input, 5 with +48 V, 1 output pair for headphones, 48 kHz",
                        "6 mono inputs, 2 with +48 V, 1 output pair for headphones, 48 kHz",
                        "4 mono and 2 stereo inputs, 6 with +48 V, 2 output pairs for headphones, 48 kHz",
                        "7 mono and 1 stereo input, 6 with +48 V, 3 output pairs for headphones, 48 kHz");
    }

    @Test
    public void whoeverWantsAReverbFindsOneIntoWhichNothingIsSent() {
        Session band = named("Ensemble of five");
        assertThat(returns(band)).containsExactly("Reverb", "Echo");
        assertThat(returns(named("Choir with piano"))).containsExactly("Reverb");
        assertThat(band.ways()).isEmpty();
        assertThat(band.chainsOf(new TrackId("echo")).heard().effects())
                .extracting(Inserted::type)
                .containsExactly(EffectType.ECHO);
        assertThat(band.cues())
                .allMatch(cue -> cue.sends().stream()
                        .filter(send -> band.find(send.trackId()).orElseThrow().gathers())
                        .allMatch(send -> send.level().isOff()));
    }

    private static Session named(String title) {
        return ShippedTemplates.all().stream()
                .filter(template -> template.about().title().equals(title))
                .findAny()
                .orElseThrow()
                .session();
    }

    private static Stream<String> returns(Session session) {
        return session.tracks().stream().filter(Track::isReturn).map(Track::name);
    }

    @Test
    public void ribbonsNeverGetPower() {
        assertThat(ShippedTemplates.all().stream()
                        .flatMap(template -> template.session().inputs().stream())
                        .filter(input -> input.mic().equals("ribbon")))
                .hasSize(4)
                .allMatch(input -> input.phantom() == PhantomWish.NEVER);
    }

    @Test
    public void everyInputOfARigHasATrackAndStaysWhereItIs() {
        Session made = Beginning.of(
                        ShippedTemplates.everyInput(RandomSessions.RIG),
                        new SessionId("x"),
                        "X",
                        "",
                        RandomSessions.RIG)
                .session();
        assertThat(made.inputs().stream().map(Input::source))
                .containsExactlyElementsOf(Stream.iterate(1, n -> n + 1)
                        .limit(RandomSessions.INPUTS)
                        .map(n -> "House in-" + n)
                        .toList());
        assertThat(made.inputs()).allMatch(input -> input.ports().size() == 1);
        assertThat(made.tracks()).hasSize(RandomSessions.INPUTS + 2);
    }
}
