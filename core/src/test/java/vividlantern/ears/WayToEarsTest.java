package vividlantern.ears;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.ShelfDevices;
import vividlantern.basics.Refused;
import vividlantern.engine.HeardCues;
import vividlantern.mix.GuardCeiling;
import vividlantern.mix.PlayedPeaks.Played;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Noted;
import vividlantern.readiness.Readiness;
import vividlantern.rig.Amp;
import vividlantern.rig.LatencyProfile;
import vividlantern.rig.Mic;
import vividlantern.rig.MicId;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.StereoPair;
import vividlantern.rig.edit.DeviceEdit.MeasureDevice;
import vividlantern.rig.edit.DeviceEdit.SetAmp;
import vividlantern.rig.edit.MicEdit.PutMic;
import vividlantern.rig.edit.PairEdit.PairPorts;
import vividlantern.rig.edit.RigEdit;
import vividlantern.rig.edit.TieEdit.TiePorts;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Headphones;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.MonitoringEdit.SetEarMaximum;
import vividlantern.session.edit.WornEdit.SetHeadphones;
import vividlantern.session.edit.WornEdit.SetOutlet;
import vividlantern.units.Decibels;

/** How loud a cue is at the ears, with the numbers of a worked example, and what is said where it is not known. */
public class WayToEarsTest {

    private static final PairId PHONES = new PairId("phones");
    private static final PerformerId ANNA = new PerformerId("anna");
    private static final PerformerId BEN = new PerformerId("ben");
    private static final CueId CUE = new CueId("cue");
    private static final Headphones CLOSED = new Headphones("Closed, 64 ohm", 64, 98, 20);
    private static final Amp TURNED_UP = new Amp(6, 10, 6);

    /** An interface of +19 dBu, of which the second pair leads to a headphone amp; another amp beside it. */
    private static final Rig RIG = RigEdit.applyAll(
            List.of(
                    ShelfDevices.device("interface-8", "skiff", "Skiff"),
                    ShelfDevices.device("headphone-amp-4", "buoy", "Buoy"),
                    ShelfDevices.device("headphone-amp-1", "float", "Float"),
                    new MeasureDevice("skiff", 19, LatencyProfile.NONE),
                    new PairPorts(
                            PHONES, port("skiff-out-3"), port("skiff-out-4"), "Phones", StereoPair.Feeds.HEADPHONES),
                    new TiePorts(port("skiff-out-3"), port("buoy-in-1")),
                    new TiePorts(port("skiff-out-4"), port("buoy-in-2")),
                    new SetAmp("buoy", Optional.of(TURNED_UP))),
            Rig.empty(new RigId("loft"), "Loft"));

    private static final Session SESSION = Session.blank(new SessionId("s"), "S", "Song", RIG.id(), Optional.empty())
            .plus(Performer.of(ANNA, 1, "Anna", "booth"))
            .plus(Performer.of(BEN, 2, "Ben", "booth"))
            .plus(Cue.empty(CUE, 1, "Booth").outTo(Optional.of(PHONES)).heardBy(List.of(ANNA)));

    private static PortId port(String id) {
        return new PortId(id);
    }

    private static Session with(Edit... edits) {
        return Edit.applyAll(List.of(edits), SESSION, RIG);
    }

    private static WayToEars way(Session session, Rig rig) {
        return WayToEars.loudest(session.cues().get(0), session, rig).get(0);
    }

    private static Edit wears(PerformerId performer, Headphones headphones) {
        return new SetHeadphones(performer, Optional.of(headphones));
    }

    /** +19 dBu, -20 dBFS, amp +6 dB, 64 ohm behind 10 ohm, 98 dB/mW: 111.46 dB SPL; so 131.46 at full scale. */
    @Test
    public void theLevelAtTheEarIsThatOfTheWorkedExample() {
        assertThat(WayToEars.spl(19, -20, TURNED_UP, CLOSED)).isCloseTo(111.46, within(0.01));
        WayToEars way = way(with(wears(ANNA, CLOSED)), RIG);
        assertThat(way.unknown()).isEmpty();
        assertThat(way.headphones()).isEqualTo("Closed, 64 ohm");
        assertThat(way.splAtFullScale().orElseThrow()).isCloseTo(131.46, within(0.01));
        assertThat(way.spl(-20).orElseThrow()).isCloseTo(111.46, within(0.01));
    }

    /** 0.774597 V times 10^(25/20) is 13.77 V; an amp that gives 6 V overloads 7.22 dB below full scale. */
    @Test
    public void itIsSaidFromWhichLevelOnTheAmpOverloads() {
        assertThat(way(with(wears(ANNA, CLOSED)), RIG).overloadsAtDbfs().orElseThrow())
                .isCloseTo(-7.22, within(0.01));
        Rig strong = new SetAmp("buoy", Optional.of(new Amp(6, 10, 14))).applyTo(RIG);
        assertThat(way(with(wears(ANNA, CLOSED)), strong).overloadsAtDbfs()).isEmpty();
    }

    @Test
    public void whatIsNotKnownIsSaidWithWhatIsMissing() {
        unknown(SESSION, RIG, "Nobody has said which headphones Anna wears.");
        Session worn = with(wears(ANNA, CLOSED));
        Rig untold = new SetAmp("buoy", Optional.empty()).applyTo(RIG);
        unknown(worn, untold, "Nobody has said under Rig what Buoy does to the level.");
        Session nowhere = worn.change(CUE, cue -> cue.outTo(Optional.empty()));
        unknown(nowhere, RIG, "The cue leaves by no output pair.");
        Session speaker = worn.change(ANNA, anna -> anna.away(1.5));
        unknown(speaker, RIG, "Anna hears by a speaker, not by headphones.");
        Rig untied = RigEdit.applyAll(
                List.of(
                        ShelfDevices.device("interface-8", "skiff", "Skiff"),
                        new PairPorts(
                                PHONES,
                                port("skiff-out-3"),
                                port("skiff-out-4"),
                                "Phones",
                                StereoPair.Feeds.HEADPHONES)),
                Rig.empty(new RigId("loft"), "Loft"));
        unknown(worn, untied, "Nobody has said under Rig to which headphone amp Phones leads.");
    }

    private static void unknown(Session session, Rig rig, String why) {
        WayToEars way = way(session, rig);
        assertThat(way.unknown()).isEqualTo(why);
        assertThat(way.splAtFullScale()).isEmpty();
        assertThat(GuardCeiling.of(PHONES, session, rig)).isEqualTo(GuardCeiling.UNKNOWN_WAY);
    }

    @Test
    public void whoIsPluggedInWhereTheCueDoesNotArriveIsSaid() {
        Session elsewhere = with(wears(ANNA, CLOSED), new SetOutlet(ANNA, Optional.of(port("float-out-1"))));
        unknown(elsewhere, RIG, "Anna is plugged in at Float, and the cue Booth arrives at Buoy.");
        assertThat(Readiness.of(elsewhere, RIG, Noted.NOTHING).stream()
                        .map(each -> each.finding().sentence()))
                .contains("Anna is plugged in at Float, and the cue Booth arrives at Buoy.");
        Session right = with(wears(ANNA, CLOSED), new SetOutlet(ANNA, Optional.of(port("buoy-out-2"))));
        assertThat(way(right, RIG).unknown()).isEmpty();
        assertThat(Readiness.of(right, RIG, Noted.NOTHING).stream()
                        .map(each -> each.finding().key()))
                .noneMatch(key -> key.startsWith("plugged-elsewhere"));
        assertThat(way(right, RIG).outlet()).isEqualTo("Buoy, Outlet 2");
    }

    /** The other pair leads to the amp at which Ben is plugged in; the lower ceiling holds at both. */
    @Test
    public void ofACueAtTwoPairsEachHearsByTheAmpTheyArePluggedInAt() {
        PairId other = new PairId("other");
        Rig two = RigEdit.applyAll(
                List.of(
                        new PairPorts(
                                other, port("skiff-out-5"), port("skiff-out-6"), "Other", StereoPair.Feeds.HEADPHONES),
                        new TiePorts(port("skiff-out-5"), port("float-in-1")),
                        new TiePorts(port("skiff-out-6"), port("float-in-2")),
                        new SetAmp("float", Optional.of(new Amp(-14, 10, 6)))),
                RIG);
        Session both = with(
                        wears(ANNA, CLOSED),
                        wears(BEN, CLOSED),
                        new SetOutlet(ANNA, Optional.of(port("buoy-out-2"))),
                        new SetOutlet(BEN, Optional.of(port("float-out-1"))))
                .change(CUE, cue -> cue.heardBy(List.of(ANNA, BEN)).alsoOutTo(List.of(other)));
        assertThat(WayToEars.loudest(both.cues().get(0), both, two))
                .extracting(way -> way.splAtFullScale().orElseThrow())
                .satisfiesExactly(
                        anna -> assertThat(anna).isCloseTo(131.46, within(0.01)),
                        ben -> assertThat(ben).isCloseTo(111.46, within(0.01)));
        assertThat(GuardCeiling.of(other, both, two))
                .isEqualTo(GuardCeiling.of(PHONES, both, two))
                .satisfies(ceiling -> assertThat(ceiling.dbfs()).isCloseTo(-26.46, within(0.01)));
    }

    @Test
    public void theCeilingKeepsASineBelowOneHundredAndFiveAtTheLoudestEars() {
        GuardCeiling loud = GuardCeiling.of(PHONES, with(wears(ANNA, CLOSED)), RIG);
        assertThat(loud.dbfs()).isCloseTo(105 - 131.46, within(0.01));
        assertThat(loud.rule()).isEqualTo("so that a sine reaches 105 dB SPL at most at the ears of Anna");
        Rig quiet = new SetAmp("buoy", Optional.of(new Amp(-30, 10, 6))).applyTo(RIG);
        assertThat(GuardCeiling.of(PHONES, with(wears(ANNA, CLOSED)), quiet))
                .isEqualTo(new GuardCeiling(-6, "because the known way to the ears leaves a sine below 105 dB SPL"));
        Session both = with(wears(ANNA, CLOSED)).change(CUE, cue -> cue.heardBy(List.of(ANNA, BEN)));
        assertThat(GuardCeiling.of(PHONES, both, quiet))
                .as("nobody has said what Ben wears")
                .isEqualTo(GuardCeiling.UNKNOWN_WAY);
        assertThat(GuardCeiling.of(PHONES, both, RIG).dbfs())
                .as("lower for those of whom it is known")
                .isCloseTo(-26.46, within(0.01));
        Session louder = Edit.applyAll(List.of(wears(BEN, new Headphones("In-ear", 24, 116, 32))), both, RIG);
        GuardCeiling lowest = GuardCeiling.of(PHONES, louder, RIG);
        assertThat(lowest.rule()).endsWith("at the ears of Ben");
        assertThat(lowest.dbfs()).isLessThan(loud.dbfs());
    }

    @Test
    public void theShelfHoldsWhatAnEditTakes() {
        List<String> names = new ArrayList<>();
        HeadphoneShelf.all().forEach(each -> {
            with(wears(ANNA, each));
            names.add(each.name());
        });
        assertThat(names).hasSize(7).doesNotHaveDuplicates();
    }

    /** An outlet that was noted 12 dB down is 12 dB quieter, and overloads 12 dB later; the ceiling counts with it fully open. */
    @Test
    public void anOutletThatIsTurnedDownIsQuieter() {
        Session plugged = with(wears(ANNA, CLOSED), new SetOutlet(ANNA, Optional.of(port("buoy-out-2"))));
        OutletNote note = new OutletNote(
                port("buoy-out-2"),
                port("skiff-out-3"),
                port("skiff-out-4"),
                OutletNote.CameOut.AS_THEY_SHOULD,
                Optional.empty(),
                12);
        WayToEars way =
                WayToEars.of(plugged.cues().get(0), plugged, RIG, List.of(note)).get(0);
        assertThat(way.splAtFullScale().orElseThrow()).isCloseTo(119.46, within(0.01));
        assertThat(way.overloadsAtDbfs()).as("beyond full scale").isEmpty();
        assertThat(way.arrival()).contains(OutletStanding.State.CONFIRMED);
        assertThat(WayToEars.of(plugged.cues().get(0), plugged, RIG, List.of())
                        .get(0)
                        .arrival())
                .contains(OutletStanding.State.NOT_CONFIRMED);
        assertThat(GuardCeiling.of(PHONES, plugged, RIG).dbfs()).isCloseTo(-26.46, within(0.01));
        assertThat(found(plugged, List.of()))
                .containsExactly("Anna, plugged in at Buoy, Outlet 2: Not confirmed: nobody has listened here yet.");
        assertThat(found(plugged, List.of(note))).isEmpty();
    }

    /** 131.46 dB SPL at full scale: 90 at most are 41.46 dB below it. */
    @Test
    public void theCeilingFollowsTheSessionsOwnMaximum() {
        GuardCeiling ceiling = GuardCeiling.of(PHONES, with(wears(ANNA, CLOSED), new SetEarMaximum(90)), RIG);
        assertThat(ceiling.dbfs()).isCloseTo(-41.46, within(0.01));
        assertThat(ceiling.rule()).isEqualTo("so that a sine reaches 90 dB SPL at most at the ears of Anna");
    }

    private static List<String> found(Session session, List<OutletNote> notes) {
        Noted noted =
                new Noted(List.of(), notes, List.of(), List.of(), buffer -> 0, Map.of(), Map.of(), Map.of(), Map.of());
        return found(session, noted, "outlet-unconfirmed/").stream()
                .map(Finding::sentence)
                .toList();
    }

    private static List<Finding> found(Session session, Noted noted, String rule) {
        return Readiness.findings(session, RIG, noted).stream()
                .filter(finding -> finding.key().startsWith(rule))
                .toList();
    }

    private static Noted heard(double belowFullScale, Map<InputId, Played> played) {
        return heard(new HeardCues.Heard(Optional.of(belowFullScale), false, false, Optional.empty()), played);
    }

    private static Noted heard(HeardCues.Heard cue, Map<InputId, Played> played) {
        return new Noted(
                List.of(), List.of(), List.of(), List.of(), buffer -> 0, played, Map.of(), Map.of(CUE, cue), Map.of());
    }

    /** 131.46 - 37 = 94.46 dB(A) are 54 minutes; four hours are 88: 7 dB less. At 87.46 nothing is said. */
    @Test
    public void whatIsTooLoudForALongSessionIsSaidAndLowered() {
        Session worn = with(wears(ANNA, CLOSED));
        List<Finding> loud = found(worn, heard(-37, Map.of()), "too-loud/");
        assertThat(loud)
                .extracting(Finding::sentence)
                .containsExactly(
                        "It was about 94 dB(A) at the ears of Anna while the song played: the limit of a day is"
                                + " reached after 54 minutes of it.");
        Session lower = Edit.applyAll(loud.get(0).fix().orElseThrow().edits(), worn, RIG);
        assertThat(lower.find(CUE).orElseThrow().level()).isEqualTo(Decibels.of(-7));
        assertThat(Readiness.then(worn, RIG, heard(-37, Map.of()), loud.get(0).key()))
                .as("how the cue sounded as it was is no news of it as it is then")
                .isEmpty();
        assertThat(found(worn, heard(-44, Map.of()), "too-loud/")).isEmpty();
    }

    /**
     * 91.46 dB SPL at the ear, 2 dB less outside, 23.52 dB less at 0.3 m: 65.94 dB SPL, 0.0396 Pa; 20 mV/Pa make -59.8 dBu, 40 dB of
     * gain and +19 dBu -38.8 dBFS. A source whose peaks reach -12 has its mean at -24: 15 dB above. Behind 30 dB more nothing is said.
     */
    @Test
    public void openHeadphonesInFrontOfAMicAreFound() {
        InputId voice = new InputId("voice");
        Rig rig = RigEdit.applyAll(
                List.of(new PutMic(new Mic(new MicId("wren"), "Wren L", Mic.Kind.LARGE_CONDENSER, 1, 20, "XLR"))), RIG);
        Headphones open = new Headphones("Open", 64, 98, 2);
        Session session = with(wears(ANNA, open))
                .plus(Input.of(voice, 1, "Voice")
                        .playedBy(Optional.of(ANNA))
                        .through("Wren L")
                        .amplified(40)
                        .patchedTo(List.of(port("skiff-in-1"))));
        assertThat(Spill.dbfs(91.46, open, session.find(voice).orElseThrow(), rig)
                        .orElseThrow())
                .isCloseTo(-38.8, within(0.1));
        Noted noted = heard(-40, Map.of(voice, new Played(-12, 10)));
        assertThat(Readiness.findings(session, rig, noted))
                .filteredOn(finding -> finding.key().startsWith("spill/"))
                .extracting(Finding::sentence)
                .containsExactly(
                        "Input 1, Voice, also hears the headphones of who plays it, Open: about 15 dB below its source.");
        Session closed =
                new SetHeadphones(ANNA, Optional.of(new Headphones("In-ear", 64, 98, 32))).applyTo(session, rig);
        assertThat(Readiness.findings(closed, rig, noted))
                .noneMatch(finding -> finding.key().startsWith("spill/"));
        clickThroughOpenHeadphones(session, rig, voice);
    }

    /** A click of -40 dBFS comes in at -38.8 too, 26.8 dB below peaks of -12; one of -47 33.8 dB, which 6 dB less brings below 40. */
    private static void clickThroughOpenHeadphones(Session silent, Rig rig, InputId voice) {
        TrackId click = new TrackId("click");
        Session session = silent.change(CUE, cue -> cue.withSend(click, send -> send.at(Decibels.of(-3))));
        Map<InputId, Played> sang = Map.of(voice, new Played(-12, 10));
        List<Finding> loud = clicks(session, rig, -40, sang);
        assertThat(loud)
                .extracting(Finding::sentence)
                .containsExactly("Input 1, Voice, also hears the click in the headphones of who plays it, Open:"
                        + " its peaks about 27 dB below its source.");
        assertThat(loud.get(0).byHand()).isEqualTo("Give them headphones that keep more in.");
        Finding.Fix fix = clicks(session, rig, -47, sang).get(0).fix().orElseThrow();
        assertThat(fix.words()).isEqualTo("Lower the click in Booth by 6 dB");
        assertThat(Edit.applyAll(fix.edits(), session, rig)
                        .find(CUE)
                        .orElseThrow()
                        .send(click)
                        .orElseThrow()
                        .level())
                .isEqualTo(Decibels.of(-9));
        assertThat(clicks(session, rig, -54, sang)).isEmpty();
    }

    private static List<Finding> clicks(Session session, Rig rig, double dbfs, Map<InputId, Played> played) {
        Noted noted = heard(new HeardCues.Heard(Optional.empty(), false, false, Optional.of(dbfs)), played);
        return Readiness.findings(session, rig, noted).stream()
                .filter(finding -> finding.key().startsWith("click-spill/"))
                .toList();
    }

    @Test
    public void whatCannotBeSaidOfAnOutletIsRefused() {
        OutletNote good = new OutletNote(
                port("buoy-out-2"),
                port("skiff-out-3"),
                port("skiff-out-4"),
                OutletNote.CameOut.SWAPPED,
                Optional.empty(),
                0);
        good.requireOf(RIG);
        refused(new OutletNote(good.left(), good.left(), good.right(), good.cameOut(), good.at(), 0), "no outlet");
        refused(new OutletNote(good.outlet(), good.right(), good.left(), good.cameOut(), good.at(), 0), "not fed by");
        refused(
                new OutletNote(good.outlet(), good.left(), good.right(), good.cameOut(), good.at(), 80.1),
                "0 to 80 dB");
        refused(
                new OutletNote(good.outlet(), good.left(), good.right(), good.cameOut(), good.at(), Double.NaN),
                "0 to 80");
        OutletNote.CameOut elsewhere = OutletNote.CameOut.ELSEWHERE;
        refused(new OutletNote(good.outlet(), good.left(), good.right(), elsewhere, good.at(), 0), "Say where");
        Optional<PortId> itself = Optional.of(good.outlet());
        refused(new OutletNote(good.outlet(), good.left(), good.right(), elsewhere, itself, 0), "another outlet");
    }

    private static void refused(OutletNote note, String why) {
        assertThatThrownBy(() -> note.requireOf(RIG))
                .isInstanceOf(Refused.class)
                .hasMessageContaining(why);
    }
}
