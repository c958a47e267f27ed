package vividlantern.patch;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.Test;
import vividlantern.ShelfDevices;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.StereoPair;
import vividlantern.rig.edit.PairEdit.PairPorts;
import vividlantern.rig.edit.RigEdit;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.PerformerId;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.CueEdit.AddCue;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.SetInputLevel;
import vividlantern.session.edit.InputEdit.SetInputPerformer;
import vividlantern.session.edit.InputEdit.SetInputPhantom;
import vividlantern.session.edit.PerformerEdit.AddPerformer;

/** Where a session goes on a rig that it was not made for. */
public class FitTest {

    private static final int ROUNDS = 40;

    /** Eight combination inputs, +48 V in two banks of four, and a pair for headphones. */
    private static final Rig RIG = RigEdit.applyAll(
            List.of(
                    ShelfDevices.device("interface-8", "skiff", "Skiff"),
                    new PairPorts(
                            new PairId("phones"),
                            new PortId("skiff-out-3"),
                            new PortId("skiff-out-4"),
                            "Phones",
                            StereoPair.Feeds.HEADPHONES)),
            Rig.empty(new RigId("loft"), "Loft"));

    private Session session = Session.blank(new SessionId("s"), "S", "", RIG.id(), Optional.empty());
    private final Map<InputId, List<String>> ports = new LinkedHashMap<>();
    private final Map<CueId, String> pairs = new LinkedHashMap<>();

    private InputId input(String source, String before, Edit... more) {
        InputId id = new InputId(source.toLowerCase(java.util.Locale.ROOT).replace(" ", "-"));
        session = new AddInput(id, session.inputs().size() + 1, source).applyTo(session, RIG);
        session = Edit.applyAll(List.of(more), session, RIG);
        ports.put(id, before.isEmpty() ? List.of() : List.of(before));
        return id;
    }

    private static Edit phantom(String id, PhantomWish wish) {
        return new SetInputPhantom(new InputId(id), wish);
    }

    private Fit.Fitted fit() {
        return Fit.of(session, RIG, new Fit.Wishes(ports, pairs));
    }

    private List<String> sentences() {
        return fit().lines().stream()
                .map(line -> line.name() + ": " + line.to() + ", because " + line.why())
                .toList();
    }

    private void begin() {
        session = Session.blank(new SessionId("s"), "S", "", RIG.id(), Optional.empty());
        ports.clear();
        pairs.clear();
    }

    @Test
    public void theSameNameComesFirstAndEachLineSaysWhy() {
        begin();
        input("Fiddle", "Skiff 5");
        input("Bass", "Skiff 3");
        input("Bouzouki", "Skiff 3", phantom("bouzouki", PhantomWish.ON));
        input("Harp", "");
        assertThat(sentences())
                .containsExactly(
                        "Fiddle: Skiff 5, because it has the same name",
                        "Bass: Skiff 3, because it has the same name",
                        "Bouzouki: Skiff 1, because it needs +48 V, and Skiff 3 is taken by Bass",
                        "Harp: Skiff 2, because it is the first free port");
        assertThat(fit().inOneLine(session.inputs().size())).isEqualTo("all 4 inputs");
        assertThat(fit()).isEqualTo(fit());
    }

    @Test
    public void aRibbonDoesNotShareASwitchWithACondenser() {
        begin();
        input("Ribbon", "Skiff 1", phantom("ribbon", PhantomWish.NEVER));
        input("Condenser", "Skiff 2", phantom("condenser", PhantomWish.ON));
        Session fitted = Edit.applyAll(fit().edits(), session, RIG);
        List<String> banks = fitted.inputs().stream()
                .map(each -> RIG.port(each.ports().get(0)).orElseThrow().bank())
                .toList();
        assertThat(banks).doesNotHaveDuplicates();
    }

    @Test
    public void whatFindsNoPlaceSaysWhyAndWhatWouldHelp() {
        begin();
        for (int n = 1; n <= 9; n++) {
            input("Mic " + n, "");
        }
        PerformerId anna = new PerformerId("anna");
        session = Edit.applyAll(
                List.of(
                        new AddPerformer(anna, "Anna", ""),
                        new SetInputPerformer(new InputId("mic-1"), Optional.of(anna))),
                session,
                RIG);
        assertThat(fit().inOneLine(session.inputs().size()))
                .isEqualTo("8 of 9 inputs; no place for Mic 9, because every port that fits is taken");
        assertThat(fit().proposals())
                .containsExactly(
                        "An expander with 1 mic input could take Mic 9.",
                        "Nobody plays Mic 2, Mic 3, Mic 4, Mic 5, Mic 6, Mic 7, Mic 8; leaving some of that"
                                + " out may make room.");
    }

    @Test
    public void cuesGoToPairsForHeadphonesOnly() {
        begin();
        for (String name : List.of("anna", "ben")) {
            CueId cue = new CueId(name);
            session = new AddCue(cue, name).applyTo(session, RIG);
            pairs.put(cue, "");
        }
        assertThat(sentences())
                .containsExactly(
                        "Cue anna: Phones, because it is the first free pair for headphones",
                        "Cue ben: , because no free pair feeds headphones");
        assertThat(fit().proposals()).containsExactly("Let performers who want to hear the same share a cue.");
    }

    @Test
    public void onAnyRigNothingIsMappedTwiceOrWhereItCannotBe() {
        for (int seed = 0; seed < ROUNDS; seed++) {
            Random random = new Random(seed);
            Rig rig = RandomRigsTest.rig(random);
            Session some = RandomRigsTest.session(rig, random);
            List<Edit> wishes = new ArrayList<>();
            Map<InputId, List<String>> asked = new LinkedHashMap<>();
            for (Input input : some.inputs()) {
                wishes.add(new SetInputPhantom(input.id(), PhantomWish.values()[random.nextInt(3)]));
                wishes.add(new SetInputLevel(
                        input.id(), random.nextInt(5) == 0 ? Port.Signal.INSTRUMENT : Port.Signal.MIC));
                asked.put(input.id(), List.of());
            }
            Session session = Edit.applyAll(wishes, some, rig);
            Fit.Fitted fitted = Fit.of(session, rig, new Fit.Wishes(asked, Map.of()));
            Session after = Edit.applyAll(fitted.edits(), session, rig);
            List<Input> placed = fitted.lines().stream()
                    .filter(Fit.FitLine::isPlaced)
                    .map(line -> after.inputs().stream()
                            .filter(input -> input.source().equals(line.name()))
                            .findFirst()
                            .orElseThrow())
                    .toList();
            assertThat(placed).allMatch(input -> Ports.fit(rig, input.ports(), input));
            assertThat(placed.stream().flatMap(input -> input.ports().stream()).map(rig::followTies))
                    .doesNotHaveDuplicates();
            assertThat(Fit.of(session, rig, new Fit.Wishes(asked, Map.of()))).isEqualTo(fitted);
        }
    }
}
