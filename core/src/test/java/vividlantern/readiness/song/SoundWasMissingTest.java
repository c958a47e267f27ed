package vividlantern.readiness.song;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntToDoubleFunction;
import org.testng.annotations.Test;
import vividlantern.ShelfDevices;
import vividlantern.engine.Incidents.Incident;
import vividlantern.engine.Incidents.Kind;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Noted;
import vividlantern.readiness.Readiness;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.edit.RigEdit;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.SessionEdit.SetBuffer;

/** What went wrong with the sound once may go wrong in a take. */
public class SoundWasMissingTest {

    private static final Rig RIG = RigEdit.applyAll(
            List.of(ShelfDevices.device("interface-16", "skiff", "Skiff")), Rig.empty(new RigId("loft"), "Loft"));
    private static final Session SESSION = at(128);

    /** What a block would take: with 512 frames 60 % of its time, with 1024 30 %. */
    private static final IntToDoubleFunction LOAD = buffer -> 307.2 / buffer;

    private static Session at(int buffer) {
        return Edit.applyAll(
                List.of(new SetBuffer(buffer)),
                Session.blank(new SessionId("s"), "S", "", RIG.id(), Optional.empty()),
                RIG);
    }

    private static Incident incident(Kind kind, int second, double missedMs, int buffer) {
        Instant at = Instant.parse("2026-03-01T20:00:00Z").plusSeconds(second);
        return new Incident(at, at, kind, "The interface was pulled.", 1, missedMs, buffer);
    }

    private static List<Finding> found(Session session, Incident... newestFirst) {
        Noted noted = new Noted(
                List.of(), List.of(), List.of(), List.of(newestFirst), LOAD, Map.of(), Map.of(), Map.of(), Map.of());
        return Readiness.findings(session, RIG, noted).stream()
                .filter(each -> !each.key().startsWith("nothing-armed"))
                .toList();
    }

    @Test
    public void missingSoundIsAddedUpAndALargerBufferEndsIt() {
        Incident[] twice = {incident(Kind.LOAD, 40, 200, 128), incident(Kind.LOAD, 20, 50, 128)};
        List<Finding> found = found(SESSION, twice);
        assertThat(found).hasSize(1);
        assertThat(found.get(0).sentence())
                .isEqualTo(
                        "The computer was too busy at a buffer of 128: 250 ms of sound are missing, 2 times since this"
                                + " session took the rig.");
        Finding.Fix fix = found.get(0).fix().orElseThrow();
        assertThat(fix.words()).as("as Monitoring proposes").isEqualTo("Set the buffer to 1024");
        assertThat(found(Edit.applyAll(fix.edits(), SESSION, RIG), twice)).isEmpty();
        assertThat(found(at(64), twice)).hasSize(1);
    }

    @Test
    public void whatCameLateAndWasHeardByNobodyIsNotFound() {
        assertThat(found(SESSION, incident(Kind.LOAD, 20, 0, 128))).isEmpty();
    }

    @Test
    public void whatIsLateOverAndOverIsFoundThoughNothingIsMissingYet() {
        Instant at = Instant.parse("2026-03-01T20:00:00Z");
        Incident late = new Incident(at, at, Kind.LOAD, "The computer was too busy.", 14_353, 0, 128);
        assertThat(found(SESSION, late))
                .extracting(Finding::sentence)
                .containsExactly("The computer was too busy at a buffer of 128: 14353 blocks came late, once since this"
                        + " session took the rig.");
    }

    @Test
    public void atTheLargestBufferAHandMustHelp() {
        Session largest = at(1024);
        Finding found = found(largest, incident(Kind.LOAD, 20, 50, 1024)).get(0);
        assertThat(found.fix()).isEmpty();
        assertThat(found.byHand())
                .isEqualTo("This computer has too little time for each of them. "
                        + "Close other programs; fewer tracks or cues, or a lower rate, help too.");
    }

    @Test
    public void whatBrokeOffIsFoundAnewEachTimeItDoes() {
        Finding first = found(SESSION, incident(Kind.DEVICE, 20, 0, 128)).get(0);
        assertThat(first.sentence()).isEqualTo("The sound broke off: The interface was pulled.");
        Finding second = found(SESSION, incident(Kind.BEGAN_ANEW, 40, 0, 128), incident(Kind.DEVICE, 20, 0, 128))
                .get(0);
        assertThat(second.key()).isNotEqualTo(first.key());
    }
}
