package vividlantern.session.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static vividlantern.session.edit.HarpAndFlute.FLUTE_TRACK;
import static vividlantern.session.edit.HarpAndFlute.HALL;
import static vividlantern.session.edit.HarpAndFlute.HARP_TRACK;
import static vividlantern.session.edit.HarpAndFlute.RIG;
import static vividlantern.session.edit.HarpAndFlute.SESSION;
import static vividlantern.session.edit.HarpAndFlute.STRINGS;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.basics.Refused;
import vividlantern.rig.PairId;
import vividlantern.session.Hear;
import vividlantern.session.Session;
import vividlantern.session.Sums;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.TrackWay;
import vividlantern.session.TrackWay.Out;
import vividlantern.session.TrackWay.Side;
import vividlantern.session.TrackWay.To;
import vividlantern.session.cue.Tap;
import vividlantern.session.edit.SessionEdit.SetMainOutput;
import vividlantern.session.edit.TrackEdit.ArmTrack;
import vividlantern.session.edit.TrackEdit.FeedTrack;
import vividlantern.session.edit.TrackEdit.RemoveTrack;
import vividlantern.session.edit.TrackEdit.SetHear;
import vividlantern.session.edit.WayEdit.AddReturn;
import vividlantern.session.edit.WayEdit.AddSum;
import vividlantern.session.edit.WayEdit.SendInto;
import vividlantern.session.edit.WayEdit.SendOut;
import vividlantern.session.edit.WayEdit.SetWay;
import vividlantern.units.Decibels;

/** Where no track can go, each with its reason, and what becomes of ways when sums go. */
public class WayEditTest {

    private static final TrackId ALL = new TrackId("all");

    /** The harp goes to the strings, and those to all of it. */
    private static final Session TWO = new AddSum(ALL, "All of it", List.of(STRINGS)).applyTo(SESSION, RIG);

    @DataProvider
    public Object[][] refused() {
        return new Object[][] {
            {to(STRINGS, STRINGS), "This would run in a circle: Strings \u2192 Strings."},
            {to(ALL, STRINGS), "This would run in a circle: All of it \u2192 Strings \u2192 All of it."},
            {to(HARP_TRACK, FLUTE_TRACK), "Flute is no sum; nothing can go into it."},
            {to(HARP_TRACK, new TrackId("ghost")), "There is no track 'ghost' in this session."},
            {
                new SetWay(HARP_TRACK, To.SUM, Optional.empty()),
                "A track goes to main, to a sum that is named, or nowhere."
            },
            {
                new SetWay(HARP_TRACK, To.MAIN, Optional.of(STRINGS)),
                "A track goes to main, to a sum that is named, or nowhere."
            },
            {new AddSum(STRINGS, "Once more", List.of()), "The id 'strings' is taken."},
            {new AddSum(new TrackId("new"), " ", List.of()), "A sum needs a name."},
            {new ArmTrack(STRINGS, true), "Strings is heard and not recorded. Arm the tracks that go into it."},
            {new SetHear(STRINGS, Hear.OFF), "Strings is heard as far as its tracks are."},
            {new FeedTrack(STRINGS, List.of()), "Strings is a sum; tracks go into it by their ways."},
            {new FeedTrack(HALL, List.of()), "Hall is a return, fed by what tracks send into it."},
            {to(HARP_TRACK, HALL), "Hall is no sum; nothing can go into it."},
            {sent(HARP_TRACK, STRINGS), "Strings is no return; nothing can be sent into it."},
            {sent(HALL, HALL), "This would run in a circle: Hall \u2192 Hall."},
            {
                new SendInto(FLUTE_TRACK, HALL, Tap.INPUT, Decibels.of(13)),
                "A send is off or lies between \u221290.0 and +12.0 dB; +13.0 dB does not."
            },
            {
                out("main", Side.LEFT),
                "main (Panel out-1, out-2) carries the main mix. Choose another pair; there tracks are heard by the main mix."
            },
            {out("ghost", Side.BOTH), "There is no output pair 'ghost' in Plain."},
            {out("phones-2", null), "Something goes out by both outputs of a pair, by the left or by the right."},
            {
                new SendOut(HARP_TRACK, new Out(new PairId("phones-2"), Side.BOTH, Tap.INPUT, Decibels.of(13))),
                "What is sent out is off or lies between \u221290.0 and +12.0 dB; +13.0 dB does not."
            },
            {new AddReturn("Once more", HALL, Optional.empty()), "The id 'hall' is taken."},
            {new AddReturn(" ", new TrackId("new"), Optional.empty()), "A return needs a name."},
        };
    }

    private static Edit out(String pair, Side side) {
        return new SendOut(HARP_TRACK, new PairId(pair), side, Optional.empty(), Optional.empty());
    }

    /** Speakers and what is sent out share no pair, whichever was there first. */
    @Test
    public void thePairByWhichSomethingIsSentOutIsNoneForTheSpeakers() {
        Session sent = out("phones-2", Side.LEFT).applyTo(SESSION, RIG);
        assertThatThrownBy(() -> new SetMainOutput(Optional.of(new PairId("phones-2"))).applyTo(sent, RIG))
                .hasMessage("Harp is sent out by phones-2. Send it out by another pair first; there tracks are heard by"
                        + " the main mix.");
    }

    /** Chosen once more, as by a second press: how loud it is and where it leaves the track stays. */
    @Test
    public void whatIsSentAlreadyStaysAsItIs() {
        Session into = new SendInto(FLUTE_TRACK, HALL, Optional.empty(), Optional.empty()).applyTo(SESSION, RIG);
        assertThat(into.wayOf(FLUTE_TRACK).sends())
                .containsExactly(new TrackWay.Into(HALL, Tap.POST_FADER, Decibels.of(-12)));
        Session lower = new SendInto(FLUTE_TRACK, HALL, Tap.INPUT, Decibels.of(-30)).applyTo(into, RIG);
        assertThat(new SendInto(FLUTE_TRACK, HALL, Optional.empty(), Optional.empty()).applyTo(lower, RIG))
                .isEqualTo(lower);
        Out out = new Out(new PairId("phones-2"), Side.LEFT, Tap.POST_FADER, Decibels.of(-3));
        Session sent = new SendOut(HARP_TRACK, out).applyTo(SESSION, RIG);
        assertThat(out("phones-2", Side.LEFT).applyTo(sent, RIG)).isEqualTo(sent);
    }

    private static Edit sent(TrackId track, TrackId into) {
        return new SendInto(track, into, Tap.POST_FADER, Decibels.ZERO);
    }

    /** The hall goes into all of it, so that nothing of all of it may be sent there; nor of another hall that is sent there. */
    @Test
    public void aCircleByReturnsIsNamedWithItsStations() {
        TrackId second = new TrackId("second");
        Session looped = Edit.applyAll(
                List.of(to(HALL, ALL), new AddReturn("Second", second, Optional.empty()), sent(second, HALL)),
                TWO,
                RIG);
        assertThatThrownBy(() -> sent(ALL, second).applyTo(looped, RIG))
                .hasMessage("This would run in a circle: All of it \u2192 Second \u2192 Hall \u2192 All of it.");
        Session sends = sent(STRINGS, second).applyTo(looped, RIG);
        assertThat(Sums.circle(sends, HARP_TRACK)).isEmpty();
        assertThatThrownBy(() -> to(ALL, STRINGS).applyTo(sends, RIG))
                .hasMessage("This would run in a circle: All of it \u2192 Strings \u2192 All of it.");
        TrackId last = new TrackId("last");
        Session five = new AddSum(last, "Last", List.of(ALL)).applyTo(looped, RIG);
        assertThatThrownBy(() -> sent(STRINGS, second).applyTo(five, RIG))
                .hasMessage("At most 4 sums and returns can follow one another; these would be Strings \u2192 Second"
                        + " \u2192 Hall \u2192 All of it \u2192 Last.");
    }

    private static Edit to(TrackId track, TrackId sum) {
        return new SetWay(track, To.SUM, Optional.of(sum));
    }

    @Test(dataProvider = "refused")
    public void whatCannotBeIsRefusedWithItsReason(Edit edit, String reason) {
        assertThatThrownBy(() -> edit.applyTo(TWO, RIG))
                .isInstanceOf(Refused.class)
                .hasMessage(reason);
    }

    @Test
    public void aFifthSumInARowIsTooMany() {
        Session four = TWO;
        four = new AddSum(new TrackId("third"), "Third", List.of(ALL)).applyTo(four, RIG);
        Session now = new AddSum(new TrackId("fourth"), "Fourth", List.of(new TrackId("third"))).applyTo(four, RIG);
        assertThat(Sums.after(now, HARP_TRACK)).hasSize(TrackWay.DEEPEST);
        assertThatThrownBy(() -> new AddSum(new TrackId("inner"), "Inner", List.of(HARP_TRACK)).applyTo(now, RIG))
                .hasMessage(
                        "At most 4 sums and returns can follow one another; these would be Inner \u2192 Strings \u2192 All of it"
                                + " \u2192 Third \u2192 Fourth.");
    }

    @Test
    public void whatWentIntoASumThatIsRemovedGoesWhereThatWent() {
        Session without = new RemoveTrack(STRINGS).applyTo(TWO, RIG);
        assertThat(without.wayOf(HARP_TRACK))
                .isEqualTo(TrackWay.to(HARP_TRACK, ALL).of(SESSION.wayOf(HARP_TRACK)));
        Session none = new RemoveTrack(ALL).applyTo(without, RIG);
        assertThat(none.wayOf(HARP_TRACK).to()).isEqualTo(To.MAIN);
        assertThat(new RemoveTrack(HALL).applyTo(none, RIG).ways()).isEmpty();
    }

    /** As in a kit: what goes to a sum that stays behind goes to main, and what stays behind is sent nothing. */
    @Test
    public void whereOnlySomeTracksAreAWayLeadsToNoOther() {
        List<Track> harp = TWO.find(HARP_TRACK).stream().toList();
        assertThat(TWO.withoutOtherTracks(harp).ways()).isEmpty();
        List<Track> both = TWO.tracks().stream()
                .filter(track -> List.of(HARP_TRACK, HALL).contains(track.id()))
                .toList();
        assertThat(TWO.withoutOtherTracks(both).ways())
                .containsExactly(
                        TrackWay.toMain(HARP_TRACK).with(new TrackWay.Into(HALL, Tap.POST_FADER, Decibels.of(-12))));
    }

    /** Sums put in and turned round at random: whatever is let in ends at main or nowhere, and what is refused would not. */
    @Test
    public void everyCircleIsFoundAndNoneIsInvented() {
        Random random = new Random(7);
        List<TrackId> sums = new ArrayList<>();
        Session now = SESSION;
        for (int n = 0; n < 8; n++) {
            sums.add(new TrackId("s" + n));
            now = new AddSum(sums.get(n), "S" + n, List.of()).applyTo(now, RIG);
        }
        int circles = 0;
        for (int turn = 0; turn < 400; turn++) {
            TrackId from = sums.get(random.nextInt(8));
            TrackId into = sums.get(random.nextInt(8));
            boolean closes = into.equals(from) || comesTo(now, into, from);
            try {
                now = to(from, into).applyTo(now, RIG);
                assertThat(closes).isFalse();
            } catch (Refused refused) {
                assertThat(refused.getMessage().startsWith("This would run in a circle"))
                        .isEqualTo(closes);
                circles += closes ? 1 : 0;
                now = new SetWay(from, To.MAIN, Optional.empty()).applyTo(now, RIG);
            }
        }
        assertThat(circles).isGreaterThan(50);
    }

    private static boolean comesTo(Session session, TrackId from, TrackId wanted) {
        Set<TrackId> seen = new HashSet<>();
        Optional<TrackId> at = Optional.of(from);
        while (at.isPresent() && seen.add(at.get())) {
            at = session.wayOf(at.get()).sum();
            if (at.equals(Optional.of(wanted))) {
                return true;
            }
        }
        return false;
    }
}
