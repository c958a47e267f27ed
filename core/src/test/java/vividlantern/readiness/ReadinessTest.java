package vividlantern.readiness;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.ShelfDevices;
import vividlantern.patch.NewTracks;
import vividlantern.rig.Device;
import vividlantern.rig.Mic;
import vividlantern.rig.MicId;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.StereoPair;
import vividlantern.rig.edit.DeviceEdit.RemoveDevice;
import vividlantern.rig.edit.DeviceEdit.SetDeviceClock;
import vividlantern.rig.edit.MicEdit.PutMic;
import vividlantern.rig.edit.PairEdit.PairPorts;
import vividlantern.rig.edit.PortEdit.HidePort;
import vividlantern.rig.edit.RigEdit;
import vividlantern.rig.edit.TieEdit.TiePorts;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.AcknowledgementEdit.Acknowledge;
import vividlantern.session.edit.CueEdit.AddCue;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.InputEdit.SetInputGain;
import vividlantern.session.edit.InputEdit.SetInputLevel;
import vividlantern.session.edit.InputEdit.SetInputMic;
import vividlantern.session.edit.InputEdit.SetInputPad;
import vividlantern.session.edit.InputEdit.SetInputPhantom;
import vividlantern.session.edit.InputEdit.SetInputWidth;
import vividlantern.session.edit.SendEdit.AddSends;
import vividlantern.session.edit.SendEdit.SetSendLevel;
import vividlantern.session.edit.SessionEdit.SetSampleRate;
import vividlantern.session.edit.TrackEdit.AddTrack;
import vividlantern.session.edit.TrackEdit.ArmTrack;
import vividlantern.timing.MeasuredLatency;
import vividlantern.units.Decibels;

/** What is found before recording, and whether the way out leads out. */
public class ReadinessTest {

    private static final Rig RIG = RigEdit.applyAll(
            List.of(
                    ShelfDevices.device("interface-16", "skiff", "Skiff"),
                    ShelfDevices.device("mic-expander", "raft", "Raft"),
                    new TiePorts(port("raft-in-1"), port("skiff-in-17")),
                    new TiePorts(port("raft-in-2"), port("skiff-in-18")),
                    new TiePorts(port("raft-in-8"), port("skiff-in-24")),
                    new PairPorts(
                            new PairId("room"),
                            port("skiff-in-7"),
                            port("skiff-in-8"),
                            "Room",
                            StereoPair.Feeds.NOTHING),
                    mic("wren", "Wren L", Mic.Kind.LARGE_CONDENSER),
                    mic("dunlin", "Dunlin R", Mic.Kind.RIBBON),
                    mic("gannet", "Gannet D", Mic.Kind.DYNAMIC)),
            Rig.empty(new RigId("loft"), "Loft"));

    /** The interface was measured, and its driver tells the truth. */
    private static final Noted MEASURED = measured();

    private static Noted measured() {
        Device skiff = RIG.leadingInterface().orElseThrow();
        MeasuredLatency.Measurement found = new MeasuredLatency.Measurement(
                128,
                port("skiff-out-1"),
                port("skiff-in-8"),
                skiff.latency().roundTripFrames(128),
                60,
                skiff.latency(),
                "2026-05-01T10:00:00Z");
        return new Noted(
                List.of(),
                List.of(),
                List.of(new MeasuredLatency(skiff.id(), 48_000, found, Optional.of(found))),
                List.of(),
                buffer -> 0,
                Map.of(),
                Map.of(),
                Map.of(),
                Map.of());
    }

    /** A fiddle at the first port on its own armed track: nothing is wrong with it. */
    private static final Session SOUND = made(
            Session.blank(new SessionId("s"), "S", "", RIG.id(), Optional.empty()),
            new AddInput(input("fiddle"), 1, "Fiddle"),
            new SetInputMic(input("fiddle"), "Gannet D"),
            new PatchInput(input("fiddle"), port("skiff-in-1")),
            new AddTrack(track("fiddle"), "Fiddle", 1, List.of(Feed.from(input("fiddle"), 0))),
            new ArmTrack(track("fiddle"), true));

    @Test
    public void aBlankSessionIsNotReady() {
        Session blank = Session.blank(new SessionId("s"), "S", "", RIG.id(), Optional.empty());
        assertThat(Readiness.findings(blank, RIG, MEASURED))
                .extracting(Finding::sentence)
                .containsExactly("No track is armed, and nothing feeds one.");
    }

    @Test
    public void nothingIsFoundWhereNothingIsWrong() {
        assertThat(Readiness.findings(SOUND, RIG, MEASURED)).isEmpty();
    }

    /** Edits that make one thing wrong, what is then found, and what the button says. */
    @DataProvider
    public Object[][] faults() {
        return new Object[][] {
            {
                List.of(new PatchInput(input("fiddle"), port("raft-in-8")), new SetSampleRate(96_000)),
                "Input 1, Fiddle, comes by Raft 8, which is not there at 96.0 kHz: optical, 4 channels.",
                "Put it into Skiff 1"
            },
            {
                List.of(
                        second(),
                        new PatchInput(input("bass"), port("skiff-in-1")),
                        new AddTrack(track("bass"), "Bass", 1, List.of(Feed.NOTHING))),
                "Input 1, Fiddle and Input 2, Bass both go into Skiff 1.",
                "Put Bass into Skiff 2"
            },
            {
                List.of(new AddTrack(track("copy"), "Copy", 1, List.of(Feed.from(input("fiddle"), 0)))),
                "Skiff 1 is recorded 2 times, on Fiddle and Copy: heard together +6.0 dB louder.",
                "Keep it on Fiddle only"
            },
            {List.of(second()), "Input 2, Bass, has no port.", "Put it into Skiff 2"},
            {List.of(second()), "Input 2, Bass, is on no track.", "Make a track for it"},
            {List.of(new ArmTrack(track("fiddle"), false)), "No track is armed.", "Arm the one that is fed"},
            {
                List.of(new AddTrack(track("spare"), "Spare", 1, List.of()), new ArmTrack(track("spare"), true)),
                "Track Spare is armed, and nothing feeds it.",
                "Disarm it"
            },
            {
                List.of(
                        new SetInputMic(input("fiddle"), "large condenser, Wren L"),
                        new SetInputPhantom(input("fiddle"), PhantomWish.OFF)),
                "Input 1, Fiddle, has a large condenser without +48 V.",
                "Give it +48 V"
            },
            {
                List.of(new SetInputMic(input("fiddle"), "a pencil condenser of theirs")),
                "Input 1, Fiddle, has a small condenser without +48 V.",
                "Give it +48 V"
            },
            {
                List.of(
                        new SetInputMic(input("fiddle"), "Wren L"),
                        new SetInputPhantom(input("fiddle"), PhantomWish.ON),
                        new SetInputLevel(input("fiddle"), Port.Signal.LINE),
                        new PatchInput(input("fiddle"), port("skiff-in-9"))),
                "Input 1, Fiddle, has a large condenser, and Skiff 9 gives no +48 V.",
                ""
            },
            {
                List.of(
                        new SetInputMic(input("fiddle"), "ribbon, Dunlin R"),
                        new SetInputPhantom(input("fiddle"), PhantomWish.ON)),
                "Input 1, Fiddle, has a ribbon with +48 V on.",
                "Never give it +48 V"
            },
            {
                List.of(new SetInputLevel(input("fiddle"), Port.Signal.INSTRUMENT)),
                "Input 1, Fiddle, comes at instrument level, and Skiff 1 does not take that.",
                ""
            },
            {
                List.of(new PatchInput(input("fiddle"), port("skiff-in-9"))),
                "Input 1, Fiddle, comes at mic level, and Skiff 9 does not take that.",
                "Put it into Skiff 1"
            },
            {
                List.of(new AddTrack(track("other"), "fiddle", 1, List.of())),
                "Two tracks are called fiddle.",
                "Call the later one fiddle 2"
            },
        };
    }

    @Test(dataProvider = "faults")
    public void aFaultIsSaidWithItsWayOut(List<Edit> edits, String sentence, String button) {
        Session session = Edit.applyAll(edits, SOUND, RIG);
        Finding finding = find(session, RIG, sentence);
        assertThat(finding.fix().map(Finding.Fix::words).orElse("")).isEqualTo(button);
        assertThat(finding.byHand().isEmpty()).isEqualTo(finding.fix().isPresent());
        finding.fix()
                .ifPresent(fix -> assertThat(
                                Readiness.findings(Edit.applyAll(fix.edits(), session, RIG), RIG, MEASURED))
                        .noneMatch(each -> each.key().equals(finding.key())));
    }

    /** Each way out is made on what the ones before it left: tracks of the same name get ids of their own. */
    @Test
    public void oneWayOutForAllEndsEachOfThem() {
        Session session = SOUND;
        for (int n = 2; n <= 6; n++) {
            session = new AddInput(input("room-" + n), n, "Room").applyTo(session, RIG);
        }
        Finding first = Readiness.findings(session, RIG, MEASURED).stream()
                .filter(each -> each.topic() == Finding.Topic.NO_TRACK)
                .findFirst()
                .orElseThrow();
        Session meant = new Acknowledge(first.key(), "only a spare").applyTo(session, RIG);
        Finding open = Readiness.of(meant, RIG, MEASURED).stream()
                .filter(each -> each.isOpen() && each.finding().topic() == Finding.Topic.NO_TRACK)
                .findFirst()
                .orElseThrow()
                .finding();
        Session fixed = Edit.applyAll(Readiness.together(meant, RIG, MEASURED, open.key()), meant, RIG);
        assertThat(fixed.tracks().stream().filter(track -> track.name().equals("Room")))
                .hasSize(4);
        assertThat(Readiness.findings(fixed, RIG, MEASURED))
                .filteredOn(each -> each.topic() == Finding.Topic.NO_TRACK)
                .extracting(Finding::key)
                .containsExactly(first.key());
        assertThat(Readiness.together(meant, RIG, MEASURED, "no such key")).isEmpty();
    }

    /** Their words differ by the port, the way is one. */
    @Test
    public void allWithoutAPortAreEachPutIntoOneOfTheirOwn() {
        Session session = SOUND;
        for (int n = 2; n <= 6; n++) {
            session = new AddInput(input("room-" + n), n, "Room " + n).applyTo(session, RIG);
        }
        Finding first = find(session, RIG, "Input 2, Room 2, has no port.");
        assertThat(first.fix().orElseThrow().way()).isEqualTo("Put each into a free port");
        Session fixed = Edit.applyAll(Readiness.together(session, RIG, MEASURED, first.key()), session, RIG);
        assertThat(fixed.inputs().stream().flatMap(each -> each.ports().stream()))
                .hasSize(6)
                .doesNotHaveDuplicates();
    }

    /** Three are read one by one; from four on one sentence says it, and each is still there. */
    @Test
    public void manyOfAKindAreToldTogether() {
        Session session = SOUND;
        for (int n = 2; n <= 5; n++) {
            assertThat(Readiness.of(session, RIG, MEASURED))
                    .allMatch(each -> each.among().isEmpty());
            session = new AddInput(input("extra-" + n), n, "Extra " + n).applyTo(session, RIG);
        }
        assertThat(Readiness.of(session, RIG, MEASURED))
                .extracting(Readiness.Standing::among)
                .filteredOn(among -> !among.isEmpty())
                .hasSize(8)
                .containsOnly("4 inputs have no port.", "4 inputs are on no track.");
    }

    @Test
    public void aRibbonKeepsItsBankOffAndIsOfferedAPortElsewhere() {
        Session session = made(
                SOUND,
                new SetInputMic(input("fiddle"), "Dunlin R"),
                new SetInputPhantom(input("fiddle"), PhantomWish.NEVER),
                second(),
                new SetInputMic(input("bass"), "Wren L"),
                new SetInputPhantom(input("bass"), PhantomWish.ON),
                new PatchInput(input("bass"), port("skiff-in-3")));
        Finding finding = find(session, RIG, "The +48 V of bank 1-4 stays off for Fiddle, so Bass has none.");
        assertThat(finding.fix().orElseThrow().words()).isEqualTo("Move Fiddle to Skiff 5");
    }

    @Test
    public void leftAndRightOfAPairMayNotChangePlaces() {
        Session session =
                made(SOUND, new AddTrack(track("room"), "Room", 2, List.of(fed("skiff-in-8"), fed("skiff-in-7"))));
        Finding finding = find(session, RIG, "Track Room has left and right swapped.");
        Session fixed = Edit.applyAll(finding.fix().orElseThrow().edits(), session, RIG);
        assertThat(fixed.find(track("room")).orElseThrow().feeds())
                .containsExactly(fed("skiff-in-7"), fed("skiff-in-8"));
    }

    @Test
    public void aRigThatChangedSaysWhatTheSessionLost() {
        Session session = made(SOUND, new PatchInput(input("fiddle"), port("raft-in-1")));
        Rig without = new RemoveDevice("raft").applyTo(RIG);
        Finding lost = find(
                session, without, "Input 1, Fiddle, goes into Raft 1, which does not lead to the interface any more.");
        assertThat(lost.fix().orElseThrow().words()).isEqualTo("Clear the port, to choose another");
        Rig hidden = new HidePort(port("raft-in-1"), true).applyTo(RIG);
        find(session, hidden, "Input 1, Fiddle, goes into Raft 1, which is hidden.");
        Rig own = new SetDeviceClock("raft", Device.Clock.OWN, 20).applyTo(RIG);
        assertThat(find(session, own, "Raft runs on its own clock, 20.0 ppm from the interface's.")
                        .why())
                .startsWith("In five minutes it drifts by 6.0 ms");
        assertThat(Readiness.findings(SOUND, own, MEASURED)).isEmpty();
    }

    @Test
    public void doublingSaysWhatItAddsAndWhereItIsHeard() {
        CueId cue = new CueId("cue");
        Session session = made(
                SOUND,
                new AddTrack(track("copy"), "Copy", 1, List.of(Feed.from(input("fiddle"), 0))),
                new AddCue(cue, "Drummer"),
                new SetSendLevel(cue, track("fiddle"), Decibels.ZERO),
                new SetSendLevel(cue, track("copy"), Decibels.ZERO));
        Finding finding = find(
                session,
                RIG,
                "Skiff 1 is recorded 2 times, on Fiddle and Copy: heard together +6.0 dB louder, as now in Drummer.");
        assertThat(finding.about()).hasSize(2);
        assertThat(finding.topic()).isEqualTo(Finding.Topic.ANYTHING_ELSE);
    }

    /** A row need not say its own name again. */
    @Test
    public void atItsOwnPartAFindingGoesWithoutItsName() {
        Session session = made(SOUND, new PatchInput(input("fiddle"), List.of()));
        Finding finding = Readiness.findings(session, RIG, MEASURED).stream()
                .filter(each -> each.topic() == Finding.Topic.NO_PORT)
                .findFirst()
                .orElseThrow();
        assertThat(finding.sentence()).isEqualTo("Input 1, Fiddle, has no port.");
        assertThat(finding.at(session)).extracting(Finding.At::words).containsExactly("has no port.");
    }

    @Test
    public void anAcknowledgementLastsUntilTheMappingChanges() {
        Session twice = made(SOUND, new AddTrack(track("copy"), "Copy", 1, List.of(Feed.from(input("fiddle"), 0))));
        String sentence = "Skiff 1 is recorded 2 times, on Fiddle and Copy: heard together +6.0 dB louder.";
        Session meant = made(twice, new Acknowledge(find(twice, RIG, sentence).key(), "clean and printed"));
        assertThat(open(meant)).isEmpty();
        assertThat(Readiness.of(meant, RIG, MEASURED).get(0).acknowledged()).isEqualTo("clean and printed");
        Session thrice = made(meant, new AddTrack(track("third"), "Third", 1, List.of(Feed.from(input("fiddle"), 0))));
        assertThat(open(thrice)).hasSize(1);
        Session moved = made(meant, new PatchInput(input("fiddle"), port("skiff-in-2")));
        assertThat(open(moved)).hasSize(1);
        assertThat(open(made(moved, new PatchInput(input("fiddle"), port("skiff-in-1")))))
                .isEmpty();
    }

    @Test
    public void twoCablesThatMeetBehindATieAreFoundToo() {
        Session session = made(
                SOUND,
                new PatchInput(input("fiddle"), port("raft-in-1")),
                new AddInput(input("bass"), 2, "Bass"),
                new PatchInput(input("bass"), port("skiff-in-17")));
        Finding found = find(session, RIG, "Input 1, Fiddle and Input 2, Bass both arrive at Optical 1.");
        assertThat(found.fix()).isPresent();
        Session fixed = Edit.applyAll(found.fix().orElseThrow().edits(), session, RIG);
        assertThat(Readiness.findings(fixed, RIG, MEASURED))
                .extracting(Finding::sentence)
                .noneMatch(sentence -> sentence.contains("both"));
    }

    @Test
    public void aGainOrAPadThatThePreampHasNotIsSaid() {
        Session session = made(SOUND, new SetInputGain(input("fiddle"), 75), new SetInputPad(input("fiddle"), true));
        Finding gain = find(
                session, RIG, "Input 1, Fiddle, wants +75.0 dB of gain, and Skiff 1 goes from 0.0 dB to +60.0 dB.");
        assertThat(gain.fix().orElseThrow().edits()).containsExactly(new SetInputGain(input("fiddle"), 60));
        assertThat(Readiness.then(session, RIG, MEASURED, gain.key())).isEmpty();
    }

    @Test
    public void everyFixEndsItsFindingAndBringsNoneThatWasNotAnnounced() {
        Random random = new Random(11);
        int fixes = 0;
        for (int run = 0; run < 30; run++) {
            Session session = randomSession(random);
            List<Readiness.Standing> all = Readiness.of(session, RIG, MEASURED);
            for (Readiness.Standing standing : all) {
                if (standing.finding().fix().isEmpty()) {
                    continue;
                }
                fixes++;
                Session fixed =
                        Edit.applyAll(standing.finding().fix().orElseThrow().edits(), session, RIG);
                List<Finding> after = Readiness.findings(fixed, RIG, MEASURED);
                assertThat(after)
                        .as(standing.finding().sentence())
                        .noneMatch(each -> each.key().equals(standing.finding().key()));
                List<String> come = after.stream()
                        .filter(each -> all.stream()
                                .noneMatch(old -> old.finding().key().equals(each.key())))
                        .map(Finding::sentence)
                        .toList();
                assertThat(come)
                        .isEqualTo(Readiness.then(
                                session, RIG, MEASURED, standing.finding().key()));
            }
        }
        assertThat(fixes).isGreaterThan(150);
    }

    private static Session randomSession(Random random) {
        Session session = Session.blank(new SessionId("s"), "S", "", RIG.id(), Optional.empty());
        String[] mics = {"Wren L", "Dunlin R", "Gannet D", "something else"};
        for (int n = 1; n <= 8; n++) {
            InputId id = input("i" + n);
            session = made(
                    session,
                    new AddInput(id, n, "Source " + random.nextInt(6)),
                    new SetInputMic(id, mics[random.nextInt(4)]),
                    new SetInputPhantom(id, PhantomWish.values()[random.nextInt(3)]),
                    new SetInputLevel(id, Port.Signal.values()[random.nextInt(3)]),
                    new PatchInput(
                            id,
                            random.nextInt(5) == 0 ? List.of() : List.of(port("skiff-in-" + (1 + random.nextInt(10))))),
                    new SetInputWidth(id, random.nextInt(3) == 0 ? 2 + random.nextInt(3) : 1));
        }
        for (int n = 1; n <= 6; n++) {
            List<Feed> feeds = new ArrayList<>();
            int width = 1 + random.nextInt(2);
            for (int channel = 0; channel < width; channel++) {
                feeds.add(
                        random.nextInt(4) == 0
                                ? fed("skiff-in-" + (7 + random.nextInt(2)))
                                : anyInput(session, random));
            }
            session = made(
                    session,
                    new AddTrack(track("t" + n), "Track " + random.nextInt(5), width, feeds),
                    new ArmTrack(track("t" + n), random.nextBoolean()));
        }
        TrackId wide = track("wide");
        CueId cue = new CueId("cue");
        session = made(
                session, new AddTrack(wide, "Wide", 3, List.of(anyInput(session, random))), new AddCue(cue, "Cue"));
        session = Edit.applyAll(NewTracks.split(session, wide, NewTracks.Split.PAIRS), session, RIG);
        List<TrackId> heard = session.tracks().stream()
                .filter(each -> random.nextBoolean())
                .map(Track::id)
                .toList();
        session = made(session, new AddSends(cue, heard));
        for (TrackId each : heard) {
            session = made(session, new SetSendLevel(cue, each, Decibels.of(-6)));
        }
        return session;
    }

    private static Feed anyInput(Session session, Random random) {
        Input any = session.inputs().get(random.nextInt(8));
        return random.nextInt(6) == 0 ? Feed.NOTHING : Feed.from(any.id(), random.nextInt(any.width()));
    }

    private static List<Readiness.Standing> open(Session session) {
        return Readiness.of(session, RIG, MEASURED).stream()
                .filter(Readiness.Standing::isOpen)
                .toList();
    }

    private static Finding find(Session session, Rig rig, String sentence) {
        List<Finding> all = Readiness.findings(session, rig, MEASURED);
        assertThat(all).extracting(Finding::sentence).contains(sentence);
        return all.stream()
                .filter(each -> each.sentence().equals(sentence))
                .findFirst()
                .orElseThrow();
    }

    private static Session made(Session session, Edit... edits) {
        return Edit.applyAll(List.of(edits), session, RIG);
    }

    private static Edit second() {
        return new AddInput(input("bass"), 2, "Bass");
    }

    private static Feed fed(String port) {
        return Feed.from(port(port));
    }

    private static InputId input(String id) {
        return new InputId(id);
    }

    private static TrackId track(String id) {
        return new TrackId(id);
    }

    private static PortId port(String id) {
        return new PortId(id);
    }

    private static PutMic mic(String id, String name, Mic.Kind kind) {
        return new PutMic(new Mic(new MicId(id), name, kind, 2, 10, "XLR"));
    }
}
