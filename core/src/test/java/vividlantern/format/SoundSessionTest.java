package vividlantern.format;

import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.session.BringLineId;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.SourceKind;
import vividlantern.session.TrackId;
import vividlantern.session.edit.AcknowledgementEdit.Acknowledge;
import vividlantern.session.edit.BringEdit.WriteBringLine;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.MarkerEdit.SetMarker;
import vividlantern.session.edit.MonitoringEdit.SetTolerance;
import vividlantern.session.edit.PerformerEdit.AddPerformer;
import vividlantern.session.edit.SoundSession;
import vividlantern.session.edit.TrackEdit.AddSplit;
import vividlantern.session.edit.TrackEdit.AddTrack;
import vividlantern.session.song.MarkerId;

/** A document holds what edits could have made, to the edge of each field and not beyond. */
public class SoundSessionTest {

    private static final Session SESSION = session();

    private static Session session() {
        Session session = RandomSessions.session(3);
        List<Edit> edits = List.of(
                new SetMarker(new MarkerId("here"), "Here", 3),
                new SetMarker(new MarkerId("there"), "There", 7),
                new AddPerformer(new PerformerId("harp"), "Harp", ""),
                new AddTrack(new TrackId("wide"), "Wide", 4, List.of()),
                new AddSplit(new TrackId("half"), new TrackId("wide"), "Half", 0, 2),
                new WriteBringLine(new BringLineId("tape"), "tape", 2),
                new Acknowledge("key", "on purpose"),
                new SetTolerance(SourceKind.VOICE, 3));
        for (Edit edit : edits) {
            session = edit.applyTo(session, RandomSessions.RIG);
        }
        return session;
    }

    /** A place in the document, the last value that is let in, the first that is not. */
    @DataProvider
    public Object[][] edges() {
        return new Object[][] {
            {"/sampleRate", 8_000, 7_999},
            {"/sampleRate", 384_000, 384_001},
            {"/sampleRate", 48_000, 1},
            {"/sampleRate", 48_000, 768_000},
            {"/bufferFrames", 16, 15},
            {"/bufferFrames", 4096, 4097},
            {"/bufferFrames", 128, 1},
            {"/bitDepth", 16, 15},
            {"/bitDepth", 32, -5},
            {"/name", "a".repeat(400), "a".repeat(401)},
            {"/performers/0/metres", 30, -5},
            {"/performers/0/metres", 0, 1e308},
            {"/performers/0/badge", "a".repeat(10), "a".repeat(11)},
            {"/performers/0/position", 1e9, 1e300},
            {"/inputs/0/cableMetres", 500, -5},
            {"/inputs/0/cableMetres", 0, 500.1},
            {"/inputs/0/gainDb", 80, 1e308},
            {"/inputs/0/gainDb", 0, -0.1},
            {"/inputs/0/number", 999, 1000},
            {"/inputs/0/width", 8, 9},
            {"/inputs/0/level", "mic", "digital"},
            {"/tracks/0/shiftFrames", 2400, 2401},
            {"/tracks/0/shiftFrames", 0, -1},
            {"/tracks/0/shiftFrames", 1, Integer.MAX_VALUE},
            {"/tracks/0/fader", 12, 12.1},
            {"/tracks/0/trim", -90, -90.1},
            {"/tracks/0/look/folder", "a".repeat(400), "a".repeat(401)},
            {"/tracks/0/position", -1e9, -1e10},
            {"/cues/0/highPass/hz", 20, 19},
            {"/cues/0/lowPass/hz", 20_000, 20_001},
            {"/cues/0/level", "off", 13},
            {"/cues/0/position", 0, 1e308},
            {"/markers/0/bar", 40_000, 40_001},
            {"/markers/0/bar", 1, 0},
            {"/markers/0/bar", 2, Integer.MIN_VALUE},
            {"/markers/0/bar", 4, 7},
            {"/markers/0/name", "Elsewhere", "there"},
            {"/bringing/0/count", 999, 1000},
            {"/acknowledgements/0/key", "a".repeat(200), "a".repeat(201)},
            {"/acknowledgements/0/reason", "because", " "},
            {"/monitoring/recordBuffer", 16, 1},
            {"/monitoring/mixBuffer", 4096, 1 << 16},
            {"/monitoring/tolerances/0/ms", 100, 100.5},
        };
    }

    @Test(dataProvider = "edges")
    public void aFieldIsLetInUpToItsEdgeAndNotBeyond(String place, Object last, Object beyond) {
        assertThatCode(() -> require(with(place, last))).doesNotThrowAnyException();
        assertThatThrownBy(() -> require(with(place, beyond))).isInstanceOf(Refused.class);
    }

    @Test
    public void aTrackIsFedChannelByChannel() {
        int wide = SESSION.tracks().indexOf(SESSION.find(new TrackId("wide")).orElseThrow());
        int half = SESSION.tracks().indexOf(SESSION.find(new TrackId("half")).orElseThrow());
        Map<String, Object> nothing = Map.of("channel", 0);
        assertThatCode(() -> require(with("/tracks/" + wide + "/feeds", List.of(nothing, nothing, nothing, nothing))))
                .doesNotThrowAnyException();
        for (List<Object> feeds : List.<List<Object>>of(
                List.of(), List.of(nothing), List.of(nothing, nothing, nothing, nothing, nothing))) {
            assertThatThrownBy(() -> require(with("/tracks/" + wide + "/feeds", feeds)))
                    .isInstanceOf(Refused.class)
                    .hasMessageContaining("Wide has 4 channels");
        }
        assertThatThrownBy(() -> require(with("/tracks/" + half + "/feeds", List.of(nothing, nothing))))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("Half is fed by what feeds no track of its kind");
    }

    @Test
    public void aCableOfAnInputGoesIntoAPortOfItsOwn() {
        Session wide = with("/inputs/0/width", 2);
        assertThatCode(() -> require(with(wide, "/inputs/0/ports", List.of("some-1", "some-2"))))
                .doesNotThrowAnyException();
        assertThatThrownBy(() -> require(with(wide, "/inputs/0/ports", List.of("some-1", "some-1"))))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("a port of its own");
    }

    @Test
    public void whatEditsMadeIsLetIn() {
        for (int seed = 0; seed < 40; seed++) {
            require(RandomSessions.session(seed));
        }
    }

    private static void require(Session session) {
        SoundSession.require(session, RandomSessions.RIG);
    }

    private static Session with(String place, Object value) {
        return with(SESSION, place, value);
    }

    private static Session with(Session session, String place, Object value) {
        List<String> steps = List.of(place.substring(1).split("/"));
        Object changed = with(Documents.fields(session), steps, value);
        return Documents.read(Documents.write(changed), Session.class);
    }

    /** A copy of a tree with one place in it changed. */
    private static Object with(Object tree, List<String> steps, Object value) {
        if (steps.isEmpty()) {
            return value;
        }
        List<String> rest = steps.subList(1, steps.size());
        if (tree instanceof List<?> list) {
            List<Object> copy = new ArrayList<>(list);
            int at = Integer.parseInt(steps.get(0));
            copy.set(at, with(copy.get(at), rest, value));
            return copy;
        }
        Map<String, Object> copy = new LinkedHashMap<>();
        ((Map<?, ?>) tree).forEach((key, each) -> copy.put((String) key, each));
        copy.put(steps.get(0), with(copy.get(steps.get(0)), rest, value));
        return copy;
    }
}
